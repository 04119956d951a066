/**
 * The server's log. It names what happened and where, never what people wrote: texts of entries do not go
 * into it, and a database's error is told by its number. A disk that is full costs lines, not the server.
 */
import { pino, type DestinationStream, type Logger } from 'pino';

/** Bytes that may wait to be written; what comes beyond is dropped. */
const MOST_WAITING = 1_000_000;
const FLUSH_MS = 500;
const LONGEST_MESSAGE = 300;

export interface LogFile {
  readonly log: Logger;
  /** Everything that waits, written. */
  readonly close: () => void;
}

export function openLog(path: string | undefined, level = 'info'): LogFile {
  const options = { level, serializers: { err: plainError } };
  if (path === undefined) return { log: pino(options), close: () => {} };
  const file = pino.destination({
    dest: path,
    sync: false,
    minLength: 4096,
    maxLength: MOST_WAITING,
    mode: 0o600,
  });
  file.on('error', () => {});
  const timer = setInterval(() => file.flush(() => {}), FLUSH_MS).unref();
  return {
    log: pino(options, file as DestinationStream),
    close: () => {
      clearInterval(timer);
      try {
        file.flushSync();
      } catch {
        // The disk is full: there is nowhere to say so.
      }
    },
  };
}

interface Told {
  readonly name: string;
  readonly message: string;
  readonly code?: string;
  readonly errno?: number;
  readonly stack: readonly string[];
}

/** An error without the values it was about: a statement of the database holds what people wrote. */
export function plainError(error: unknown): Told {
  if (!(error instanceof Error)) return { name: typeof error, message: '', stack: [] };
  const inner = (error as { original?: unknown }).original;
  const sql = (inner ?? error) as { code?: string; errno?: number };
  const fromDatabase = inner !== undefined || 'sql' in error || 'sqlState' in error;
  return {
    name: error.name,
    message: fromDatabase ? 'database' : error.message.slice(0, LONGEST_MESSAGE),
    ...(sql.code !== undefined && { code: sql.code }),
    ...(typeof sql.errno === 'number' && { errno: sql.errno }),
    stack: (error.stack ?? '')
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .map((line) => line.trim()),
  };
}
