/** The largest set file that is read, in bytes. */
export const MAX_BYTES = 64 * 1024 * 1024
