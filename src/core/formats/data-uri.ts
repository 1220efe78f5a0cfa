/** A document as a data URI that CSS and HTML take in double quotes, with as little escaped as they allow. */
export const dataUri = (svg: string): string =>
  `data:image/svg+xml,${svg
    .trim()
    .replace(/"/g, "'")
    .replace(/[%#<>{}]/g, (sign) => `%${sign.charCodeAt(0).toString(16).toUpperCase()}`)}`
