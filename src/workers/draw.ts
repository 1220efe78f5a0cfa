import type { DrawingObject } from '../core/drawing/object'
import type { Ground } from '../core/formats/svg-paint'
import type { Rules } from '../core/rules/rules'
import { drawing, type Icon } from '../core/set/set'
import type { Answered, Asked, SentDrawing } from './draw.worker'
import { Numbers } from './numbered'

/** What a picture shows: a document, or a drawing under rules in the colours for a ground. */
export type Source = { readonly svg: string } | { readonly objects: readonly DrawingObject[]; readonly rules: Rules; readonly ground: Ground }

/** An icon as it is delivered, in the colours for a ground. */
export const sourceOf = (icon: Icon, rules: Rules, ground: Ground): Source => ({ objects: drawing(icon), rules, ground })

/** A picture, or why there is none. */
export type Picture = { readonly image: ImageData; readonly problem?: undefined } | { readonly image?: undefined; readonly problem: string }

type Job = { readonly source: Source; readonly pixels: number | null; readonly done: (answer: Answered) => void }

/** How many jobs the worker has at once: enough that it never waits for the page, few enough that what is no longer wanted is not drawn. */
const AHEAD = 4
/** How long one picture may take, in milliseconds, before the worker is given up and a new one begun. */
const LIMIT = 12_000

let worker: Worker | null = null
let numbers = new Numbers(() => undefined)
let nextId = 1
const waiting: Job[] = []
/** What the worker has, in the order in which it draws. */
const inWork = new Map<number, Job>()
let timer: ReturnType<typeof setTimeout> | undefined
const unneeded: number[] = []

/** Draws a picture, so many pixels along a side, in a worker: the pointer never waits for it. `done` is told once, unless the job is given up by what is returned. */
export function drawPicture(source: Source, pixels: number, done: (picture: Picture) => void): () => void {
  return ask(source, pixels, (answer) => done('data' in answer ? { image: new ImageData(answer.data, pixels, pixels) } : { problem: 'problem' in answer ? answer.problem : '' }))
}

/** The picture of a source as a promise. */
export const pictureOf = (source: Source, pixels: number): Promise<Picture> => new Promise((done) => drawPicture(source, pixels, done))

/** The document of an icon, computed in the worker; or why there is none. */
export const documentOf = (icon: Icon, rules: Rules, ground: Ground): Promise<{ svg?: string; problem?: string }> =>
  new Promise((done) => ask(sourceOf(icon, rules, ground), null, (answer) => done('svg' in answer ? { svg: answer.svg } : { problem: 'problem' in answer ? answer.problem : '' })))

function ask(source: Source, pixels: number | null, done: Job['done']): () => void {
  const job = { source, pixels, done }
  waiting.push(job)
  feed()
  return () => {
    const at = waiting.indexOf(job)
    if (at >= 0) waiting.splice(at, 1)
  }
}

function feed(): void {
  worker ??= begin()
  while (inWork.size < AHEAD) {
    const job = waiting.shift()
    if (!job) return
    const id = nextId++
    inWork.set(id, job)
    worker.postMessage({ id, drawing: sent(job.source), pixels: job.pixels } satisfies Asked)
    if (inWork.size === 1) watch()
  }
}

/** What goes to the worker: of an icon only the objects that it does not have yet. */
function sent(source: Source): SentDrawing {
  if ('svg' in source) return source
  const { objects } = source
  const list = numbers.of<object>(objects, [])
  return {
    objects: { number: list.number, ...(list.thing && { thing: objects.map((object) => numbers.of(object)) }) },
    rules: numbers.of(source.rules),
    ground: source.ground,
  }
}

function begin(): Worker {
  numbers = new Numbers((number) => {
    if (unneeded.push(number) === 1) setTimeout(() => worker?.postMessage({ forget: unneeded.splice(0) } satisfies Asked), 1000)
  })
  unneeded.length = 0
  const one = new Worker(new URL('./draw.worker.ts', import.meta.url), { type: 'module' })
  one.onmessage = ({ data }: MessageEvent<Answered>) => {
    if (one !== worker) return
    const job = inWork.get(data.id)
    inWork.delete(data.id)
    if ('problem' in data && data.broken) restart()
    else watch()
    job?.done(data)
    feed()
  }
  one.onerror = (event) => {
    event.preventDefault()
    if (one === worker) giveUpFirst('It cannot be drawn: the worker gave up.')
  }
  return one
}

/** Begins the time of the picture that the worker is at. */
function watch(): void {
  clearTimeout(timer)
  if (inWork.size > 0) timer = setTimeout(() => giveUpFirst('It takes too long to draw.'), LIMIT)
}

/** Says of the picture that the worker was at that it cannot be drawn; all others are drawn by a new worker. */
function giveUpFirst(problem: string): void {
  const [first] = inWork
  if (first) inWork.delete(first[0])
  restart()
  first?.[1].done({ id: first[0], problem })
  feed()
}

function restart(): void {
  worker?.terminate()
  worker = null
  clearTimeout(timer)
  waiting.unshift(...inWork.values())
  inWork.clear()
}
