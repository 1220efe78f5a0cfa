import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { STARTERS } from '../rules/starters'
import { readRulesFile, writeRulesFile } from './rules-file'
import { readSetFile } from './set-file'
import { writeTokens } from './tokens'

const demo = ['quayside', 'skerry-app'].map(
  (name) => readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!,
)
const books = [SAMPLE_RULES, ...STARTERS.map(({ rules }) => rules), ...demo.map(({ rules }) => rules)]

describe('rules in a file of their own', () => {
  it('come back as they were, and are written alike each time', () => {
    for (const rules of books) {
      const text = writeRulesFile(rules)
      expect(readRulesFile(text).rules).toEqual(rules)
      expect(writeRulesFile(readRulesFile(text).rules!)).toBe(text)
    }
  })

  it('that are none are refused in a sentence', () => {
    for (const [text, sentence] of [
      ['', 'This is not a rules file: it is not JSON.'],
      ['[1]', 'This is not a Wise Square rules file.'],
      [
        writeRulesFile(SAMPLE_RULES).replace('"liveArea": 22', '"liveArea": 99'),
        'At rules.liveArea: The live area cannot be larger than the grid of 24.',
      ],
      [
        writeRulesFile(SAMPLE_RULES).replace('"cap": "round"', '"cap": "wavy"'),
        'At rules: cap must be “butt” or “round” or “square”.',
      ],
    ] as const)
      expect(readRulesFile(text).problem).toBe(sentence)
  })
})

describe('design tokens', () => {
  it('say every weight, radius, size and colour of the rules, each with its type', () => {
    for (const { name, rules } of demo) {
      const tokens = JSON.parse(writeTokens(name, rules)) as Record<string, Record<string, { $value: unknown }>>
      for (const { name: one, value } of rules.weights)
        expect(tokens.weight![one]!.$value).toEqual({ value, unit: 'px' })
      for (const { name: one, value } of rules.radii) expect(tokens.radius![one]!.$value).toEqual({ value, unit: 'px' })
      for (const { name: one, color } of rules.palette) {
        const { hex, components } = tokens.color![one]!.$value as { hex: string; components: number[] }
        expect(hex).toBe(color.slice(0, 7))
        expect(
          '#' +
            components
              .map((part) =>
                Math.round(part * 255)
                  .toString(16)
                  .padStart(2, '0'),
              )
              .join(''),
        ).toBe(hex)
      }
      expect([tokens.weight, tokens.radius, tokens.color].map((group) => group!.$type)).toEqual([
        'dimension',
        'dimension',
        'color',
      ])
    }
  })

  it('of gradients refer to the palette', () => {
    const text = writeTokens(demo[1]!.name, demo[1]!.rules)
    const { gradient } = JSON.parse(text) as {
      gradient: Record<string, { $value: { color: unknown; position: number }[] }>
    }
    expect(gradient['sea-glass']!.$value[0]).toEqual({ color: '{color.paper}', position: 0 })
  })
})
