'use client'

import { clampChroma, converter, formatHex, parse } from 'culori'
import { HexColorPicker } from 'react-colorful'
import { DraftField } from './draft-field'
import { NumberField } from './number-field'

const toOklch = converter('oklch')

/** A colour written in any way CSS knows as `#rrggbb`, brought into what screens can show; null when it is none. */
function hexFrom(text: string): string | null {
  const color = parse(text.trim()) ?? parse(`#${text.trim()}`)
  return color ? formatHex(clampChroma(color, 'oklch')) : null
}

/** Lightness (%), chroma and hue (degrees) of a colour in OKLCH. */
function oklchOf(hex: string): { l: number; c: number; h: number } {
  const { l = 0, c = 0, h = 0 } = toOklch(parse(hex)) ?? {}
  return { l: Number((l * 100).toFixed(1)), c: Number(c.toFixed(3)), h: Number(h.toFixed(1)) }
}

/** A colour by a field to point in, by its digits or any CSS colour, and by lightness, chroma and hue. */
export function ColourField({
  label,
  value,
  onChange,
  height = 96,
}: {
  label: string
  value: string
  onChange: (hex: string) => void
  height?: number
}) {
  const { l, c, h } = oklchOf(value)
  const set = (next: Partial<{ l: number; c: number; h: number }>) => {
    const { l: light, c: chroma, h: hue } = { l, c, h, ...next }
    if (light >= 0 && light <= 100 && chroma >= 0 && chroma <= 0.5)
      onChange(formatHex(clampChroma({ mode: 'oklch', l: light / 100, c: chroma, h: hue }, 'oklch')))
  }
  const number = 'field !h-5 !px-1 text-right'
  return (
    <div className="flex flex-col gap-1">
      <HexColorPicker
        color={value}
        onChange={(next) => onChange(next.toLowerCase())}
        style={{ width: '100%', height }}
      />
      <div className="grid grid-cols-3 gap-1">
        <DraftField
          label={label}
          title="#rrggbb, or any colour of CSS such as oklch(62% 0.19 34)"
          value={value}
          onAccept={(text) => {
            const hex = hexFrom(text)
            if (hex && hex !== value) onChange(hex)
          }}
          className="field col-span-3 !h-5 !px-1 font-mono"
        />
        <NumberField
          label={`${label}: lightness`}
          value={l}
          step={1}
          unit=" l"
          className={number}
          onChange={(next) => set({ l: next })}
        />
        <NumberField
          label={`${label}: chroma`}
          value={c}
          step={0.01}
          unit=" c"
          className={number}
          onChange={(next) => set({ c: next })}
        />
        <NumberField
          label={`${label}: hue`}
          value={h}
          step={1}
          unit="°"
          className={number}
          onChange={(next) => set({ h: ((next % 360) + 360) % 360 })}
        />
      </div>
    </div>
  )
}
