import { rightToLeft } from '@/core/set/direction'
import { realSize } from '@/core/rules/real-size'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { PixelPicture } from '@/ui/pixel-picture'
import { sourceOf } from '@/workers/draw'
import { DirectionMenu, rtlInWords } from '../../frame/direction-menu'
import { commit } from '../../session/session'
import { useSession } from '../../session/use-session'
import { useSetBeside } from '../state/context'
import { Heading } from './heading'

const GROUNDS = { light: 'bg-[#fbfcfb]', dark: 'bg-[#14231f]' }

/** A preview of the icon for right-to-left text, with the choice of how it is mirrored. */
export function Direction({ icon, rules }: { icon: Icon; rules: Rules }) {
  const icons = useSetBeside((set) => set.icons)
  const session = useSession()
  const turned = rightToLeft(icon, icons)
  const size = Math.min(64, realSize(rules))
  return (
    <section aria-label="Right to left" className="border-t border-hair pb-3">
      <Heading
        title="Right to left"
        note={
          <DirectionMenu
            icons={[icon]}
            all={icons}
            className="max-w-36 truncate underline decoration-dotted hover:text-hand"
            onChange={(edit, label) => commit(session, edit, label)}
          >
            {rtlInWords(icon.rtl, icons)}
          </DirectionMenu>
        }
      />
      {(turned.isMirrored || turned.icon !== icon) && (
        <div className="flex">
          {(['light', 'dark'] as const).map((ground) => (
            <span key={ground} className={`grid flex-1 place-items-center py-2 ${GROUNDS[ground]}`}>
              <PixelPicture
                source={sourceOf(turned.icon, rules, ground, size)}
                size={size}
                label={`${icon.name} right to left, ${ground}`}
                className={turned.isMirrored ? '-scale-x-100' : ''}
              />
            </span>
          ))}
        </div>
      )}
    </section>
  )
}
