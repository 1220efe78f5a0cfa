import { type Kysely, type Migration, type MigrationProvider, Migrator, sql } from 'kysely'
import { sizeOf } from '../../core/set/bounds'

type Any = Kysely<unknown>

/** Adds a column unless it is there: a migration that was cut off by an older version of this program is done again. */
async function addColumn(
  db: Any,
  table: string,
  column: string,
  type: 'text' | 'integer',
  initial?: number,
): Promise<void> {
  const { rows } = await sql<{ name: string }>`select name from pragma_table_info(${table})`.execute(db)
  if (rows.some(({ name }) => name === column)) return
  await db.schema
    .alterTable(table)
    .addColumn(column, type, (one) => (initial === undefined ? one : one.notNull().defaultTo(initial)))
    .execute()
}

const first: Migration = {
  async up(db: Any) {
    await db.schema
      .createTable('sets')
      .ifNotExists()
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
      .ifNotExists()
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('id', 'text', (column) => column.notNull())
      .addColumn('position', 'integer', (column) => column.notNull())
      .addColumn('name', 'text', (column) => column.notNull())
      .addColumn('masters', 'text', (column) => column.notNull())
      .addColumn('changed_at', 'text', (column) => column.notNull())
      .addColumn('deleted_at', 'text')
      .addPrimaryKeyConstraint('icons_key', ['set_id', 'id'])
      .execute()
    await db.schema
      .createIndex('icons_in_order')
      .ifNotExists()
      .on('icons')
      .columns(['set_id', 'deleted_at', 'position'])
      .execute()
    await db.schema
      .createTable('settings')
      .ifNotExists()
      .addColumn('key', 'text', (column) => column.primaryKey())
      .addColumn('value', 'text', (column) => column.notNull())
      .execute()
  },
}

const second: Migration = {
  up: (db: Any) => addColumn(db, 'sets', 'writer', 'text'),
}

const third: Migration = {
  async up(db: Any) {
    await db.schema
      .createTable('pictures')
      .ifNotExists()
      .addColumn('id', 'text', (column) => column.primaryKey())
      .addColumn('kind', 'text', (column) => column.notNull())
      .addColumn('w', 'integer', (column) => column.notNull())
      .addColumn('h', 'integer', (column) => column.notNull())
      .addColumn('bytes', 'blob', (column) => column.notNull())
      .addColumn('added_at', 'text', (column) => column.notNull())
      .execute()
  },
}

/** Drawn icons, kept until the icon or the rules change. */
const fourth: Migration = {
  async up(db: Any) {
    await addColumn(db, 'sets', 'rules_revision', 'integer', 1)
    await addColumn(db, 'icons', 'revision', 'integer', 1)
    await db.schema
      .createTable('drawn')
      .ifNotExists()
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('icon_id', 'text', (column) => column.notNull())
      .addColumn('icon_revision', 'integer', (column) => column.notNull())
      .addColumn('rules_revision', 'integer', (column) => column.notNull())
      .addColumn('drawn_by', 'text', (column) => column.notNull())
      .addColumn('current', 'text')
      .addColumn('light', 'text')
      .addColumn('dark', 'text')
      .addColumn('problem', 'text')
      .addPrimaryKeyConstraint('drawn_key', ['set_id', 'icon_id'])
      .execute()
  },
}

/** How many snags each icon has, kept with how it is drawn. */
const fifth: Migration = {
  async up(db: Any) {
    await addColumn(db, 'drawn', 'snags', 'integer')
  },
}

/** Drawn icons on the further grids of their set, and labels of icons, as JSON. */
const sixth: Migration = {
  async up(db: Any) {
    await addColumn(db, 'drawn', 'others', 'text')
    await addColumn(db, 'icons', 'labels', 'text')
  },
}

/** Delivery settings of sets, and releases. */
const seventh: Migration = {
  async up(db: Any) {
    await addColumn(db, 'sets', 'delivery', 'text')
    await db.schema
      .createTable('releases')
      .ifNotExists()
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('number', 'integer', (column) => column.notNull())
      .addColumn('note', 'text', (column) => column.notNull())
      .addColumn('made_at', 'text', (column) => column.notNull())
      .addColumn('files', 'text', (column) => column.notNull())
      .addColumn('icons', 'text', (column) => column.notNull())
      .addColumn('set_file', 'blob', (column) => column.notNull())
      .addColumn('archive', 'blob', (column) => column.notNull())
      .addPrimaryKeyConstraint('releases_key', ['set_id', 'number'])
      .execute()
  },
}

async function dropColumn(db: Any, table: string, column: string): Promise<void> {
  const { rows } = await sql<{ name: string }>`select name from pragma_table_info(${table})`.execute(db)
  if (rows.some(({ name }) => name === column)) await db.schema.alterTable(table).dropColumn(column).execute()
}

/**
 * A revision for each part of a set, the saves that were done, the order of icons as one value of the set, and the name of
 * the run of revisions that this database counts in.
 */
const eighth: Migration = {
  async up(db: Any) {
    for (const part of ['name', 'order', 'delivery']) await addColumn(db, 'sets', `${part}_revision`, 'integer', 1)
    await addColumn(db, 'sets', 'icon_order', 'text')
    for (const count of ['objects', 'nodes']) await addColumn(db, 'icons', count, 'integer')
    await sql`update sets set name_revision = revision, order_revision = revision, delivery_revision = revision`.execute(
      db,
    )
    const { rows } = await sql<{ name: string }>`select name from pragma_table_info('icons')`.execute(db)
    if (rows.some(({ name }) => name === 'position')) {
      await sql`update sets set icon_order = (
        select json_group_array(id) from (
          select id from icons where set_id = sets.id and deleted_at is null order by position))`.execute(db)
      await db.schema.dropIndex('icons_in_order').ifExists().execute()
      await dropColumn(db, 'icons', 'position')
    }
    await dropColumn(db, 'sets', 'writer')
    await db.schema.createIndex('icons_there').ifNotExists().on('icons').columns(['set_id', 'deleted_at']).execute()
    await db.schema
      .createTable('saves')
      .ifNotExists()
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('id', 'text', (column) => column.notNull())
      .addColumn('revision', 'integer', (column) => column.notNull())
      .addColumn('at', 'text', (column) => column.notNull())
      .addPrimaryKeyConstraint('saves_key', ['set_id', 'id'])
      .execute()
    for (const count of ['icon_count', 'file_count']) await addColumn(db, 'releases', count, 'integer', 0)
    await sql`update releases set icon_count = json_array_length(icons), file_count = json_array_length(files)`.execute(
      db,
    )
    await sql`insert or ignore into settings (key, value) values ('epoch', lower(hex(randomblob(8))))`.execute(db)
  },
}

/** Kept states of sets, and their overwritten parts. */
const ninth: Migration = {
  async up(db: Any) {
    await db.schema
      .createTable('states')
      .ifNotExists()
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('revision', 'integer', (column) => column.notNull())
      .addColumn('at', 'text', (column) => column.notNull())
      .addColumn('name', 'text')
      .addPrimaryKeyConstraint('states_key', ['set_id', 'revision'])
      .execute()
    await db.schema
      .createTable('past')
      .ifNotExists()
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('part', 'text', (column) => column.notNull())
      .addColumn('revision', 'integer', (column) => column.notNull())
      .addColumn('until', 'integer', (column) => column.notNull())
      .addColumn('value', 'text', (column) => column.notNull())
      .addPrimaryKeyConstraint('past_key', ['set_id', 'part', 'revision'])
      .execute()
  },
}

/** Sets with further masters keep the weights they had there: whole ones, which were the only way. */
const tenth: Migration = {
  async up(db: Any) {
    await sql`
      update sets set rules = json_set(rules, '$.weightSteps', 'whole')
      where json_array_length(rules, '$.masters') > 0 and json_extract(rules, '$.weightSteps') is null`.execute(db)
  },
}

/**
 * States of the past say since when they are kept, those from before since now; icons whose objects and nodes were never
 * counted are counted; releases say whether their set files have the reference pictures, as all did that were made before.
 */
const eleventh: Migration = {
  async up(db: Any) {
    await addColumn(db, 'states', 'kept_at', 'text')
    await addColumn(db, 'releases', 'has_pictures', 'integer', 1)
    await sql`update states set kept_at = ${new Date().toISOString()} where kept_at is null`.execute(db)
    const { rows } = await sql<{ set_id: string; id: string }>`
      select set_id, id from icons where objects is null and json_valid(masters)`.execute(db)
    for (const { set_id, id } of rows) {
      const icon = await sql<{ masters: string }>`
        select masters from icons where set_id = ${set_id} and id = ${id}`.execute(db)
      const { objects, nodes } = sizeOf(JSON.parse(icon.rows[0]!.masters))
      await sql`update icons set objects = ${objects}, nodes = ${nodes} where set_id = ${set_id} and id = ${id}`.execute(
        db,
      )
    }
  },
}

/** Drawn icons as pictures instead of documents; all are drawn anew. */
const twelfth: Migration = {
  async up(db: Any) {
    await db.schema.dropTable('drawn').ifExists().execute()
    await db.schema
      .createTable('drawn')
      .addColumn('set_id', 'text', (column) => column.notNull().references('sets.id').onDelete('cascade'))
      .addColumn('icon_id', 'text', (column) => column.notNull())
      .addColumn('icon_revision', 'integer', (column) => column.notNull())
      .addColumn('rules_revision', 'integer', (column) => column.notNull())
      .addColumn('drawn_by', 'text', (column) => column.notNull())
      .addColumn('picture', 'text')
      .addColumn('others', 'text')
      .addColumn('problem', 'text')
      .addColumn('snags', 'integer')
      .addPrimaryKeyConstraint('drawn_key', ['set_id', 'icon_id'])
      .execute()
  },
}

/**
 * All migrations by name. They run in alphabetical order, never change once released, and may run again over their own
 * result.
 */
const MIGRATIONS: Record<string, Migration> = {
  '001-sets-and-icons': first,
  '002-writers': second,
  '003-pictures': third,
  '004-drawn': fourth,
  '005-snags': fifth,
  '006-masters-and-labels': sixth,
  '007-delivery': seventh,
  '008-revisions': eighth,
  '009-past': ninth,
  '010-weight-steps': tenth,
  '011-kept-since': eleventh,
  '012-pictures-drawn': twelfth,
}

const provider: MigrationProvider = { getMigrations: async () => MIGRATIONS }

/** The names of all migrations, in order. */
export const MIGRATION_NAMES = Object.keys(MIGRATIONS).sort()

/** Whether a database is of an earlier version of this program, and which migration comes next. */
export async function pendingMigrations<T>(db: Kysely<T>): Promise<{ isOld: boolean; next: string }> {
  const all = await new Migrator({ db, provider }).getMigrations()
  const next = all.find(({ executedAt }) => executedAt === undefined)
  return { isOld: next !== undefined && all.some(({ executedAt }) => executedAt !== undefined), next: next?.name ?? '' }
}

/** Migrates a database to the latest version, or to `upTo`, in one transaction. Throws if a migration fails. */
export async function migrate<T>(db: Kysely<T>, upTo = MIGRATION_NAMES.at(-1)!): Promise<void> {
  const { error } = await new Migrator({ db, provider }).migrateTo(upTo)
  if (error) throw error
}
