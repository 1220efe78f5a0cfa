import { statSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import Libsql from 'libsql'

/** A value that a column can hold or a statement can be given. */
type SqliteValue = string | number | bigint | Uint8Array | null

type Row = Record<string, unknown>

/** How a file is opened: to read only, to write where it is there, or made where it is missing. */
const MODES = { read: 'ro', write: 'rw', create: 'rwc' } as const

/**
 * One connection to a SQLite database, through the package libsql. Rows are plain objects, blobs are buffers. Errors have
 * SQLite's code (`SQLITE_BUSY`, `SQLITE_FULL`, …).
 */
export class SqliteFile {
  private readonly file: InstanceType<typeof Libsql>

  /** Opens the file at a path; `:memory:` is a database of its own. Throws an error with the path where it cannot be opened. */
  constructor(
    path: string,
    private readonly mode: keyof typeof MODES = 'create',
  ) {
    try {
      // The package takes no options for this; SQLite reads them from the address (SQLite, "URI Filenames").
      this.file = new Libsql(path === ':memory:' ? path : `${pathToFileURL(path).href}?mode=${MODES[mode]}`)
    } catch (error) {
      throw cannotOpen(path, error)
    }
  }

  /** Whether a transaction is open. */
  get inTransaction(): boolean {
    return this.file.inTransaction
  }

  prepare(sql: string): Statement {
    // A full disk makes SQLite end the transaction by itself: there is nothing to roll back, and the first error is reported.
    return new Statement(this.file.prepare(sql === 'rollback' && !this.inTransaction ? 'select 1' : sql))
  }

  /** The rows of one statement. */
  all<T = Row>(sql: string, ...values: SqliteValue[]): T[] {
    return this.prepare(sql).all(values) as T[]
  }

  /** Runs statements and ignores their rows. */
  exec(sql: string): void {
    this.file.exec(sql)
  }

  /** The first value that a pragma gives; undefined where it gives none. */
  pragma(source: string): unknown {
    return Object.values(this.all(`pragma ${source}`)[0] ?? {})[0]
  }

  /**
   * Rolls back an open transaction, writes the journal into the database and closes it. The package keeps the file open
   * until its prepared statements are garbage-collected; use `exec` only for locks and for files that are renamed next.
   */
  close(): void {
    if (!this.file.open) return
    if (this.inTransaction) this.exec('rollback')
    try {
      if (this.mode !== 'read') this.exec('pragma wal_checkpoint(truncate)')
    } catch {
      // Another connection reads it, or it is damaged: the journal stays, and the next who opens it takes it in.
    }
    this.file.close()
  }
}

/** A prepared statement with the members that Kysely asks for. */
class Statement {
  constructor(private readonly statement: Libsql.Statement) {}

  get reader(): boolean {
    return this.statement.reader
  }

  all(values: readonly unknown[] = []): Row[] {
    return (this.statement.all(bindable(values)) as Row[]).map(plain)
  }

  run(values: readonly unknown[] = []): Libsql.RunResult {
    return this.statement.run(bindable(values))
  }

  *iterate(values: readonly unknown[] = []): IterableIterator<Row> {
    for (const row of this.statement.iterate(bindable(values))) yield plain(row as Row)
  }
}

/** Values in the types that the package supports. Throws for booleans (the package aborts) and for texts with NUL (it cuts them). */
function bindable(values: readonly unknown[]): SqliteValue[] {
  return values.map((value) => {
    if (typeof value === 'string') {
      if (value.includes('\0')) throw new Error('A text with the character NUL cannot be stored.')
      return value
    }
    if (value === undefined || value === null) return null
    if (typeof value === 'number' || typeof value === 'bigint' || value instanceof Uint8Array) return value
    throw new TypeError(`A value of type ${typeof value} cannot be stored.`)
  })
}

function plain(row: Row): Row {
  for (const key in row) if (row[key] instanceof ArrayBuffer) row[key] = Buffer.from(row[key])
  return row
}

function cannotOpen(path: string, error: unknown): Error {
  const isFolder = statSync(path, { throwIfNoEntry: false })?.isDirectory() ?? false
  const said = error instanceof Error ? error.message.trim() : String(error)
  return Object.assign(new Error(isFolder ? `${path} is a folder.` : `${path} cannot be opened: ${said}`), {
    code: 'SQLITE_CANTOPEN',
    path,
  })
}
