import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { iconSvg } from '../picture/drawn'
import { readSetFile } from '../formats/set-file'
import { IconRenderer } from './icon-renderer'
import { plannedFiles } from './plan'
import { releasedAs } from './released'

it('the showcase tells what is new since the last release, and what looks otherwise', () => {
  const set = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
  const icons = set.icons.slice(0, 3)
  const pageOf = (since: boolean, released = true): string => {
    const of = {
      ...set,
      icons,
      delivery: { options: { showcase: { since } } },
      // The first was there as it is, the second looked otherwise, the third was not there.
      ...(released && {
        released: releasedAs(
          4,
          icons
            .slice(0, 2)
            .map(({ id, name }, i) => ({ id, name, svg: iconSvg(icons[0]!, set.rules, 'light') + (i || '') })),
        ),
      }),
    }
    const [{ made }] = plannedFiles(of, ['showcase']) as [ReturnType<typeof plannedFiles>[number]]
    if (made.as !== 'joined') throw new Error('A page is joined.')
    return made.join(icons.map((icon) => made.piece(new IconRenderer(icon, set.rules, null))))
  }
  const page = pageOf(true)
  expect(page).toContain('new since release 4')
  const json = /<script id="icons"[^>]*>(.*)<\/script>/.exec(page)![1]!
  expect((JSON.parse(json) as { since?: string }[]).map(({ since }) => since)).toEqual([undefined, 'changed', 'new'])
  expect([...page.matchAll(/<em>(\w+)<\/em>/g)].map(([, word]) => word)).toEqual(['changed', 'new'])
  for (const plain of [pageOf(false), pageOf(true, false)]) expect(plain).not.toMatch(/new since|<em>/)
})
