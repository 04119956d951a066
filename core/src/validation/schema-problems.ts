/**
 * Ajv's errors as problems a person can mend. Where a value may be one of several kinds, Ajv complains
 * for every kind; only the complaints of the kind that was meant are kept.
 */
import type { ErrorObject } from 'ajv';
import { problem, type SheetProblem } from '../sheet/checks/problem';

/** Problems named with their path, at most this many: a damaged file may have thousands. */
export const MOST_PROBLEMS = 200;

export function problemsFrom(errors: readonly ErrorObject[], base: string): SheetProblem[] {
  const seen = new Set<string>();
  return meantOnly(errors)
    .map((error) => problem('schema', base + error.instancePath, sentence(error)))
    .filter(({ path, message }) => !seen.has(path + message) && seen.add(path + message))
    .slice(0, MOST_PROBLEMS);
}

/** Fields by which a sheet says which of several kinds it means. */
const TAGS = ['kind', 'how'];

function meantOnly(all: readonly ErrorObject[]): ErrorObject[] {
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
    errors = [...rest, ...best(choice, children)];
  }
  return errors;
}

function best(choice: ErrorObject, children: readonly ErrorObject[]): ErrorObject[] {
  const constants = (at: string) =>
    children.filter((e) => e.keyword === 'const' && e.instancePath === at);
  const own = constants(choice.instancePath);
  // A choice among words.
  if (own.length === children.length && own.length > 0)
    return [oneOf(choice, choice.instancePath, own)];
  const branches = new Map<string, ErrorObject[]>();
  for (const child of children) {
    const branch = child.schemaPath.slice(choice.schemaPath.length + 1).split('/')[0]!;
    branches.set(branch, [...(branches.get(branch) ?? []), child]);
  }
  const untagged = (errors: readonly ErrorObject[]) =>
    !errors.some(
      (e) =>
        e.keyword === 'const' &&
        TAGS.some((tag) => e.instancePath === `${choice.instancePath}/${tag}`),
    );
  const meant = [...branches.values()].filter(untagged).sort((a, b) => a.length - b.length)[0];
  if (meant) return meant;
  const tag = TAGS.find((each) => constants(`${choice.instancePath}/${each}`).length > 0);
  const at = tag && `${choice.instancePath}/${tag}`;
  return at === undefined ? [...children] : [oneOf(choice, at, constants(at))];
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
