/** A sheet of the demo world for tests, read from its file. */
import type { Sheet } from '@jeitinho/core/sheet';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

export const demoSheet = (): Sheet =>
  JSON.parse(
    readFileSync(join(__dirname, '../../demo/sheets/tarumbe-uf440i.2.json'), 'utf8'),
  ) as Sheet;
