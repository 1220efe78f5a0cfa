import type { Command } from '@/ui/commands'
import type { Bench } from '../bench'
import { assemblyCommands } from './assembly'
import { fixCommands } from './fix'

/** Every command that combines objects. */
export const combineCommands = (bench: Bench): Command[] => [...assemblyCommands(bench), ...fixCommands(bench)]
