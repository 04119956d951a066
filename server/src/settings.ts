/** What the `jeitinho` script says in the environment, read once and refused where it makes no sense. */
import { randomBytes } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { hostname, networkInterfaces } from 'node:os';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { StartupError } from './startup-error';
import type { Surroundings } from './surroundings';
import { ownPapers } from './tls/own-authority';

export interface Settings {
  readonly port: number;
  /** Address that it listens at. */
  readonly address: string;
  readonly url: string;
  readonly demo: boolean;
  /** Years of finished visits beside the demo's own. */
  readonly history: boolean;
  readonly around: Surroundings;
  readonly tls: { readonly cert: string; readonly key: string } | undefined;
  /** The shop's own authority; undefined with somebody else's certificate. */
  readonly papers: { readonly authority: string; readonly fingerprint: string } | undefined;
  /** Where the database lies, if it is this server's own. */
  readonly dataFolder: string | undefined;
  readonly backupFolder: string | undefined;
  readonly photoFolder: string | undefined;
  readonly metricsToken: string | undefined;
}

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

/** @throws {StartupError} */
export async function settingsFrom(env: NodeJS.ProcessEnv): Promise<Settings> {
  const port = Number(env.JEITINHO_PORT ?? 8137);
  const address = env.JEITINHO_LISTEN || '127.0.0.1';
  const behindProxy = env.JEITINHO_BEHIND_PROXY === 'yes';
  const names = (env.JEITINHO_HOSTS ?? '')
    .split(',')
    .map((each) => each.trim().toLowerCase())
    .filter(Boolean);
  const data = env.JEITINHO_DATA || undefined;
  const atLoopback = LOOPBACK.has(address);
  if (!atLoopback && isIP(address) === 0)
    throw new StartupError(
      'bad-address',
      `“${address}” is no address of this machine: give a number such as 192.168.1.20, or 0.0.0.0 for all.`,
    );
  const hosts = [...new Set([...names, ...(atLoopback ? [] : addressesAt(address))])];
  const tls = await tlsFrom(env, data, hosts);
  if (!atLoopback && !tls)
    throw new StartupError(
      'no-tls',
      `Beyond this machine Jeitinho starts only with TLS: passwords and what customers said would go over the network in the clear. Add --own-ca, or --cert and --key.`,
    );
  if (behindProxy && names.length === 0)
    throw new StartupError('no-host', 'Behind a proxy it must know its name: add --host NAME.');
  const secure = tls !== undefined || behindProxy;
  const loopback = atLoopback && !behindProxy;
  const demo = env.JEITINHO_DEMO !== 'no';
  const shown =
    names[0] ?? (address === '0.0.0.0' || address === '::' ? (hosts[0] ?? 'localhost') : address);
  return {
    port,
    address,
    url: behindProxy
      ? `https://${shown}`
      : `${tls ? 'https' : 'http'}://${isIP(shown) === 6 ? `[${shown}]` : shown}:${port}`,
    demo,
    history: demo && env.JEITINHO_HISTORY !== 'no',
    around: { secure, loopback, madeUp: loopback && demo, hosts, behindProxy },
    tls: tls && { cert: tls.cert, key: tls.key },
    papers: tls?.papers,
    dataFolder: env.JEITINHO_DB_URL ? undefined : data,
    backupFolder: data && join(data, 'backups'),
    photoFolder: data && join(data, 'photos'),
    metricsToken: data && (await metricsTokenIn(data)),
  };
}

/** Names and numbers under which others on the network reach it. */
function addressesAt(address: string): string[] {
  if (address !== '0.0.0.0' && address !== '::') return [address];
  const own = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map((each) => each.address);
  return [hostname().toLowerCase(), ...own];
}

async function tlsFrom(env: NodeJS.ProcessEnv, data: string | undefined, hosts: readonly string[]) {
  const { JEITINHO_CERT: cert, JEITINHO_KEY: key } = env;
  if (env.JEITINHO_OWN_CA === 'yes') {
    if (cert || key)
      throw new StartupError('two-certificates', 'Choose one: --own-ca, or --cert and --key.');
    if (!data)
      throw new StartupError('no-data', 'An authority of one’s own is kept in a data folder.');
    const papers = await ownPapers(join(data, 'authority'), [...hosts, 'localhost', '127.0.0.1']);
    return { ...papers, papers };
  }
  if (!cert && !key) return undefined;
  if (!cert || !key)
    throw new StartupError('half-tls', '--cert and --key belong together: give both.');
  const read = (path: string) =>
    readFile(path, 'utf8').catch(() => {
      throw new StartupError('no-file', `The file ${path} cannot be read.`);
    });
  return { cert: await read(cert), key: await read(key), papers: undefined };
}

/** Made once: whoever may read the data folder may ask for the metrics. */
async function metricsTokenIn(data: string): Promise<string> {
  const path = join(data, 'metrics-token');
  const kept = await readFile(path, 'utf8').catch(() => '');
  if (kept.trim() !== '') return kept.trim();
  const token = randomBytes(32).toString('base64url');
  await writeFile(path, `${token}\n`, { mode: 0o600 });
  return token;
}
