/** Debian’s Chromium, kept from calling home. */
import { existsSync } from 'node:fs';

const args = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-quic',
  '--disable-sync',
  '--no-first-run',
];

const ENTIRE = '/usr/bin/chromium';
/** Without its windows, where that is installed: a fifth of the work less. */
const SHELL = '/usr/bin/chromium-headless-shell';

const launch = (executablePath: string) => ({
  executablePath: process.env.CHROMIUM ?? executablePath,
  args,
});

export const LEAN = launch(existsSync(SHELL) ? SHELL : ENTIRE);
/** For what the lean one lacks: notices, and a service worker that is woken by the network. */
export const WHOLE = launch(ENTIRE);
