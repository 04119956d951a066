/** What the database's errors mean, whether they come through Sequelize or from the connector itself. */
import { BaseError, ConnectionError } from 'sequelize';

interface SqlError extends Error {
  readonly code?: string;
  readonly errno?: number;
  readonly fatal?: boolean;
}

/** The connector's own error. */
function sqlErrorOf(error: unknown): SqlError | undefined {
  if (error instanceof BaseError) {
    const { original, parent } = error as { original?: unknown; parent?: unknown };
    return sqlErrorOf(original ?? parent);
  }
  if (!(error instanceof Error)) return undefined;
  // Errors of files and sockets have a number as well, and say nothing of the database.
  return 'sqlState' in error ? (error as SqlError) : undefined;
}

const DUPLICATE = 1062;
/** Lock wait timeout, deadlock, changed since it was read. */
const TRY_AGAIN: ReadonlySet<number> = new Set([1205, 1213, 1020]);
/** Disk full, table full, out of file space while writing. */
const FULL: ReadonlySet<number> = new Set([1021, 1114, 1026, 1030, 3]);
/** Shutting down, killed, too many connections, aborted. */
const AWAY: ReadonlySet<number> = new Set([1040, 1053, 1077, 1079, 1152, 1927, 2002, 2006, 2013]);
/** No such table, not in the engine, damaged index, damaged table, unreadable file. */
const DAMAGED: ReadonlySet<number> = new Set([1146, 1932, 1034, 1033, 1712, 1877, 1016, 1017]);

export const isDuplicate = (error: unknown): boolean => sqlErrorOf(error)?.errno === DUPLICATE;

/** Two writers stood in each other's way: the same again may well succeed. */
export const transient = (error: unknown): boolean => TRY_AGAIN.has(sqlErrorOf(error)?.errno ?? 0);

export type DatabaseTrouble = 'away' | 'full' | 'damaged';

/** @returns undefined for an error that says nothing about the database itself. */
export function databaseTrouble(error: unknown): DatabaseTrouble | undefined {
  const sql = sqlErrorOf(error);
  const errno = sql?.errno ?? 0;
  if (FULL.has(errno)) return 'full';
  if (DAMAGED.has(errno)) return 'damaged';
  if (TRY_AGAIN.has(errno) || AWAY.has(errno)) return 'away';
  if (error instanceof ConnectionError) return 'away';
  if (sql?.fatal || sql?.code?.includes('CONNECTION') || sql?.code?.includes('SOCKET'))
    return 'away';
  // The operating system's own: no such socket, refused, reset, broken pipe.
  return sql && errno < 0 ? 'away' : undefined;
}
