import type { IconSet } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { commit, type Session, undoStep } from '../frame/session'

/** Reads SVG files as icons of a set, under its rules, in one step that can be taken back; says what could not be read. */
export async function readInto(session: Session, set: IconSet, files: readonly File[]): Promise<void> {
  const { Importer } = await import('@/workers/importer')
  const found = await new Promise<Awaited<ReturnType<InstanceType<typeof Importer>['into']>> | string>((done) => {
    const chosen = files.map((file) => ({ path: file.name, file }))
    const importer = new Importer(chosen, () => undefined, done)
    void importer
      .into(
        set,
        files.map(() => newId()),
      )
      .then((icons) => {
        importer.end()
        done(icons)
      })
  })
  if (typeof found === 'string') return say({ text: found, tone: 'fault' })
  const { icons, remarks, failed } = found
  const [first] = failed,
    [note] = remarks
  if (icons.length === 0)
    return say({ text: first ? `${first.path} was not read: ${first.problem}` : 'Nothing was read.', tone: 'fault' })
  const what = icons.length === 1 ? `“${icons[0]!.name}”` : `${icons.length} icons`
  const at = session.getState().history.present.icons.length
  commit(session, { kind: 'add-icons', icons, at }, `Read ${what}`)
  say({
    text: [
      `${what} ${icons.length === 1 ? 'is' : 'are'} read.`,
      first &&
        `${failed.length === 1 ? 'One file was' : `${failed.length} files were`} not: ${first.path}, ${first.problem}`,
      note && `${note.icon}: ${note.text}.`,
    ]
      .filter(Boolean)
      .join(' '),
    action: { label: 'Undo', run: () => undoStep(session) },
  })
}
