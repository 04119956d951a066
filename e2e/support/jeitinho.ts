/** The real `./jeitinho start`, on a free port and a data folder of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

export const ROOT = resolve(import.meta.dirname, '../..');
const SCRIPT = join(ROOT, 'jeitinho');
const PATIENCE_MS = 240_000;

/**
 * A free port below those the system hands out to outgoing connections, so that none of these, nor the
 * other worker, takes it between this probe and the server's own listening.
 */
export async function freePort(): Promise<number> {
  const port = randomInt(20_000, 32_000);
  const free = await new Promise<boolean>((done) => {
    const probe = createServer();
    probe.once('error', () => done(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => done(true)));
  });
  return free ? port : freePort();
}

export const freshFolder = (): string => mkdtempSync(join(tmpdir(), 'jeitinho e2e.'));

/** Processes whose command line has all of these words. */
export function processesWith(...words: string[]): number[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((pid) => {
      try {
        const line = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
        return words.every((word) => line.includes(word));
      } catch {
        return false;
      }
    })
    .map(Number);
}

export class Jeitinho {
  readonly data: string;
  output = '';
  private process: ChildProcess | undefined;

  constructor(
    readonly port: number,
    data = freshFolder(),
    private readonly more: readonly string[] = [],
  ) {
    this.data = data;
  }

  get url(): string {
    const host = this.more[this.more.indexOf('--host') + 1];
    return this.more.includes('--host')
      ? `https://${host}:${this.port}`
      : `http://127.0.0.1:${this.port}`;
  }

  /** Resolves once the ready line is printed. @throws with the output when it ends before that. */
  async start(): Promise<void> {
    this.output = '';
    const child = spawn(
      SCRIPT,
      ['start', '--port', String(this.port), '--data', this.data, ...this.more],
      // The demo's years of visits only where a story is about them.
      { env: { JEITINHO_HISTORY: 'no', ...process.env } },
    );
    this.process = child;
    // A test that fails on the way leaves nothing running behind it.
    process.once('exit', () => child.kill('SIGTERM'));
    const ready = new Promise<void>((done, fail) => {
      const timer = setTimeout(
        () => fail(new Error(`not ready in time: ${this.output}`)),
        PATIENCE_MS,
      );
      const hear = (chunk: Buffer) => {
        this.output += chunk.toString();
        if (this.output.includes(`Jeitinho is ready at ${this.url}`)) {
          clearTimeout(timer);
          done();
        }
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.once('exit', (code) => {
        clearTimeout(timer);
        fail(new Error(`ended with ${code}: ${this.output}`));
      });
    });
    await ready;
  }

  /** As a person would: TERM to the script. @returns its exit code. */
  async stop(): Promise<number | null> {
    return this.end(() => this.process!.kill('SIGTERM'));
  }

  /** The server process dies on the spot, as in a crash; the script then ends too. */
  async crash(): Promise<number | null> {
    return this.end(() => {
      for (const pid of this.serverProcesses()) process.kill(pid, 'SIGKILL');
    });
  }

  /** The script dies on the spot; what it started goes on without it. */
  async killScript(): Promise<void> {
    await this.end(() => this.process!.kill('SIGKILL'));
  }

  serverProcesses(): number[] {
    return processesWith('server/dist/main.js').filter((pid) =>
      readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`JEITINHO_PORT=${this.port}`),
    );
  }

  databaseProcesses(): number[] {
    return processesWith('mariadbd', `--datadir=${this.data}/`);
  }

  removeData(): void {
    rmSync(this.data, { recursive: true, force: true });
  }

  private async end(act: () => void): Promise<number | null> {
    const child = this.process;
    if (!child || child.exitCode !== null || child.signalCode !== null)
      return child?.exitCode ?? null;
    const ended = new Promise<number | null>((done) => child.once('exit', done));
    act();
    return ended;
  }
}
