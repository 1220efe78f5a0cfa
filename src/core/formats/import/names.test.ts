import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { IconName } from '../../set/names'
import { namedBy, STYLES } from './names'
import { patternOf } from './pattern'

describe('what the path of a file says', () => {
  it.each([
    [
      'nav/24/arrow-left-fill.svg',
      { name: 'arrow-left', fullName: 'arrow-left-fill', tags: ['nav'], size: 24, style: 'solid' },
    ],
    // A folder is sure, so the word in the name belongs to the name.
    ['solid/bucket-fill.svg', { name: 'bucket', fullName: null, tags: [], size: null, style: 'solid' }],
    ['icons/outline/anchor.svg', { name: 'anchor', fullName: null, tags: [], size: null, style: 'outline' }],
    // A bare number is a size only where it is that of the square.
    ['clock-12.svg', { name: 'clock-12', size: null }],
    ['clock-24.svg', { name: 'clock', size: 24 }],
    ['clock-16px.svg', { name: 'clock', size: 16 }],
    ['clock_16x16.svg', { name: 'clock', size: 16 }],
    ['clock-16x24.svg', { name: 'clock-16x24', size: null }],
    ['ferry@2x.png.svg', { name: 'ferry@2x.png' }],
    ['ferry@2x.svg', { name: 'ferry', size: null }],
    ['16@2x/ferry.svg', { name: 'ferry', size: 16, tags: [] }],
    ['24px/ferry_outlined_24.svg', { name: 'ferry', size: 24, style: 'outline' }],
    ['a/b/a/buoy.svg', { name: 'buoy', tags: ['a', 'b'] }],
    ['solid.svg', { name: 'solid', style: null }],
    ['Öresund/Fähre.svg', { name: 'Fähre', tags: ['Öresund'] }],
    ['.svg', { name: 'icon' }],
    ['con.svg', { name: 'icon-con' }],
    ['what?.svg', { name: 'what-' }],
  ])('%s', (path, says) => {
    expect(namedBy(path, 24)).toMatchObject(says)
  })

  it('is a name that a set takes, whatever the file is called', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme', maxLength: 120 }),
        fc.array(fc.string({ maxLength: 60 }), { maxLength: 4 }),
        (stem, folders) => {
          const { name, tags, size, style } = namedBy([...folders, `${stem}.svg`].join('/'), 24)
          expect(IconName.safeParse(name).success, JSON.stringify(name)).toBe(true)
          for (const tag of tags) expect(tag.length).toBeLessThanOrEqual(40)
          expect(size === null || (size >= 8 && size <= 2048)).toBe(true)
          expect(style === null || STYLES.includes(style)).toBe(true)
        },
      ),
    )
  })
})

describe('how names are written', () => {
  it.each([
    [['ferry', 'life-ring', 'buoy-2'], 'kebab-case'],
    [['low_tide', 'high_tide', 'wind_sock'], 'snake_case'],
    [['lowTide', 'highTide', 'windSock', 'fogHorn', 'ferry'], 'camelCase'],
    [['LowTide', 'Ferry'], 'PascalCase'],
  ])('%j: %s', (names, pattern) => {
    expect(patternOf(names)?.pattern).toBe(pattern)
  })

  it('is nothing where it is mixed, or where there are none', () => {
    expect(patternOf(['low tide', 'HighTide', 'wind_sock'])).toBeNull()
    expect(patternOf([])).toBeNull()
  })
})
