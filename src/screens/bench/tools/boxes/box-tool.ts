import { drawBoxTool } from '../draw-box'
import type { ToolDefinition } from '../tool'
import type { BoxShape } from './box-shape'

/** The tool that draws a shape in a box. */
export const boxTool = (shape: BoxShape, about: Omit<ToolDefinition, 'name' | 'cluster' | 'make'>): ToolDefinition => ({
  ...about,
  name: shape.word,
  cluster: 'Lay',
  make: (bench) => drawBoxTool(bench, shape),
})
