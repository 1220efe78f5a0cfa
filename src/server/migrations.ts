import { type Kysely, type Migration, type MigrationProvider, Migrator } from 'kysely'

const first: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('sets')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('name', 'text', (column) => column.notNull())
      .addColumn('kind', 'text', (column) => column.notNull())
      .addColumn('rules', 'text', (column) => column.notNull())
      .addColumn('revision', 'integer', (column) => column.notNull().defaultTo(1))
      .addColumn('position', 'integer', (column) => column.notNull())
      .addColumn('changed_at', 'text', (column) => column.notNull())
      .addColumn('deleted_at', 'text')
      .execute()
    await db.schema
      .createTable('icons')
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('id', 'text', (column) => column.notNull())
      .addColumn('position', 'integer', (column) => column.notNull())
      .addColumn('name', 'text', (column) => column.notNull())
      .addColumn('masters', 'text', (column) => column.notNull())
      .addColumn('changed_at', 'text', (column) => column.notNull())
      .addColumn('deleted_at', 'text')
      .addPrimaryKeyConstraint('icons_key', ['set_id', 'id'])
      .execute()
    await db.schema.createIndex('icons_in_order').on('icons').columns(['set_id', 'deleted_at', 'position']).execute()
    await db.schema
      .createTable('settings')
      .addColumn('key', 'text', (column) => column.primaryKey())
      .addColumn('value', 'text', (column) => column.notNull())
      .execute()
  },
}

const second: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema.alterTable('sets').addColumn('writer', 'text').execute()
  },
}

const third: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('pictures')
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('kind', 'text', (column) => column.notNull())
      .addColumn('w', 'integer', (column) => column.notNull())
      .addColumn('h', 'integer', (column) => column.notNull())
      .addColumn('bytes', 'blob', (column) => column.notNull())
      .addColumn('added_at', 'text', (column) => column.notNull())
      .execute()
  },
}

/** Every migration by name; names are applied in alphabetical order and never change once released. */
const provider: MigrationProvider = { getMigrations: async () => ({ '001-sets-and-icons': first, '002-writers': second, '003-pictures': third }) }

/** Brings a database up to date. Throws when a migration fails; that migration leaves nothing behind. */
export async function migrate<T>(db: Kysely<T>): Promise<void> {
  const { error } = await new Migrator({ db, provider }).migrateToLatest()
  if (error) throw error
}
