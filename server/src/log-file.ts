/**
 * The server's log. It names what happened and where, never what people wrote: texts of entries do not go
 * into it, and a database's error is told by its number. A disk that is full costs lines, not the server.
 */
import { closeSync, fstatSync, openSync, renameSync, write, writeSync } from 'node:fs';
import { pino, type Logger } from 'pino';

/** Characters that may wait to be written; what comes beyond is dropped. */
const MOST_WAITING = 1_000_000;
const FLUSH_MS = 300;
/** Bytes after which a new file is begun, and how many old ones stay. */
const LARGEST_FILE = 10_000_000;
const OLD_FILES = 5;
const LONGEST_MESSAGE = 300;

export interface LogFile {
  readonly log: Logger;
  /** Everything that waits, written. */
  readonly close: () => void;
}

export function openLog(path: string | undefined, level = 'info', largest = LARGEST_FILE): LogFile {
  const options = { level, serializers: { err: plainError } };
  if (path === undefined) return { log: pino(options), close: () => {} };
  const lines = new Lines(path, largest);
  return { log: pino(options, lines), close: () => lines.close() };
}

/**
 * Lines that are taken together and written a moment later. Written by hand, for the logger's own files stop
 * for good, or try for ever, when a disk is full; here such lines are lost and the next ones are tried.
 */
class Lines {
  #waiting = '';
  #writing = false;
  #file: number;
  #size: number;
  readonly #timer: NodeJS.Timeout;

  constructor(
    private readonly path: string,
    private readonly largest: number,
  ) {
    this.#file = openSync(path, 'a', 0o600);
    this.#size = fstatSync(this.#file).size;
    this.#timer = setInterval(() => this.#flush(), FLUSH_MS).unref();
  }

  write(line: string): void {
    if (this.#waiting.length < MOST_WAITING) this.#waiting += line;
  }

  #flush(): void {
    if (this.#writing || this.#waiting === '') return;
    const text = this.#waiting;
    this.#waiting = '';
    this.#writing = true;
    this.#size += Buffer.byteLength(text);
    write(this.#file, text, () => {
      this.#writing = false;
      if (this.#size > this.largest) this.#turn();
    });
  }

  /** The full one becomes `.1`, the one before it `.2`; the oldest goes. */
  #turn(): void {
    try {
      for (let i = OLD_FILES; i >= 1; i -= 1) {
        const from = i === 1 ? this.path : `${this.path}.${i - 1}`;
        try {
          renameSync(from, `${this.path}.${i}`);
        } catch {
          // Not there yet.
        }
      }
      const next = openSync(this.path, 'a', 0o600);
      closeSync(this.#file);
      this.#file = next;
      this.#size = 0;
    } catch {
      // The disk is full: on with the old one.
    }
  }

  close(): void {
    clearInterval(this.#timer);
    try {
      writeSync(this.#file, this.#waiting);
      closeSync(this.#file);
    } catch {
      // The disk is full: there is nowhere to say so.
    }
    this.#waiting = '';
  }
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
