import type { Bench } from '../state/bench'
import { arrow } from './boxes/arrow'
import { ellipse } from './boxes/ellipse'
import { polygon } from './boxes/polygon'
import { rectangle } from './boxes/rectangle'
import { spiral } from './boxes/spiral'
import { star } from './boxes/star'
import { part } from './part-tool'
import { bendAlong } from './bend'
import { copies } from './copies/copies'
import { corner } from './corner'
import { line } from './draw-line'
import { freehand } from './freehand/freehand'
import { interlace } from './interlace/interlace'
import { measure } from './measure/measure'
import { mirror } from './mirror'
import { nodes } from './nodes'
import { patchwork } from './patchwork/patchwork'
import { pen } from './pen'
import { crop, placeByPoints } from './reference-tools'
import { sample } from './sample/sample'
import { select } from './select'
import { text } from './text'
import type { ToolDefinition, Tools } from './tool'
import { warp } from './warp'
import { turn } from './turn/turn'

/** Every tool, in the order of the tool line: by cluster, and as their keys lie. */
export const TOOLS: readonly ToolDefinition[] = [
  rectangle,
  ellipse,
  polygon,
  star,
  line,
  pen,
  freehand,
  text,
  part,
  arrow,
  spiral,
  select,
  nodes,
  corner,
  turn,
  mirror,
  warp,
  bendAlong,
  measure,
  sample,
  patchwork,
  interlace,
  copies,
  placeByPoints,
  crop,
]

export const toolOf = (id: string): ToolDefinition => TOOLS.find((tool) => tool.id === id)!

/** Every tool of a bench, by its id. */
export const makeTools = (bench: Bench): Tools => Object.fromEntries(TOOLS.map(({ id, make }) => [id, make(bench)]))
