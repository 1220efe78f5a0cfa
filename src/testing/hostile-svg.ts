/** Files of a few kilobytes that cost more to read than any icon, each with the bound that they pass. */
type Hostile = { readonly what: string; readonly text: string; readonly says: RegExp }

const svg = (body: string): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24">${body}</svg>`
const BOX = '<path d="M2 2h20v20H2z"/>'

/** Something that leads ten-fold to something that leads ten-fold … to `core`. */
const tenfold = (levels: number, core: string, lead = (id: string) => `<use href="#${id}"/>`): string =>
  `<defs><g id="n0">${core}</g>${Array.from({ length: levels }, (_, i) => `<g id="n${i + 1}">${lead(`n${i}`).repeat(10)}</g>`).join('')}</defs>`

/** A closed path of straight segments between places of a generator of numbers from 0 to 1. */
const selfCrossing = (segments: number, random: () => number): string =>
  `M${Array.from({ length: segments }, () => `${(24 * random()).toFixed(2)} ${(24 * random()).toFixed(2)}`).join('L')}z`

/** One file of each kind, of sizes that a generator of numbers from 0 to 1 chooses. */
export function hostileSvg(random: () => number): Hostile[] {
  const levels = 5 + Math.floor(random() * 12),
    stars = 6 + Math.floor(random() * 8)
  return [
    {
      what: `${levels} levels of use over an empty group`,
      text: svg(`${tenfold(levels, '')}<use href="#n${levels}"/>${BOX}`),
      says: /more than 50,000 times, through use and markers/,
    },
    {
      what: 'markers that lead to markers',
      text: svg(
        `<marker id="n0">${BOX}</marker>${Array.from({ length: 12 }, (_, i) => `<marker id="n${i + 1}"><path d="M0 0L9 9L0 9L9 0" marker-mid="url(#n${i})" marker-start="url(#n${i})" marker-end="url(#n${i})"/></marker>`).join('')}<path d="M0 0L9 9" style="marker:url(#n12)"/>${BOX}`,
      ),
      says: /draws more than 5,000 shapes/,
    },
    {
      what: `selectors of ${stars} stars over nested groups`,
      text: svg(
        `<style>${Array.from({ length: 400 }, (_, i) => `${'* '.repeat(stars)}.c${i} .d{fill:red}`).join('')}</style>${'<g class="d">'.repeat(190)}${'<path class="d" d="M2 2h2v2z"/>'.repeat(400)}${'</g>'.repeat(190)}`,
      ),
      says: /style sheets of the file take more than 3,000,000 steps/,
    },
    {
      what: 'a fill that crosses itself',
      text: svg(`<path d="${selfCrossing(1000 + Math.floor(random() * 9000), random)}"/>`),
      says: /More than 150,000 pairs of segments of the file may meet/,
    },
    {
      what: 'paths of more segments than are taken',
      text: svg(`<path fill="none" stroke="#000" d="${selfCrossing(20_100, random)}"/>`.repeat(3)),
      says: /draws more than 60,000 segments/,
    },
  ]
}
