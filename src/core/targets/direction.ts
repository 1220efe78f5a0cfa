import { rightToLeft } from '../set/direction'
import type { Named } from './target'

/** The attribute that an icon which mirrors has in programs. */
export const RTL = 'data-rtl'

/** The rule of CSS by which it does (Selectors 4, “The Directionality Pseudo-class”). */
const MIRRORED = `[${RTL}="mirrored"]:dir(rtl) { scale: -1 1 }`

/** The attribute that says of a group in an icon in which direction of text it is seen. */
export const SIDE = 'data-side'

/**
 * The rules by which an icon with two drawings, one for each direction, shows one. Without them it shows the one from left
 * to right: the other is not displayed by an attribute, which any rule of CSS outdoes (SVG 2 §6.6).
 */
const SIDES = [`svg:dir(rtl) > [${SIDE}="ltr"] { display: none }`, `svg:dir(rtl) > [${SIDE}="rtl"] { display: inline }`]

/** The rules of CSS for what icons do right to left: mirror, or show another drawing. */
export const directionRules = (icons: readonly Named[]): readonly string[] => [
  ...(icons.some(({ rtl }) => rtl === 'mirrored') ? [MIRRORED] : []),
  ...(icons.some((icon) => rightToLeft(icon, icons).icon !== icon) ? SIDES : []),
]

/** A style sheet with these rules; null if no icon changes right to left. */
export function directionCss(icons: readonly Named[]): string | null {
  const rules = directionRules(icons)
  return rules.length === 0
    ? null
    : `/* Icons that look otherwise where text runs from right to left; link or import it once. */\n${rules.join('\n')}\n`
}
