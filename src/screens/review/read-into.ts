import type { Icon } from '@/core/set/set'
import { say } from '@/ui/notice'
import type { FoundIcons } from '@/workers/importer'
import { commit, type Session, undoStep } from '../session/session'

/** Adds icons that were read to a set in one step that can be taken back; says what could not be read. */
export function addRead(session: Session, icons: readonly Icon[], failed: FoundIcons['failed']): void {
  const [first] = failed
  const what = icons.length === 1 ? `“${icons[0]!.name}”` : `${icons.length} icons`
  const at = session.getState().history.present.icons.length
  commit(session, { kind: 'add-icons', icons, at }, `Import ${what}`)
  say({
    text: [
      `${what} ${icons.length === 1 ? 'was' : 'were'} imported.`,
      first &&
        `${failed.length === 1 ? 'One file was' : `${failed.length} files were`} not: ${first.path}, ${first.sentence}`,
    ]
      .filter(Boolean)
      .join(' '),
    action: { label: 'Undo', run: () => undoStep(session) },
  })
}
