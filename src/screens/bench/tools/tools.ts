import type { Bench } from '../bench'
import type { ToolId } from '../store'
import { cornerTool } from './corner'
import { drawBoxTool } from './draw-box'
import { drawLineTool } from './draw-line'
import { freehandTool } from './freehand'
import { measureTool } from './measure'
import { mirrorTool } from './mirror'
import { nodesTool } from './nodes'
import { penTool } from './pen'
import { cropTool, placeTool } from './reference-tools'
import { sampleTool } from './sample'
import { selectTool } from './select'
import type { Tool } from './tool'
import { textTool } from './text'
import { turnTool } from './turn'

/** Every tool of a bench, by its id. */
export function makeTools(bench: Bench): Record<ToolId, Tool> {
  return {
    select: selectTool(bench),
    rectangle: drawBoxTool(bench, 'rectangle'),
    ellipse: drawBoxTool(bench, 'ellipse'),
    line: drawLineTool(bench),
    polygon: drawBoxTool(bench, 'polygon'),
    star: drawBoxTool(bench, 'star'),
    arrow: drawBoxTool(bench, 'arrow'),
    spiral: drawBoxTool(bench, 'spiral'),
    text: textTool(bench),
    corner: cornerTool(bench),
    measure: measureTool(bench),
    pen: penTool(bench),
    freehand: freehandTool(bench),
    nodes: nodesTool(bench),
    turn: turnTool(bench),
    mirror: mirrorTool(bench),
    sample: sampleTool(bench),
    place: placeTool(bench),
    crop: cropTool(bench),
  }
}
