import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { svgOfCompose } from '../../../testing/compose-svg'
import { rasterised } from '../../../testing/rasterised'
import { readSetFile } from '../../formats/set-file'
import { svgOfVector } from '../../../testing/vector-svg'
import { realSize } from '../../rules/real-size'
import { leftOut, vectorDrawable } from '../android/vector'
import { IconRenderer } from '../icon-renderer'
import { plannedFiles } from '../plan'

const SIDE = 96

it.each(['quayside', 'quayside-solid', 'skerry-app'])(
  'every icon of %s, read back from its calls, is the picture of the proof, and its names are imported',
  (name) => {
    const set = readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
    const size = realSize(set.rules)
    for (const { icon, made } of plannedFiles(set, ['compose'])) {
      const renderer = new IconRenderer(icon!, set.rules, null)
      if (made.as !== 'text') throw new Error('Sources are text.')
      const source = made.text(renderer)
      const again = rasterised(svgOfCompose(source), SIDE).data
      // What no vector of the platform can have is missing in both.
      const shapes = renderer.shapes(size)
      const proof =
        leftOut(shapes).length === 0
          ? renderer.document(size, 'light')
          : svgOfVector(vectorDrawable(shapes, { dp: size, viewport: renderer.grid(size) }))
      const apart = rasterised(proof, SIDE).data.reduce((sum, value, i) => sum + Math.abs(value - again[i]!), 0)
      expect(apart / again.length, icon!.name).toBeLessThan(0.5)
      expect(source.includes('autoMirror = true'), icon!.name).toBe(icon!.rtl === 'mirrored')
      const [head, body] = source.split('\n\npublic val ') as [string, string]
      const imported = [...head.matchAll(/^import .*\.(\w+)$/gm)].map(([, one]) => one!)
      for (const one of imported) expect(body, icon!.name).toMatch(new RegExp(`\\b${one}\\b`))
      for (const [, used] of body
        .replace(/"[^"]*"/g, '')
        .matchAll(/(?<![.\w])(Offset|Brush|Color|SolidColor|StrokeCap|StrokeJoin|ImageVector|addPathNodes)\b/g))
        expect(imported, icon!.name).toContain(used)
    }
  },
)
