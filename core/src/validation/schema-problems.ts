/**
 * Ajv's errors as problems a person can mend. Where a value may be one of several kinds, Ajv complains
 * for every kind; only the complaints of the kind that was meant are kept.
 */
import type { ErrorObject } from 'ajv';
import { problem, type SheetProblem } from './problem';
import { nth } from '../numeric/nth';

/** Problems named with their path, at most this many: a damaged file may have thousands. */
export const MOST_PROBLEMS = 200;

/**
 * @param schema - As it was given to Ajv, with its unions hoisted.
 * @param value - The whole value that did not pass.
 */
export function problemsFrom(
  errors: readonly ErrorObject[],
  schema: unknown,
  value: unknown,
  base: string,
): SheetProblem[] {
  const seen = new Set<string>();
  return meantOnly(errors, schema, value)
    .map((error) => problem('schema', base + error.instancePath, sentence(error)))
    .filter(({ path, message }) => !seen.has(path + message) && seen.add(path + message))
    .slice(0, MOST_PROBLEMS);
}

function meantOnly(all: readonly ErrorObject[], schema: unknown, value: unknown): ErrorObject[] {
  let errors = [...all];
  // The innermost choice first, so that an outer one counts only what is left of it.
  const choices = errors
    .filter((error) => error.keyword === 'anyOf')
    .sort((a, b) => b.schemaPath.length - a.schemaPath.length);
  for (const choice of choices) {
    const inside = (error: ErrorObject) =>
      error !== choice &&
      error.schemaPath.startsWith(`${choice.schemaPath}/`) &&
      (error.instancePath === choice.instancePath ||
        error.instancePath.startsWith(`${choice.instancePath}/`));
    const children = errors.filter(inside);
    const rest = errors.filter((error) => error !== choice && !inside(error));
    const branches = at(schema, choice.schemaPath.replace(/^#/, ''));
    const list = Array.isArray(branches) ? (branches as Branch[]) : [];
    errors = [...rest, ...best(choice, children, list, at(value, choice.instancePath))];
  }
  return errors;
}

interface Branch {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, unknown>>;
  readonly required?: readonly string[];
}

/** Field by which a sheet says which of several kinds it means. */
const TAG = 'kind';

/** The complaints of the branch that was meant; for an unknown kind, which ones there are. */
function best(
  choice: ErrorObject,
  children: readonly ErrorObject[],
  branches: readonly Branch[],
  value: unknown,
): ErrorObject[] {
  const constants = (path: string) =>
    children.filter((e) => e.keyword === 'const' && e.instancePath === path);
  const own = constants(choice.instancePath);
  if (own.length === children.length && own.length > 0)
    return [oneOf(choice, choice.instancePath, own)];
  // What is referred to reports paths of its own, so kinds are told by the complaints themselves: the
  // branch that was meant is the only one that does not mind the tag.
  const minded = constants(`${choice.instancePath}/${TAG}`);
  if (minded.length > 0) {
    const strangers = new Set(minded.map((e) => branchOf(choice, e)));
    const meant = children.find((e) => !strangers.has(branchOf(choice, e)));
    return meant
      ? children.filter((e) => branchOf(choice, e) === branchOf(choice, meant))
      : [oneOf(choice, `${choice.instancePath}/${TAG}`, minded)];
  }
  const index = fittest(branches, value);
  return index < 0 ? [...children] : children.filter((e) => branchOf(choice, e) === String(index));
}

/** Which branch of a choice a complaint comes from. */
const branchOf = (choice: ErrorObject, error: ErrorObject): string =>
  nth(error.schemaPath.slice(choice.schemaPath.length + 1).split('/'), 0);

const isObject = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/** Of branches without a tag, the one whose type and fields the value has; −1 where none is known. */
function fittest(branches: readonly Branch[], value: unknown): number {
  const scores = branches.map(({ type, properties = {}, required = [] }) => {
    if (!isObject(value)) return type === typeof value ? 1 : 0;
    if (type !== 'object') return -1;
    const keys = Object.keys(value);
    const missing = required.filter((key) => !keys.includes(key)).length;
    return keys.filter((key) => properties[key] !== undefined).length - missing;
  });
  return scores.indexOf(Math.max(...scores));
}

/** The place that a JSON pointer names. */
function at(value: unknown, pointer: string): unknown {
  return pointer
    .split('/')
    .slice(1)
    .map((key) => key.replace(/~1/g, '/').replace(/~0/g, '~'))
    .reduce<unknown>(
      (inner, key) =>
        inner === null || typeof inner !== 'object'
          ? undefined
          : (inner as Record<string, unknown>)[key],
      value,
    );
}

function oneOf(choice: ErrorObject, at: string, constants: readonly ErrorObject[]): ErrorObject {
  const allowed = [...new Set(constants.map((e) => e.params.allowedValue as unknown))];
  return { ...choice, instancePath: at, keyword: 'enum', params: { allowedValues: allowed } };
}

const TYPES: Readonly<Record<string, string>> = {
  number: 'a number, without quotes and without its unit',
  integer: 'a whole number',
  string: 'text in quotes',
  boolean: 'true or false',
  array: 'a list in [ ]',
  object: 'a group of fields in { }',
  null: 'null',
};

function sentence(error: ErrorObject): string {
  const { params } = error;
  switch (error.keyword) {
    case 'required':
      return `“${params.missingProperty}” is missing; add it.`;
    case 'additionalProperties':
      return `“${params.additionalProperty}” is not a field here; remove it.`;
    case 'const':
      return `must be ${JSON.stringify(params.allowedValue)}.`;
    case 'enum':
      return `must be one of ${(params.allowedValues as unknown[]).join(', ')}.`;
    case 'type':
      return `must be ${[params.type]
        .flat()
        .map((type: string) => TYPES[type] ?? type)
        .join(' or ')}.`;
    case 'pattern':
      return 'is not written as it should be: letters, digits, dots, dashes, underlines and plus signs, no spaces.';
    case 'minimum':
    case 'exclusiveMinimum':
      return `must be ${params.comparison === '>' ? 'more than' : 'at least'} ${params.limit}; correct the figure.`;
    case 'maximum':
    case 'exclusiveMaximum':
      return `must be ${params.comparison === '<' ? 'less than' : 'at most'} ${params.limit}; correct the figure.`;
    case 'minItems':
      return `needs at least ${params.limit}; add what is missing.`;
    case 'maxItems':
      return `may hold ${params.limit} at most; leave some out.`;
    case 'minLength':
      return 'may not be empty; fill it in.';
    case 'maxLength':
      return `may be ${params.limit} characters long at most; shorten it.`;
    case 'minProperties':
      return `needs at least ${params.limit}; add what is missing.`;
    default:
      return `${error.message ?? 'is not valid'}.`;
  }
}
