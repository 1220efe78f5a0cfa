import { isTaskEnded } from './renderer/task-ended'

/** What the system says in codes, in words; `what` is the path or the disk it is about. */
const SYSTEM: Readonly<Record<string, (path: string) => string>> = {
  ENOSPC: () => 'The disk is full: nothing was changed.',
  EDQUOT: () => 'The disk is full: nothing was changed.',
  SQLITE_FULL: () => 'The disk is full: nothing was changed.',
  EFBIG: (path) => `${path} would be larger than this system allows: nothing was changed.`,
  ENOENT: (path) => `There is no ${path}.`,
  EEXIST: (path) => `There is something else in the place of ${path}.`,
  ENOTDIR: (path) => `${path} lies in something that is no folder.`,
  EISDIR: (path) => `${path} is a folder.`,
  EACCES: (path) => `This program may not use ${path}.`,
  EPERM: (path) => `This program may not use ${path}.`,
  EROFS: (path) => `${path} lies where nothing can be written.`,
  EMFILE: () => 'Too many files are open on this machine.',
  EADDRINUSE: () => 'The port is in use by another program.',
}

/** Why something could not be done that the request is not to blame for, as a sentence. */
export function faultSentence(error: unknown): string {
  const { code, message, path, dest, syscall } = (error ?? {}) as {
    code?: unknown
    syscall?: unknown
    message?: unknown
    path?: unknown
    dest?: unknown
  }
  const about = typeof dest === 'string' ? dest : typeof path === 'string' ? path : 'the file'
  if (syscall === 'mkdir' && code === 'ENOENT') return `The folder ${about} cannot be made: its place takes none.`
  if (typeof code === 'string' && SYSTEM[code]) return SYSTEM[code](about)
  const said = typeof message === 'string' ? message.trim() : error === undefined ? '' : String(error)
  if (typeof code === 'string' && code.startsWith('SQLITE_'))
    return `The database could not do it: ${said || code}. Nothing was changed.`
  if (isTaskEnded(error) || code === 'WISE_SQUARE_DAMAGED') return said
  return said === '' ? 'This could not be done, and the program cannot say why.' : `This could not be done: ${said}`
}
