import { SqliteAdapter, SqliteDialect } from 'kysely'
import type { SqliteFile } from './sqlite'

/** SQLite changes tables within transactions like anything else; Kysely's own adapter does not make use of it. */
class AtomicAdapter extends SqliteAdapter {
  override get supportsTransactionalDdl(): boolean {
    return true
  }
}

/** Kysely's dialect for a connection of ours, with changes of tables in transactions. */
export class AtomicDialect extends SqliteDialect {
  constructor(database: SqliteFile) {
    super({ database })
  }

  override createAdapter(): SqliteAdapter {
    return new AtomicAdapter()
  }
}
