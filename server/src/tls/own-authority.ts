/**
 * A shop's own authority: made once, kept in its data folder, and trusted by hand on each phone. It signs the
 * server's certificate, which is made anew before it runs out and when the server gets another name.
 */
import { webcrypto } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import { join } from 'node:path';
import type * as X509 from '@peculiar/x509';

const crypto = webcrypto as unknown as Crypto;

/** Loaded by the first who asks for papers: most shops have others or none, and it takes its time. */
let x509: typeof X509;
async function loadLibrary(): Promise<void> {
  // It looks for this while it loads.
  await import('reflect-metadata');
  x509 = await import('@peculiar/x509');
  x509.cryptoProvider.set(crypto);
}

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Phones take no certificate that is good for longer. */
const SERVER_DAYS = 397;
const RENEWED_DAYS_BEFORE = 60;
/** A phone whose clock is behind must not take it for one of the future. */
const EARLIER_MS = 2 * DAY_MS;

export interface ServerPapers {
  readonly cert: string;
  readonly key: string;
  /** The authority itself, for phones. */
  readonly authority: string;
  /** SHA-256 of it, to be compared by eye. */
  readonly fingerprint: string;
}

export async function ownPapers(
  folder: string,
  names: readonly string[],
  now = new Date(),
): Promise<ServerPapers> {
  await loadLibrary();
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const authority = await authorityIn(folder, now);
  const kept = await readPair(folder, 'server');
  const certificate = kept && new x509.X509Certificate(kept.cert);
  const good =
    kept !== undefined &&
    certificate !== undefined &&
    certificate.notAfter.getTime() - now.getTime() > RENEWED_DAYS_BEFORE * DAY_MS &&
    certificate.issuer === authority.certificate.subject &&
    (await certificate.verify({ publicKey: authority.certificate.publicKey })) &&
    sameNames(certificate, names);
  const pair = good ? kept : await newServer(folder, authority, names, now);
  return {
    cert: `${pair.cert}\n${authority.pem}`,
    key: pair.key,
    authority: authority.pem,
    fingerprint: fingerprintOf(await authority.certificate.getThumbprint('SHA-256')),
  };
}

const fingerprintOf = (bytes: ArrayBuffer): string =>
  Buffer.from(bytes).toString('hex').toUpperCase().match(/../g)!.join(' ');

interface Authority {
  readonly certificate: X509.X509Certificate;
  readonly pem: string;
  readonly key: CryptoKey;
}

async function authorityIn(folder: string, now: Date): Promise<Authority> {
  const kept = await readPair(folder, 'authority');
  if (kept) {
    const key = await crypto.subtle.importKey(
      'pkcs8',
      x509.PemConverter.decodeFirst(kept.key),
      ALGORITHM,
      false,
      ['sign'],
    );
    return { certificate: new x509.X509Certificate(kept.cert), pem: kept.cert, key };
  }
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Jeitinho of this shop ${now.toISOString().slice(0, 10)}`,
    notBefore: new Date(now.getTime() - EARLIER_MS),
    notAfter: new Date(now.getTime() + AUTHORITY_DAYS * DAY_MS),
    signingAlgorithm: ALGORITHM,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(
        x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign,
        true,
      ),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  const pem = certificate.toString('pem');
  await writePair(folder, 'authority', pem, keys.privateKey);
  return { certificate, pem, key: keys.privateKey };
}

async function newServer(
  folder: string,
  authority: Authority,
  names: readonly string[],
  now: Date,
) {
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0] ?? 'localhost'}`,
    issuer: authority.certificate.subject,
    notBefore: new Date(now.getTime() - EARLIER_MS),
    notAfter: new Date(now.getTime() + (SERVER_DAYS - 3) * DAY_MS),
    signingAlgorithm: ALGORITHM,
    publicKey: keys.publicKey,
    signingKey: authority.key,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((name) => ({
          type: isIP(name) ? ('ip' as const) : ('dns' as const),
          value: name,
        })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(authority.certificate.publicKey),
    ],
  });
  return writePair(folder, 'server', certificate.toString('pem'), keys.privateKey);
}

function sameNames(certificate: X509.X509Certificate, names: readonly string[]): boolean {
  const extension = certificate.getExtension(x509.SubjectAlternativeNameExtension);
  const has = extension?.names.items.map(({ value }) => value) ?? [];
  return has.length === names.length && names.every((name) => has.includes(name));
}

/** Positive, and too long to be guessed. */
const serial = (): string =>
  `4${Buffer.from(crypto.getRandomValues(new Uint8Array(15))).toString('hex')}`;

async function readPair(folder: string, name: string) {
  const [cert, key] = await Promise.all(
    ['crt', 'key'].map((end) =>
      readFile(join(folder, `${name}.${end}`), 'utf8').catch(() => undefined),
    ),
  );
  return cert !== undefined && key !== undefined ? { cert, key } : undefined;
}

async function writePair(folder: string, name: string, cert: string, privateKey: CryptoKey) {
  const key = x509.PemConverter.encode(
    await crypto.subtle.exportKey('pkcs8', privateKey),
    'PRIVATE KEY',
  );
  // The key first: a certificate without its key would be taken for whole.
  await writeFile(join(folder, `${name}.key`), key, { mode: 0o600 });
  await writeFile(join(folder, `${name}.crt`), cert, { mode: 0o644 });
  return { cert, key };
}
