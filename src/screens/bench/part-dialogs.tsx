'use client'

import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { NameDialog } from '@/ui/name-dialog'
import { PixelPicture } from '@/ui/pixel-picture'
import { sourceOf } from '@/workers/draw'
import { commit } from '../session/session'
import { useBench, useSlice } from './state/context'
import { closeUnchanged, PARTS, puttingBack, renamePart, saveAsPart } from './operations/parts'

/** Dialogs for parts: naming one, and choosing whether a changed part updates all its placements. */
export function PartDialogs() {
  const bench = useBench()
  const { asking } = useSlice(PARTS)
  const close = () => bench.put(PARTS, { asking: null })
  if (asking === null) return null
  if (asking === 'name')
    return (
      <NameDialog
        title="Save as a part"
        action="Save"
        name={bench.free.length === 1 ? bench.free[0]!.name : ''}
        onName={(name) => saveAsPart(bench, name)}
        onClose={close}
      />
    )
  if ('rename' in asking)
    return (
      <NameDialog
        title="Rename the part"
        name={asking.rename}
        onName={(name) => renamePart(bench, asking.rename, name)}
        onClose={close}
      />
    )
  return <PutBack id={asking.putBack} onClose={close} />
}

/** How many icons a changed part changes, each before and after. */
function PutBack({ id, onClose }: { id: string; onClose: () => void }) {
  const bench = useBench()
  const change = puttingBack(bench, id)
  if (!change) return null
  if ('problem' in change)
    return (
      <Dialog title="This cannot be a part" open onClose={onClose} width={420}>
        <p className="px-4 pt-3">{change.problem}</p>
        <div className="flex justify-end p-4">
          <Button look="strong" onClick={onClose}>
            Go on editing
          </Button>
        </div>
      </Dialog>
    )
  const { edit, after, changed } = change
  const before = bench.session.getState().history.present
  const accept = () => {
    commit(bench.session, edit, 'Change a part in all its placements')
    bench.store.setState({ scope: null })
    bench.select([id])
    onClose()
  }
  return (
    <Dialog title="Change the part everywhere?" open onClose={onClose} width={520}>
      <p className="px-4 pt-3">
        {changed.length === 0
          ? 'No other icon places it.'
          : `${changed.length === 1 ? 'One other icon changes' : `${changed.length} other icons change`}: before and after.`}
      </p>
      <ul className="flex max-h-72 flex-wrap gap-3 overflow-auto px-4 py-3">
        {changed.map((icon) => {
          const next = after.icons.find((one) => one.id === icon.id)!
          return (
            <li key={icon.id} className="flex flex-col items-center gap-1 border border-hair p-2 text-small text-quiet">
              <span className="flex items-center gap-2">
                <PixelPicture source={sourceOf(icon, before.rules, 'light')} size={48} label={`${icon.name} before`} />
                →
                <PixelPicture source={sourceOf(next, after.rules, 'light')} size={48} label={`${icon.name} after`} />
              </span>
              {icon.name}
            </li>
          )
        })}
      </ul>
      <div className="flex justify-end gap-2 p-4">
        <Button onClick={onClose}>Go on editing</Button>
        <Button
          onClick={() => {
            closeUnchanged(bench, id)
            onClose()
          }}
        >
          Discard the changes
        </Button>
        <Button look="strong" autoFocus onClick={accept}>
          Change it everywhere
        </Button>
      </div>
    </Dialog>
  )
}
