/**
 * From a schema to its validator, with Ajv. Nothing is coerced, defaulted or removed: what came in is what
 * is kept. A page whose security policy forbids making code from text replaces this module by validators
 * made when it was built.
 */
import type { TSchema } from '@sinclair/typebox';
import Ajv, { type ValidateFunction } from 'ajv';
import { AJV_OPTIONS } from './ajv-options';
import { hoistUnions } from './hoist';

const ajv = new Ajv(AJV_OPTIONS);

export const compileSchema = (schema: TSchema): ValidateFunction =>
  ajv.compile(hoistUnions(schema));
