import type { ChosenFile } from '@/workers/import.worker'

export type { ChosenFile }

/** How many files are taken at most. */
const MOST = 50_000

/** Dropped files, including those in folders; paths are relative to the drop. */
export async function droppedFiles(data: DataTransfer): Promise<ChosenFile[]> {
  // The list is empty once the event is over, so the entries are taken from it at once.
  const entries = [...data.items].flatMap((item) => item.webkitGetAsEntry() ?? [])
  const all: ChosenFile[] = []
  for (const entry of entries) await gather(entry, entry.isDirectory ? entry.fullPath.length + 1 : 1, all)
  return all
}

async function gather(entry: FileSystemEntry, cut: number, all: ChosenFile[]): Promise<void> {
  if (all.length >= MOST || entry.name.startsWith('.')) return
  if (entry.isFile) {
    const file = await new Promise<File | null>((done) => (entry as FileSystemFileEntry).file(done, () => done(null)))
    if (file) all.push({ path: entry.fullPath.slice(cut), file })
    return
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader()
  for (;;) {
    const lot = await new Promise<FileSystemEntry[]>((done) => reader.readEntries(done, () => done([])))
    if (lot.length === 0) return
    for (const one of lot) await gather(one, cut, all)
  }
}

/** Files that were chosen, with their paths in the folder that was chosen. */
export const chosenFiles = (files: FileList): ChosenFile[] =>
  [...files]
    .slice(0, MOST)
    .map((file) => ({ path: file.webkitRelativePath.split('/').slice(1).join('/') || file.name, file }))

export const isSetFile = ({ path }: ChosenFile): boolean => /\.json$/i.test(path)

/** Files in the order of their paths, as folders show them. */
export const inOrder = (files: readonly ChosenFile[]): ChosenFile[] =>
  files.toSorted((a, b) => a.path.localeCompare(b.path, 'en', { numeric: true }))

/** What files lie in: the name of their folder, or that of the one file. */
export function nameOfAll(files: readonly ChosenFile[], folder: string | null): string {
  const [only, ...more] = files
  const name = folder ?? (more.length === 0 && only ? only.path.replace(/^.*\//, '').replace(/\.[^.]*$/, '') : 'Icons')
  const text = name.replace(/[-_]+/g, ' ').trim()
  return (text.slice(0, 1).toUpperCase() + text.slice(1)).slice(0, 80) || 'Icons'
}
