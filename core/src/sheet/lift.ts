/**
 * Lifting a sheet of an earlier edition to the present one, before anything else looks at it. It never
 * fails: what is no sheet at all is left to the schema to say so.
 */
import { warning, type SheetProblem } from '../validation/problem';

export const FIRST_EDITION = 'jeitinho.sheet/1';
const PRESENT_EDITION = 'jeitinho.sheet/2';

export interface Lifted {
  readonly value: unknown;
  /** What could not be lifted, or what its author can say now; empty for a sheet of this edition. */
  readonly notes: readonly SheetProblem[];
}

type Loose = Readonly<Record<string, unknown>>;

const isGroup = (value: unknown): value is Loose =>
  value !== null && typeof value === 'object' && !Array.isArray(value);
const groups = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);

/** @param value - Read from JSON; never changed. */
export function liftSheet(value: unknown): Lifted {
  if (!isGroup(value) || value.format !== FIRST_EDITION) return { value, notes: [] };
  const plugs = new Set(
    groups(value.access).flatMap((each) =>
      isGroup(each) && each.energy === 'dead' && typeof each.id === 'string' ? [each.id] : [],
    ),
  );
  const notes: SheetProblem[] = [
    warning(
      'lifted',
      '/format',
      'This sheet was written in format 1 and is read as format 2. Nothing in it was lost; save it again to keep it so.',
    ),
  ];
  const lifted = (list: unknown, name: string) =>
    Array.isArray(list)
      ? list.map((test, i) => liftTest(test, plugs, `/${name}/${i}`, notes))
      : list;
  return {
    value: {
      ...value,
      format: PRESENT_EDITION,
      ...('tests' in value && { tests: lifted(value.tests, 'tests') }),
      ...('sequences' in value && { sequences: lifted(value.sequences, 'sequences') }),
    },
    notes,
  };
}

/** Accesses listed are out; of those, the plugs isolate where it said `isolated`. */
function liftTest(
  test: unknown,
  plugs: ReadonlySet<string>,
  path: string,
  notes: SheetProblem[],
): unknown {
  if (!isGroup(test)) return test;
  const { access, isolated, ...rest } = test;
  const listed = groups(access).filter((id): id is string => typeof id === 'string');
  const isolates = isolated === true ? listed.filter((id) => plugs.has(id)) : [];
  if (isolated === true && isolates.length === 0)
    notes.push(
      warning(
        'lifted',
        `${path}/isolates`,
        'It said isolated, and no plug of it is pulled: name under isolates what must be out.',
      ),
    );
  return {
    ...rest,
    ...(access !== undefined && {
      access: Array.isArray(access) ? Object.fromEntries(listed.map((id) => [id, 'out'])) : access,
    }),
    ...(isolates.length > 0 && { isolates }),
  };
}
