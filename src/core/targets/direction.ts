import type { Named } from './target'

/** The attribute that an icon which mirrors has in programs. */
export const RTL = 'data-rtl'

/** The rule of CSS by which it does (Selectors 4, “The Directionality Pseudo-class”). */
export const MIRRORED = `[${RTL}="mirrored"]:dir(rtl) { scale: -1 1 }`

/** A style sheet with that rule, where an icon mirrors. */
export const directionCss = (icons: readonly Named[]): string | null =>
  icons.some(({ rtl }) => rtl === 'mirrored')
    ? `/* Icons that mirror where text runs from right to left; link or import it once. */\n${MIRRORED}\n`
    : null
