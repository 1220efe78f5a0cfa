import { defineKind } from '../kind'
import { Group } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { fitting } from './fitting'
import { references } from './references'

export const group = defineKind<Group>({
  kind: 'group',
  word: 'Group',
  schema: Group,
  hasMembers: true,
  geometry,
  ledger,
  fitting,
  references,
})
