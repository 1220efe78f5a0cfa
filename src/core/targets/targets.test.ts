import { picturePixels } from '../picture/pixels'
import { readFileSync } from 'node:fs'
import { unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import { applyEdit } from '../set/edit'
import type { IconSet } from '../set/set'
import { zip } from './archive'
import { changelog, changesBetween, isSame } from './compare'
import { codesOf } from './font/codes'
import { cased, identifier, wordsIn } from './naming'
import { choiceProblem, optionsOf, withOptions } from './options'
import { deliverable } from './deliverable'
import { pathProblemsIn, targetProblemsOf } from './delivery-problems'
import { appsOf, filesOfIcon, filesOfSet, plannedFiles } from './plan'
import { IconRenderer } from './icon-renderer'
import { atOnce } from './steps'
import { svgOfPicture } from '../picture/svg'
import { TARGETS } from './targets'

const pathFaults = (...of: Parameters<typeof pathProblemsIn>) => atOnce(pathProblemsIn(...of))
const read = (name: string): IconSet => readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
const quayside = read('quayside'),
  skerry = read('skerry-app')
const few = { ...quayside, icons: quayside.icons.slice(0, 3) }
const apps = { ...skerry, icons: skerry.icons.slice(0, 2) }
const all = TARGETS.map(({ id }) => id)

describe.each(TARGETS)('the target $id', (target) => {
  const { id, name, note, choices } = target
  const sets = target.isForApps ? [apps] : [few, apps]

  it('has a name and a sentence, and files of its own, in a folder, the same whenever it is asked', () => {
    expect(name).not.toBe('')
    expect(note).toMatch(/\.$/)
    for (const set of sets) {
      const planned = plannedFiles(set, [id])
      expect(planned.length).toBeGreaterThan(0)
      expect(plannedFiles(set, [id]).map(({ path }) => path)).toEqual(planned.map(({ path }) => path))
      expect(pathFaults(planned, undefined)).toEqual([])
      for (const { path, target: of } of planned) {
        expect(of).toBe(id)
        expect(path).toMatch(/^[a-z][a-z0-9-]*\//)
      }
    }
  })

  it('is read back by a test that names its reader or itself', () => {
    for (const { reader, spec } of target.readBy) {
      const [word] = /[\w-]+/.exec(reader)!
      expect(readFileSync(spec, 'utf8'), spec).toMatch(new RegExp(`\\b(?:${word}|${id})\\b`))
    }
  })

  it('is one thing by icons and as a whole: the files of each icon and those of the set are all there are', () => {
    for (const set of sets) {
      const apart = [...set.icons.flatMap((icon) => filesOfIcon(icon, set, [id])), ...filesOfSet(set, [id])]
      expect(apart.map(({ path }) => path).sort()).toEqual(plannedFiles(set, [id]).map(({ path }) => path))
    }
  })

  it('takes what is usual where something kept will not do, and every choice has an effect', () => {
    const usual = optionsOf(target, undefined)
    const broken = Object.fromEntries(Object.keys(choices).map((key) => [key, 'no such thing \u0000 "{}']))
    expect(optionsOf(target, { options: { [id]: broken } })).toEqual(usual)
    const [set] = sets
    const icon = set!.icons[0]!
    const textOf = (options: Record<string, string | boolean>) => {
      const chosen = { ...set!, delivery: { options: { [id]: options } }, released: { number: 1, icons: {} } }
      const renderer = new IconRenderer(icon, set!.rules, null)
      return JSON.stringify(
        plannedFiles(chosen, [id]).map(({ path, made }) => {
          if (made.as === 'fixed') return [path, made.text]
          if (made.as === 'text') return [path, made.text(renderer)]
          if (made.as === 'joined' || made.as === 'font') return [path, made.join([made.piece(renderer)])]
          if (made.as === 'pdf') return [path, svgOfPicture(made.of(renderer))]
          const pictures = made.as === 'raster' ? [made.picture] : made.pictures
          return [path, ...pictures.map((one) => svgOfPicture(one.of(renderer)))]
        }),
      )
    }
    for (const [key, choice] of Object.entries(choices)) {
      // What is tinted is the same by day and by night.
      const beside: Record<string, boolean> = key === 'dark' || key === 'night' ? { template: false, tint: false } : {}
      const before = textOf(beside)
      // A ground is seen only where there is no plate, and all of an icon may lie in the safe zone.
      if (key === 'ground' && target.isForApps) continue
      const others =
        choice.as === 'switch'
          ? [!choice.usual]
          : choice.as === 'one of'
            ? choice.of.map(({ value }) => value).filter((value) => value !== choice.usual)
            : [choice.example]
      for (const value of others) expect(choiceProblem(choice, value), `${id} ${key}`).toBeNull()
      expect(
        others.some((value) => textOf({ ...beside, [key]: value }) !== before),
        `${id} ${key}`,
      ).toBe(true)
    }
  }, 60_000)

  it('looks like something in its place', () => {
    const set = sets[0]!
    const previews =
      target.previews?.(new IconRenderer(set.icons[0]!, set.rules, null), optionsOf(target, undefined)) ?? []
    if (id !== 'data') expect(previews.length).toBeGreaterThan(0)
    for (const { picture } of previews) expect(picturePixels(picture, 24).data.some((value) => value > 0)).toBe(true)
  })
})

describe('a delivery', () => {
  it('has no two files in one place, whatever is chosen, and says so where names would make it so', () => {
    for (const set of [quayside, skerry]) expect(pathFaults(plannedFiles(set, all), undefined)).toEqual([])
    const [ferry, other] = few.icons
    const clash = plannedFiles({ ...few, icons: [ferry!, { ...other!, name: ferry!.name.toUpperCase() }] }, all)
    const [fault] = pathFaults(clash, undefined)
    expect(fault!.sentence).toContain('rename one of them')
    const mended = clash.map((file) =>
      file.icon?.id === fault!.icon ? { ...other!, name: fault!.rename! } : file.icon,
    )
    const icons = [ferry!, mended.find((icon) => icon?.id === other!.id)!] as typeof few.icons
    expect(pathFaults(plannedFiles({ ...few, icons }, all), undefined)).toEqual([])
    // Names that differ only in how they are parted are one name in most ways of writing.
    const alike = { ...few, icons: [ferry!, { ...other!, name: 'fer-ry' }, { ...other!, id: 'c', name: 'fer ry' }] }
    expect(pathFaults(plannedFiles(alike, ['svg']), undefined)).toEqual([])
    expect(pathFaults(plannedFiles(alike, ['web']), undefined).map(({ icon }) => icon)).toEqual(['c'])
    const odd = { ...few, icons: [{ ...ferry!, name: 'con' }] }
    const [reserved] = pathFaults(plannedFiles(odd, ['svg']), undefined)
    expect(reserved!.sentence).toContain('reserved')
    const named = { ...few, icons: [{ ...ferry!, name: reserved!.rename! }] }
    expect(pathFaults(plannedFiles(named, all), undefined)).toEqual([])
    for (const pattern of ['*'.repeat(39), 'con.*']) {
      const delivery = { options: { svg: { pattern } } }
      const [fault] = pathFaults(plannedFiles({ ...few, delivery }, ['svg']), delivery)
      const { target, options } = fault!.mend!
      const mended = withOptions(delivery, target, options)
      expect([pattern, pathFaults(plannedFiles({ ...few, delivery: mended }, ['svg']), mended)]).toEqual([pattern, []])
    }
  })

  it('names what would mend a fault of a drawing, and that mends it', () => {
    const wrong = {
      ...quayside.delivery,
      options: { favicon: { fit: false }, android: { pattern: '*' } },
    }
    const boat = { ...quayside.icons[0]!, name: '3 boats' }
    const asPdf = { ...skerry.delivery, options: { apple: { form: 'pdf', template: false } } },
      shaded = skerry.icons.filter(({ name }) => name === 'timetable')
    const sets: IconSet[] = [
      { ...skerry, delivery: asPdf, icons: shaded },
      { ...quayside, delivery: wrong, icons: [boat, ...quayside.icons.slice(1, 6)] },
      { ...skerry, delivery: wrong },
    ]
    const mends = new Set<string>()
    for (const set of sets)
      for (const icon of set.icons) {
        const renderer = new IconRenderer(icon, set.rules, null)
        for (const { sentence, mend } of targetProblemsOf(renderer, set, all)) {
          if (!mend) continue
          mends.add(`${mend.target}: ${mend.word}`)
          const delivery = withOptions(set.delivery, mend.target, mend.options)
          const left = targetProblemsOf(renderer, { ...set, delivery }, all).map((fault) => fault.sentence)
          expect(left).not.toContain(sentence)
        }
      }
    expect([...mends].sort()).toEqual([
      'android: begin names with ic_',
      'android: keep the colours',
      'apple: deliver PNG',
      'apple: keep the colours',
      'favicon: scale it into the safe zone',
      'linux: leave symbolic variants out',
    ])
  })

  it('leaves out no more than the one icon that has no name at a target, and says so', () => {
    const odd = [
      'index',
      'icon',
      '🚢',
      '🚢⚓',
      'x'.repeat(80),
      'Fähre',
      '24 hours',
      'class',
      "R&D's",
      'ferry',
      'fer ry',
    ]
    const icons = odd.map((name, i) => ({ ...few.icons[i % 3]!, id: `icon-${i}`, name }))
    const { targets, files, problems, family } = deliverable({ ...quayside, icons }, all)
    expect(targets).toEqual(all)
    for (const { sentence, icon, isError } of problems)
      expect([sentence, ['icon-9', 'icon-10'].includes(icon!), isError]).toEqual([sentence, true, true])
    expect(problems.length).toBeGreaterThan(0)
    const paths = files.map(({ path }) => path)
    expect(new Set(paths.map((path) => path.toLowerCase())).size).toBe(paths.length)
    for (const module of ['IndexIcon', 'IconIcon', 'IconU1F6A2', 'IconU1F6A2U2693', 'Icon24Hours'])
      expect(paths).toContain(`developers/react/${module}.tsx`)
    // What lists all icons lists only what is there.
    const index = files.find(({ path }) => path === 'developers/react/index.ts')!
    const left = family.without!['react'] ?? []
    const text = index.made.as === 'fixed' ? index.made.text : ''
    expect(text.match(/^export \{/gm)).toHaveLength(icons.length - left.length)
    const shared = filesOfSet(family, all).find(({ path }) => path === 'web/masks.css')!
    expect(shared.made.as === 'joined' && shared.made.piece(new IconRenderer(icons[8]!, quayside.rules, null))).toMatch(
      /^\.quayside-r-d-s\{/,
    )
  })

  it('of nothing chosen, of what is no target, or of no icon, has no files', () => {
    expect(plannedFiles(quayside, [])).toEqual([])
    expect(plannedFiles(quayside, ['nothing'])).toEqual([])
    expect(plannedFiles({ ...quayside, icons: [] }, all)).toEqual([])
  })

  it('leaves an icon out that would be called as another in a font or a sprite; code points are alike in all targets', () => {
    const set = {
      ...quayside,
      icons: quayside.icons.slice(0, 3).map((icon, i) => ({ ...icon, name: ['Fähre', 'fahre', 'buoy'][i]! })),
    }
    const files = { ...set, delivery: { options: { web: { files: false } } } }
    for (const [of, target, word] of [
      [set, 'font', 'fahre'],
      [files, 'web', 'fahre'],
    ] as const) {
      const { problems, family } = deliverable(of, [target])
      expect(problems.map(({ sentence, rename }) => [sentence, rename])).toEqual([
        [`“Fähre” and “fahre” would both be called ${word}: rename one of them.`, 'fahre-2'],
      ])
      expect(family.without).toEqual({ [target]: [set.icons[1]!.id] })
    }
    const { family } = deliverable(set, ['font', 'data'])
    const codes = plannedFiles(family, ['font']).find(({ path }) => path.endsWith('code-points.json'))!
    expect(codes.made.as === 'fixed' && JSON.parse(codes.made.text)).toEqual({ fahre: 'e001', buoy: 'e003' })
    const data = plannedFiles(family, ['data']).find(({ path }) => path.endsWith('icons.json'))!
    if (data.made.as !== 'joined') throw new Error('It is joined.')
    const { piece } = data.made
    const told = set.icons.map((icon) => JSON.parse(piece(new IconRenderer(icon, set.rules, null))) as { code: string })
    expect(told.map(({ code }) => code)).toEqual(['e001', 'e002', 'e003'])
  })

  it('names in the catalogue of an app icon the pictures that are there, as large as it says', () => {
    const options = { 'apple-app': { mac: true, watch: true } }
    const planned = plannedFiles({ ...apps, delivery: { options } }, ['apple-app'])
    const made = new Map(planned.map((file) => [file.path, file.made]))
    for (const { path, made: one } of planned) {
      if (!path.endsWith('.appiconset/Contents.json') || one.as !== 'fixed') continue
      const { images } = JSON.parse(one.text) as { images: { filename: string; size: string; scale?: string }[] }
      const named = images.map(({ filename, size, scale = '1x' }) => {
        const picture = made.get(path.replace('Contents.json', filename))
        if (picture?.as !== 'raster') throw new Error(`${filename} is not there.`)
        expect(picture.picture.pixels).toBe(Number.parseInt(size) * Number.parseInt(scale))
        return filename
      })
      const folder = path.replace('Contents.json', '')
      const there = planned.filter((file) => file.path.startsWith(folder) && file.path !== path)
      expect(there.map((file) => file.path.slice(folder.length)).sort()).toEqual([...new Set(named)].sort())
    }
  })

  it('makes what is for applications of icons that stand for one', () => {
    expect(appsOf(quayside)).toEqual([])
    expect(plannedFiles(quayside, ['favicon', 'android-app'])).toEqual([])
    const chosen = { ...quayside, delivery: { apps: [quayside.icons[1]!.id] } }
    expect(plannedFiles(chosen, ['favicon']).every(({ icon }) => icon === quayside.icons[1])).toBe(true)
    expect(appsOf(skerry)).toEqual(skerry.icons)
  })

  it('packed gives the same bytes each time', () => {
    const files = ['a.svg', 'b/c.png'].map((path) => ({ path, bytes: new TextEncoder().encode(path.repeat(40)) }))
    expect(Buffer.from(zip(files)).equals(Buffer.from(zip(files)))).toBe(true)
    expect(Object.keys(unzipSync(zip(files)))).toEqual(['a.svg', 'b/c.png'])
  })
})

describe('names', () => {
  it('are written in any case by their words', () => {
    expect(wordsIn('HighTide2 – Skærgård_old')).toEqual(['High', 'Tide2', 'Skærgard', 'old'])
    expect(['kebab', 'snake', 'camel', 'pascal', 'kept'].map((how) => cased('high tide', how))).toEqual([
      'high-tide',
      'high_tide',
      'highTide',
      'HighTide',
      'high tide',
    ])
    expect(cased('…', 'kebab')).toBe('…')
    expect(identifier('24-hours', 'pascal')).toBe('Icon24Hours')
  })
})

describe('code points', () => {
  it('stay what they were released as, and none is given twice', () => {
    const first = codesOf(few)
    expect([...first.values()]).toEqual([0xe001, 0xe002, 0xe003])
    const codes = Object.fromEntries(first)
    const [a, b, c] = few.icons
    const later = codesOf({ ...few, delivery: { codes }, icons: [c!, { ...a!, id: 'new' }, b!] })
    expect([later.get(c!.id), later.get('new'), later.get(b!.id)]).toEqual([0xe003, 0xe004, 0xe002])
    const full = codesOf({ icons: few.icons, delivery: { codes: { x: 0xf8ff } } })
    expect([...full.values()]).toEqual([0xf0000, 0xf0001, 0xf0002])
  })
})

describe('two deliveries', () => {
  const delivered = (set: IconSet) => ({
    icons: set.icons.map((icon) => ({
      id: icon.id,
      name: icon.name,
      svg: new IconRenderer(icon, set.rules, null).document(24, 'light'),
    })),
    files: set.icons.map(({ name, id }) => ({ path: `svg/${name}.svg`, bytes: 1, hash: id })),
  })

  it('differ in what is new, gone, renamed and otherwise to look at', () => {
    const [first, second, third] = few.icons
    expect(isSame(changesBetween(delivered(few), delivered(few)))).toBe(true)
    const renamed = applyEdit(few, { kind: 'rename-icon', id: first!.id, name: 'boat' })
    const drawn = applyEdit(renamed, {
      kind: 'draw',
      icon: second!.id,
      master: 24,
      edit: { kind: 'remove', ids: [second!.masters[0]!.objects[0]!.id] },
    })
    const after = { ...drawn, icons: [...drawn.icons.slice(0, 2), { ...third!, id: 'other', name: 'other' }] }
    const changes = changesBetween(delivered(few), delivered(after))
    expect(changes.added.map(({ name }) => name)).toEqual(['other'])
    expect(changes.removed.map(({ name }) => name)).toEqual([third!.name])
    expect(changes.renamed.map((one) => one.after.name)).toEqual(['boat'])
    expect(changes.changed.map((one) => one.after.name)).toEqual([second!.name])
    expect(changes.files.removed).toEqual([`svg/${first!.name}.svg`, `svg/${third!.name}.svg`])
    const text = changelog('Release 2', 'Spring timetable.', changes)
    for (const line of ['## Release 2', 'Spring timetable.', '- other', `- ${first!.name} is now boat`])
      expect(text).toContain(line)
  })
})
