import type { Field } from '../field'
import type { Assembly } from './schema'

/** Which corners of the result are finished. */
export const cornerChoice: Field<Assembly> = {
  id: 'corners',
  what: 'the corners that are finished',
  as: 'choice',
  options: ['all corners', 'inner corners', 'outer corners', 'picked corners'],
  read: ({ corners }) => `${corners?.only ?? 'all'} corners`,
  write: (object, option) => {
    if (!object.corners) return object
    const { only: _, ...rest } = object.corners
    const only = option.split(' ')[0] as 'all' | 'inner' | 'outer' | 'picked'
    return { ...object, corners: only === 'all' ? rest : { ...rest, only } }
  },
}
