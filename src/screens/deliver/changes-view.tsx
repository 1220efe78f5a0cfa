'use client'

import { useState } from 'react'
import { changelog, type Changes, isSame, type ShownIcon } from '@/core/targets/compare'
import { keepFile } from '@/ui/keep-file'
import { CrossedOut, PixelPicture } from '@/ui/pixel-picture'

/** The side that icons are compared at, in pixels. */
const SIDE = 48

/** What changed, with pictures. */
export function ChangesView({ title, changes, name }: { title: string; changes: Changes<ShownIcon>; name: string }) {
  const { added, removed, renamed, changed, files } = changes
  return (
    <section aria-label={title} className="max-w-[720px]">
      <div className="mb-2 flex items-baseline gap-3">
        <h2 className="font-[640]">{title}</h2>
        {!isSame(changes) && (
          <button
            type="button"
            className="text-quiet underline hover:text-hand"
            onClick={() => keepFile(new Blob([changelog(title, '', changes)]), `${name} changes.md`)}
          >
            as a changelog
          </button>
        )}
      </div>
      {isSame(changes) && <p className="text-quiet">Nothing changed: the delivery is the same, byte for byte.</p>}
      {files.removed.length > 0 && (
        <p className="mb-2 border-l-2 border-snag pl-2" title={files.removed.join('\n')}>
          {files.removed.length === 1
            ? `The path ${files.removed[0]} is no more.`
            : `${files.removed.length} paths are no more: ${files.removed.slice(0, 2).join(', ')}…`}{' '}
          Tell everybody who uses them.
        </p>
      )}
      <Group word="new" icons={added.map((icon) => ({ name: icon.name, pictures: [icon.picture] }))} />
      <Group
        word="changed"
        icons={changed.map(({ before, after }) => ({
          name: after.name,
          pictures: [before.picture, after.picture],
          isOverlaid: true,
        }))}
      />
      <Group
        word="renamed"
        icons={renamed.map(({ before, after }) => ({
          name: `${before.name} → ${after.name}`,
          pictures: [after.picture],
        }))}
      />
      <Group word="gone" icons={removed.map((icon) => ({ name: icon.name, pictures: [icon.picture] }))} />
      {!isSame(changes) && (
        <p className="text-quiet">
          Files: {files.added.length} new, {files.changed.length} changed, {files.removed.length} gone.
        </p>
      )}
    </section>
  )
}

function Group({
  word,
  icons,
}: {
  word: string
  icons: readonly { readonly name: string; readonly pictures: readonly (string | null)[]; readonly isOverlaid?: true }[]
}) {
  if (icons.length === 0) return null
  return (
    <div className="mb-3">
      <h3 className="mb-1 text-quiet">
        {word} · {icons.length}
      </h3>
      <div className="flex flex-wrap gap-2">
        {icons.map(({ name, pictures, isOverlaid }) => (
          <figure key={name} className="border border-hair bg-sheet px-3 py-2">
            <div className="flex items-center gap-2">
              {pictures.map((picture, i) => (
                <Shown
                  key={i}
                  picture={picture}
                  label={`${name} ${pictures.length > 1 ? ['before', 'after'][i] : ''}`}
                />
              ))}
              {isOverlaid && pictures[0] && pictures[1] && (
                <Overlaid before={pictures[0]} after={pictures[1]} name={name} />
              )}
            </div>
            <figcaption className="mt-1 text-small">{name}</figcaption>
          </figure>
        ))}
      </div>
    </div>
  )
}

function Shown({ picture, label }: { picture: string | null; label: string }) {
  return picture ? (
    <PixelPicture source={{ picture, ground: 'light' }} size={SIDE} label={label} />
  ) : (
    <CrossedOut problem="Its document cannot be read." label={label} style={{ width: SIDE, height: SIDE }} />
  )
}

/**
 * Two pictures laid over each other: removed pixels in one colour, added pixels in the other, with the number of
 * changed pixels.
 */
function Overlaid({ before, after, name }: { before: string; after: string; name: string }) {
  const [pixels, setPixels] = useState<{ before?: ImageData; after?: ImageData }>({})
  const draw = (canvas: HTMLCanvasElement | null) => {
    if (canvas && pixels.before && pixels.after)
      canvas.getContext('2d')!.putImageData(overlaid(pixels.before, pixels.after), 0, 0)
  }
  const count = pixels.before && pixels.after ? changedPixels(pixels.before, pixels.after) : null
  return (
    <span className="flex items-center gap-2">
      <span className="hidden">
        <PixelPicture
          source={{ picture: before, ground: 'light' }}
          size={SIDE}
          exact
          label=""
          onPixels={(one) => setPixels((all) => ({ ...all, before: one }))}
        />
        <PixelPicture
          source={{ picture: after, ground: 'light' }}
          size={SIDE}
          exact
          label=""
          onPixels={(one) => setPixels((all) => ({ ...all, after: one }))}
        />
      </span>
      <canvas
        ref={draw}
        width={SIDE}
        height={SIDE}
        role="img"
        aria-label={`${name} before and after over each other`}
        className="bg-white"
      />
      {count !== null && (
        <span className="text-small text-quiet">
          {count} of {SIDE * SIDE} px
        </span>
      )}
    </span>
  )
}

/** From which difference of opacity or colour on a pixel has changed. */
const SEEN = 8

const differs = (a: Uint8ClampedArray, b: Uint8ClampedArray, i: number): boolean =>
  [0, 1, 2, 3].some((k) => Math.abs(a[i + k]! - b[i + k]!) >= SEEN)

function changedPixels({ data: a }: ImageData, { data: b }: ImageData): number {
  let count = 0
  for (let i = 0; i < Math.min(a.length, b.length); i += 4) if (differs(a, b, i)) count++
  return count
}

/** What both have in grey, what only the first has in teal, what only the second has in vermilion. */
function overlaid({ data: a, width, height }: ImageData, { data: b }: ImageData): ImageData {
  const out = new ImageData(width, height)
  for (let i = 0; i < a.length; i += 4) {
    const isOther = differs(a, b, i)
    const colour = !isOther ? [140, 150, 146] : a[i + 3]! > b[i + 3]! ? [17, 128, 127] : [213, 64, 27]
    out.data.set([...colour, isOther ? Math.max(Math.abs(a[i + 3]! - b[i + 3]!), 90) : a[i + 3]!], i)
  }
  return out
}
