import type { Command } from '@/ui/commands'
import type { Bench } from '../bench'
import { assemblyCommands } from './assembly'
import { divideCommands } from './divide'
import { distanceCommands } from './distance'
import { fixCommands } from './fix'
import { partCommands } from '../parts/commands'
import { plateCommands } from './plate'
import { repeatCommands } from './repeat'

/** Every command that combines objects. */
export const combineCommands = (bench: Bench): Command[] => [
  ...assemblyCommands(bench),
  ...divideCommands(bench),
  ...distanceCommands(bench),
  ...repeatCommands(bench),
  ...plateCommands(bench),
  ...partCommands(bench),
  ...fixCommands(bench),
]
