/** The ends of the names of files that may be read: drawings, and fonts of icons. */
const READABLE = ['.svg', '.svgz', '.xml', '.ttf', '.otf', '.woff', '.woff2'] as const

/** Whether a file may be one that is read, by its name. */
export const isReadable = (name: string): boolean => READABLE.some((end) => name.toLowerCase().endsWith(end))
