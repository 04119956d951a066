/**
 * Validators made at build time. The page's security policy forbids making code from text, which is how
 * Ajv compiles; so its standalone code takes the place of the core's `validation/compile`.
 */
import Ajv from 'ajv';
import standaloneCode from 'ajv/dist/standalone/index.js';
import { resolve } from 'node:path';
import type { Plugin } from 'vite';
import { meterProfileSchema } from '../core/src/meter/profile';
import { sheetSchema } from '../core/src/sheet/schema';
import { hoistUnions } from '../core/src/validation/hoist';
import { AJV_OPTIONS } from '../core/src/validation/ajv-options';

const CORE = resolve(import.meta.dirname, '../core/src');
const REPLACED = resolve(CORE, 'validation/compile.ts');

export function builtValidators(): Plugin {
  return {
    name: 'built-validators',
    enforce: 'pre',
    load(id) {
      if (id.split('?')[0] !== REPLACED) return null;
      const ajv = new Ajv({ ...AJV_OPTIONS, code: { source: true, esm: true } });
      ajv.addSchema(hoistUnions(sheetSchema), 'sheet');
      ajv.addSchema(hoistUnions(meterProfileSchema), 'meter');
      const code = standaloneCode(ajv, { validSheet: 'sheet', validMeter: 'meter' });
      return `${code}
import { sheetSchema } from ${JSON.stringify(resolve(CORE, 'sheet/schema.ts'))};
import { meterProfileSchema } from ${JSON.stringify(resolve(CORE, 'meter/profile.ts'))};
const made = new Map([[sheetSchema, validSheet], [meterProfileSchema, validMeter]]);
export function compileSchema(schema) {
  const validator = made.get(schema);
  if (!validator) throw new Error('no validator was built for this schema');
  return validator;
}`;
    },
  };
}
