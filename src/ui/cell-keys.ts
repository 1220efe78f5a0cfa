/**
 * Keys of table cells, which are marked with `data-cell`: Tab and arrow keys move between cells, typed characters go into
 * the focused cell.
 */

/** A character that is typed, for a cell: no space, which presses a button. */
const isTyped = ({ key, ctrlKey, metaKey, altKey }: Keys): boolean =>
  !ctrlKey && !metaKey && !altKey && ((key.length === 1 && key !== ' ') || key === 'Backspace' || key === 'Delete')

type Keys = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey'>

/** Whether a key edits the cell that has the focus: a typed character, a deletion, or Ctrl A. */
export const editsCell = (event: Keys): boolean =>
  isTyped(event) || ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a')

const HOLDERS = '[data-cell], [role=tab], [role=option], [role=listbox], [role=menu], select'

/** Whether the focus is where single keys are typed, or choose: no tool may be taken by them there. */
export const holdsTypedKeys = (event: KeyboardEvent): boolean =>
  isTyped(event) && (event.target as HTMLElement | null)?.closest?.(HOLDERS) != null

/** How the cells being edited were begun: after a press the keys go back to the square, else they stay in the table. */
export const begun = { byPress: false }

const TABLES = '[role=treegrid], [role=tabpanel], [role=group]'

/** The next cell of the same table, or the previous one. */
export function cellBeside(cell: Element, back: boolean): HTMLElement | null {
  const cells = [...(cell.closest(TABLES)?.querySelectorAll<HTMLElement>('[data-cell]') ?? [])]
  return cells[cells.indexOf(cell as HTMLElement) + (back ? -1 : 1)] ?? null
}

/** The cell of the same column in the row above or below; where that column has none, the first cell of that row. */
function cellInRow(cell: Element, by: 1 | -1): HTMLElement | null {
  const row = cell.closest('[role=row]'),
    rows = [...(cell.closest(TABLES)?.querySelectorAll('[role=row]') ?? [])].filter((one) =>
      one.querySelector('[data-cell]'),
    )
  const other = row && rows[rows.indexOf(row) + by]
  if (!other) return null
  const column = [...row.children].findIndex((child) => child.contains(cell))
  return other.children[column]?.querySelector('[data-cell]') ?? other.querySelector('[data-cell]')
}

/** Moves the focus to a cell; a number opens with its text selected. */
export function openCell(cell: HTMLElement): void {
  cell.focus()
  if (cell.dataset.cell === 'number') cell.click()
}

/** Acts on the keys that leave a cell: arrows, and Escape, which goes back to the table. Returns whether it did. */
export function leaveCell(event: React.KeyboardEvent<HTMLElement>): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return false
  const cell = event.currentTarget
  const ways: Readonly<Record<string, () => HTMLElement | null>> = {
    ArrowRight: () => cellBeside(cell, false),
    ArrowLeft: () => cellBeside(cell, true),
    ArrowDown: () => cellInRow(cell, 1),
    ArrowUp: () => cellInRow(cell, -1),
    Escape: () => cell.closest<HTMLElement>('[role=treegrid]'),
  }
  const way = ways[event.key]
  if (!way) return false
  event.preventDefault()
  const next = way()
  if (next) next.focus()
  else if (event.key === 'Escape') cell.blur()
  return true
}
