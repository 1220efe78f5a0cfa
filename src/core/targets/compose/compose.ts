import type { Element } from '../../formats/markup'
import { realSize } from '../../rules/real-size'
import { leftOut, vectorElements } from '../android/vector'
import { componentName } from '../modules'
import { text } from '../options'
import { barPreviews } from '../previews'
import { defineTarget } from '../target'

/** A text between double quotes of Kotlin. */
const quoted = (value: string): string => JSON.stringify(value).replaceAll('$', '\\$')

/** A number of Kotlin with one digit behind the point at least, single precision. */
const float = (value: string): string => `${value}f`

/** A colour of a drawable, #RRGGBB or #AARRGGBB. */
const colour = (hex: string): string => `Color(0x${hex.length === 7 ? `FF${hex.slice(1)}` : hex.slice(1)})`

const CAPS: Readonly<Record<string, string>> = { butt: 'Butt', round: 'Round', square: 'Square' }
const JOINS: Readonly<Record<string, string>> = { miter: 'Miter', round: 'Round', bevel: 'Bevel' }

/** Attributes of a drawable as arguments: of which, by which name, and how each is written. */
type Arguments = readonly (readonly [attribute: string, name: string, write: (value: string) => string])[]

const PATH: Arguments = [
  ['pathData', 'pathData', (value) => `addPathNodes(${quoted(value)})`],
  ['fillColor', 'fill', (value) => `SolidColor(${colour(value)})`],
  ['fillAlpha', 'fillAlpha', float],
  ['strokeColor', 'stroke', (value) => `SolidColor(${colour(value)})`],
  ['strokeAlpha', 'strokeAlpha', float],
  ['strokeWidth', 'strokeLineWidth', float],
  ['strokeLineCap', 'strokeLineCap', (value) => `StrokeCap.${CAPS[value]!}`],
  ['strokeLineJoin', 'strokeLineJoin', (value) => `StrokeJoin.${JOINS[value]!}`],
  ['strokeMiterLimit', 'strokeLineMiter', float],
]
const GROUP: Arguments = [
  ['rotation', 'rotate', float],
  ['scaleX', 'scaleX', float],
  ['scaleY', 'scaleY', float],
  ['translateX', 'translationX', float],
  ['translateY', 'translationY', float],
]

const argumentsOf = ({ own }: Element, all: Arguments): string[] =>
  all.flatMap(([attribute, name, write]) => {
    const value = own[`android:${attribute}`]
    return value === undefined ? [] : [`${name} = ${write(value)}`]
  })

/** A gradient of a drawable as a brush. */
function brush({ own, inside }: Element): string {
  const at = (name: string) => float(own[`android:${name}`] ?? '0')
  const stops = inside.map((item) => `${float(item.own['android:offset']!)} to ${colour(item.own['android:color']!)}`)
  const place =
    own['android:type'] === 'linear'
      ? [`start = Offset(${at('startX')}, ${at('startY')})`, `end = Offset(${at('endX')}, ${at('endY')})`]
      : [`center = Offset(${at('centerX')}, ${at('centerY')})`, `radius = ${at('gradientRadius')}`]
  const kind = own['android:type'] === 'linear' ? 'linearGradient' : 'radialGradient'
  return `Brush.${kind}(${[...stops, ...place].join(', ')})`
}

/** The content of a drawable as builder calls, one per line. */
function calls(elements: readonly Element[]): string[] {
  return elements.flatMap((one): string[] => {
    if (one.name === 'path') {
      const brushes = one.inside.map(
        (paint) => `${paint.own['name'] === 'android:fillColor' ? 'fill' : 'stroke'} = ${brush(paint.inside[0]!)}`,
      )
      return [`.addPath(${[...argumentsOf(one, PATH), ...brushes].join(', ')})`]
    }
    const clip = one.inside.find(({ name }) => name === 'clip-path')
    const clipped = clip ? [`clipPathData = addPathNodes(${quoted(clip.own['android:pathData']!)})`] : []
    const rest = one.inside.filter((inner) => inner !== clip)
    return [`.addGroup(${[...argumentsOf(one, GROUP), ...clipped].join(', ')})`, ...calls(rest), '.clearGroup()']
  })
}

/** What the calls of an icon refer to, each imported where it is used. */
const IMPORTS: Readonly<Record<string, string>> = {
  Offset: 'androidx.compose.ui.geometry.Offset',
  Brush: 'androidx.compose.ui.graphics.Brush',
  Color: 'androidx.compose.ui.graphics.Color',
  SolidColor: 'androidx.compose.ui.graphics.SolidColor',
  StrokeCap: 'androidx.compose.ui.graphics.StrokeCap',
  StrokeJoin: 'androidx.compose.ui.graphics.StrokeJoin',
  ImageVector: 'androidx.compose.ui.graphics.vector.ImageVector',
  addPathNodes: 'androidx.compose.ui.graphics.vector.addPathNodes',
  dp: 'androidx.compose.ui.unit.dp',
}

/** Interface icons as Kotlin source: an image vector each, from the same drawing as the vector drawable. */
export const compose = defineTarget({
  id: 'compose',
  name: 'Compose sources',
  platform: 'Android',
  note: 'One Kotlin file per icon with its ImageVector, strokes and arcs kept as they are, mirrored right to left where it says so.',
  readBy: [
    {
      reader: 'kotlinc',
      compares: 'compiles beside the declarations of what it calls',
      spec: 'src/server/delivery/read-back.test.ts',
    },
    {
      reader: 'a reader of these calls',
      compares: 'the picture at 96 px, within 0.5 of 255',
      spec: 'src/core/targets/compose/compose.test.ts',
    },
  ],
  choices: {
    package: text('package', 'icons', 'org.example', (value) =>
      /^[a-z][a-z0-9_]*(?:\.[a-z][a-z0-9_]*)*$/.test(value)
        ? null
        : 'A package is named in lower-case letters, digits and _, its parts with points between them.',
    ),
  },
  each(icon, { rules }, options) {
    const dp = realSize(rules),
      own = componentName(icon.name)
    return [
      {
        path: `android/compose/${own}.kt`,
        made: {
          as: 'text',
          text(renderer) {
            const viewport = renderer.grid(dp)
            const side = `${dp}.dp`
            const body = `public val ${own}: ImageVector by lazy(LazyThreadSafetyMode.NONE) {
    ImageVector.Builder(name = ${quoted(icon.name)}, defaultWidth = ${side}, defaultHeight = ${side}, viewportWidth = ${viewport}f, viewportHeight = ${viewport}f${icon.rtl === 'mirrored' ? ', autoMirror = true' : ''})
${calls(vectorElements(renderer.shapes(dp)))
  .map((call) => `        ${call}\n`)
  .join('')}        .build()
}
`
            const imports = Object.entries(IMPORTS)
              .filter(([name]) => new RegExp(`\\b${name}\\b`).test(body))
              .map(([, path]) => `import ${path}\n`)
            return `package ${options.package}\n\n${imports.join('')}\n${body}`
          },
        },
      },
    ]
  },
  problems: (renderer) =>
    leftOut(renderer.shapes(realSize(renderer.rules))).map((what) => ({
      sentence: `loses ${what}, which an image vector cannot have.`,
      isError: false,
    })),
  previews: (renderer) => barPreviews(renderer),
})
