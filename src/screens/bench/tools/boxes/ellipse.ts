import { Circle } from 'lucide-react'
import { boxTool } from './box-tool'
import { ELLIPSE } from './ellipse-shape'
import { EllipseSettings } from './lay-settings'

export const ellipse = boxTool(ELLIPSE, { id: 'ellipse', key: 'Digit2', picture: Circle, Settings: EllipseSettings })
