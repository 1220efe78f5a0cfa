import type { Command } from '@/ui/commands'
import type { Bench } from '../state/bench'
import { assemblyCommands } from '../operations/assembly'
import { divideCommands } from '../operations/divide'
import { distanceCommands } from '../operations/distance'
import { fixCommands } from '../operations/fix'
import { partCommands } from './parts'
import { plateCommands } from '../operations/plate'
import { repeatCommands } from '../operations/repeat'

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
