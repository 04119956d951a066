/** Tokens that open something, and what is kept of them. */
import { createHash, randomBytes } from 'node:crypto';

/** 256 bits, as text for a cookie or an address. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is stored of it: a random token needs no salt and no slow hash. */
export const digest = (text: string): string => createHash('sha256').update(text).digest('hex');
