'use client'

import { TEXT } from './text'
import opentype from 'opentype.js'
import { useLayoutEffect, useRef, useState } from 'react'
import { find } from '@/core/drawing/objects/tree'
import type { Text } from '@/core/drawing/kinds/text/schema'
import { faceOfFont } from '@/core/text/face-of-font'
import { Choice } from '@/ui/choice'
import { NumberField } from '@/ui/number-field'
import { say } from '@/ui/notice'
import { useBench, useSlice } from '../state/context'

const BOLDNESS = [
  { value: '400', label: 'regular' },
  { value: '600', label: 'semi' },
  { value: '700', label: 'bold' },
] as const
const FIELD = '!w-9 flex-none border-b border-ink text-center text-ink'

/** The text that is selected: its words, size, spacing and face. */
export function TextSettings({ object }: { object: Text }) {
  const bench = useBench()
  const typing = useSlice(TEXT).typing
  const input = useRef<HTMLInputElement>(null)
  const [draft, setDraft] = useState<string | null>(null)
  useLayoutEffect(() => {
    if (!typing) return
    input.current?.focus()
    input.current?.select()
    bench.put(TEXT, { typing: false })
  }, [typing, bench])
  const set = (change: Partial<Text>, what: string) =>
    bench.edit({ kind: 'replace', objects: [{ ...object, ...change }] }, `Set ${what} of ${object.name}`)
  const accept = () => {
    // The square may show a preview of these characters; the field shows the drawing's own text.
    const kept = find(bench.objects, object.id)?.object
    const isNew = draft !== null && draft !== '' && !(kept?.kind === 'text' && kept.text === draft)
    if (isNew) set({ text: draft }, 'the words')
    else if (draft !== null) bench.preview(null)
    setDraft(null)
  }
  return (
    <div className="flex min-w-0 items-center gap-1.5 overflow-hidden pl-3 whitespace-nowrap text-quiet">
      <input
        ref={input}
        aria-label={`Words of ${object.name}`}
        value={draft ?? object.text}
        maxLength={500}
        onChange={(event) => {
          const text = event.target.value
          setDraft(text)
          if (text !== '') bench.preview({ kind: 'replace', objects: [{ ...object, text }] })
        }}
        onBlur={accept}
        onKeyDown={(event) => {
          // Both keep the words: undo takes them back. The keys are the square's again.
          if (event.key !== 'Enter' && event.key !== 'Escape') return
          event.stopPropagation()
          event.currentTarget.blur()
        }}
        className="field w-28 flex-none"
      />
      size
      <NumberField
        label="Size of the text"
        value={object.size}
        step={0.5}
        className={FIELD}
        limits={{ least: 0, above: true, most: 1e5 }}
        onChange={(size) => set({ size }, 'the size')}
      />
      spacing
      <NumberField
        label="Letter spacing"
        value={object.spacing}
        step={0.1}
        className={FIELD}
        limits={{ least: -1e4, most: 1e4 }}
        onChange={(spacing) => set({ spacing }, 'the spacing')}
      />
      {object.face ? (
        <button
          type="button"
          className="h-6 rounded-sheet border border-hair px-2 text-ink hover:border-ink"
          title="Back to the shipped face"
          onClick={() =>
            bench.edit({ kind: 'replace', objects: [withoutFace(object)] }, `Set the face of ${object.name}`)
          }
        >
          {object.face.name} ✕
        </button>
      ) : (
        <Choice
          label="Boldness"
          value={String(object.boldness) as '600'}
          options={BOLDNESS}
          onChange={(value) => set({ boldness: Number(value) as Text['boldness'] }, 'the boldness')}
        />
      )}
      <label className="flex h-6 flex-none cursor-pointer items-center rounded-sheet border border-hair px-2 text-ink hover:border-ink">
        font file…
        <input
          type="file"
          accept=".ttf,.otf,.woff"
          className="sr-only"
          onChange={(event) => void readFace(event.target.files?.[0]).then((face) => face && set({ face }, 'the face'))}
        />
      </label>
    </div>
  )
}

function withoutFace({ face: _, ...rest }: Text): Text {
  return rest
}

/** The largest font file that is read, in bytes. */
const MOST = 8 * 1024 * 1024

async function readFace(file: File | undefined) {
  if (!file) return null
  if (file.size > MOST) return void say({ text: `“${file.name}” is larger than 8 MB.` })
  try {
    const font = opentype.parse(await file.arrayBuffer())
    return faceOfFont(font, (font.names.fullName?.en ?? file.name).slice(0, 80))
  } catch {
    return void say({
      text: `“${file.name}” cannot be read as a font. Choose a TrueType, OpenType or WOFF file.`,
    })
  }
}
