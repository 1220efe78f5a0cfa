// Programs that combine and stroke path data: ours, and two general-purpose path libraries that are used nowhere else.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import paper from 'paper'
import { pathData } from '../core/formats/path-data'
import { readPathData } from '../core/formats/path-reader'
import { strokedArea } from '../core/outline/stroking'
import { combine, type Role } from '../core/planar/boolean'
import { random, randomShape } from './shapes'

const require = createRequire(join(process.cwd(), 'package.json'))

type Operation = 'union' | 'subtract' | 'intersect' | 'exclude'
export type Case = { readonly op: Operation; readonly paths: readonly string[] }

/** A program that combines path data and gives path data back. */
type Peer = {
  readonly name: string
  readonly run: (one: Case) => string
  /** The outline of path data stroked with weight 2, all round; null where it does not do that. */
  readonly stroke: ((d: string) => string) | null
}

export const ROLES: Record<Operation, Role> = {
  union: 'adds',
  subtract: 'cuts',
  intersect: 'overlap',
  exclude: 'flips',
}
const OPERATIONS = Object.keys(ROLES) as Operation[]

export function kernel(): Peer {
  return {
    name: 'kernel',
    run: ({ op, paths }) => pathData(combine(paths.map((path) => ({ path: readPathData(path), role: ROLES[op] })))),
    stroke: (d) => pathData(strokedArea(readPathData(d), { width: 2, cap: 'round', join: 'round', miterLimit: 4 })),
  }
}

export function paperPeer(): Peer {
  const scope = new paper.PaperScope()
  scope.setup(new scope.Size(1, 1))
  const method = { union: 'unite', subtract: 'subtract', intersect: 'intersect', exclude: 'exclude' } as const
  return {
    name: 'paper',
    run: ({ op, paths }) => {
      const [first, ...rest] = paths.map(
        (path) => new scope.CompoundPath({ pathData: path, fillRule: 'nonzero', insert: false }) as paper.PathItem,
      )
      return rest.reduce((so, path) => so[method[op]](path, { insert: false }), first!).pathData
    },
    stroke: null,
  }
}

export async function pathkitPeer(): Promise<Peer> {
  const init = require('pathkit-wasm/bin/pathkit.js') as (options: object) => {
    then: (f: (kit: Pathkit) => void) => void
  }
  const wasmBinary = readFileSync(require.resolve('pathkit-wasm/bin/pathkit.wasm'))
  // What is awaited must not be the module itself, which calls itself ready for ever.
  const { kit } = await new Promise<{ kit: Pathkit }>((resolve) =>
    init({ wasmBinary }).then((ready) => resolve({ kit: ready })),
  )
  const names = { union: 'UNION', subtract: 'DIFFERENCE', intersect: 'INTERSECT', exclude: 'XOR' } as const
  return {
    name: 'pathkit',
    run: ({ op, paths }) => {
      const [first, ...rest] = paths.map((path) => kit.FromSVGString(path))
      for (const path of rest) {
        first!.op(path, kit.PathOp[names[op]])
        path.delete()
      }
      const text = first!.toSVGString()
      first!.delete()
      return text
    },
    stroke: (d) => {
      const path = kit.FromSVGString(d)
      path.stroke({ width: 2, cap: kit.StrokeCap.ROUND, join: kit.StrokeJoin.ROUND, miter_limit: 4 })
      path.simplify()
      const text = path.toSVGString()
      path.delete()
      return text
    },
  }
}

type Pathkit = {
  FromSVGString(text: string): {
    op(other: unknown, op: unknown): void
    stroke(style: object): void
    simplify(): void
    toSVGString(): string
    delete(): void
  }
  PathOp: Record<string, unknown>
  StrokeCap: Record<string, unknown>
  StrokeJoin: Record<string, unknown>
}

/** Random booleans of two to five shapes. */
export const cases = (count: number, seed: number, kinds?: Parameters<typeof randomShape>[1]): Case[] => {
  const next = random(seed)
  return Array.from({ length: count }, () => ({
    op: OPERATIONS[Math.floor(next() * 4)]!,
    paths: Array.from({ length: 2 + Math.floor(next() * 4) }, () => pathData(randomShape(next, kinds).path, 9)),
  }))
}
