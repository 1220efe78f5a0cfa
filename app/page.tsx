import { createSet, deleteFromShelf, duplicateOnShelf, openDemo, renameOnShelf, restoreToShelf } from './actions'
import { database } from '@/server/database/database'
import { listSets } from '@/server/sets'
import { ShelfScreen } from '@/screens/shelf/shelf-screen'

export default async function Page() {
  const actions = {
    create: createSet,
    rename: renameOnShelf,
    duplicate: duplicateOnShelf,
    remove: deleteFromShelf,
    restore: restoreToShelf,
    openDemo,
  }
  return <ShelfScreen entries={await listSets(await database())} actions={actions} />
}
