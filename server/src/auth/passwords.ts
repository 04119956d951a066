/**
 * Passwords: Argon2id with the first parameters of RFC 9106's low-memory choice that this machine's tests
 * bear (OWASP's 19 MiB, two passes). The library works on threads of its own.
 */
import { hash, verify } from '@node-rs/argon2';

const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Verified against where nobody has that login, so that the answer takes as long. */
let decoy: Promise<string> | undefined;

/** @param kept - Undefined where there is no such person, or they have no password. */
export async function rightPassword(
  kept: string | null | undefined,
  password: string,
): Promise<boolean> {
  if (kept) return verify(kept, password);
  await verify(await (decoy ??= hashPassword('nobody')), password);
  return false;
}

/** What everybody would try first. */
const COMMON = [
  'password',
  'senha',
  'jeitinho',
  'qwerty',
  'asdfgh',
  '123456',
  'abcdef',
  'letmein',
  'iloveyou',
];

/** Why a new password is none; undefined where it will do. Its length is in the schema. */
export function weakness(password: string, about: readonly string[]): string | undefined {
  const plain = password.toLowerCase();
  if (new Set(plain).size < 5)
    return 'is the same few characters over and over; make it a sentence.';
  const own = about.map((each) => each.toLowerCase().trim()).filter((each) => each.length > 3);
  const rest = [...COMMON, ...own].reduce((left, word) => left.replaceAll(word, ''), plain);
  if (rest.length < 6)
    return 'is little more than a name or a word that is tried first; make it a sentence.';
  return undefined;
}
