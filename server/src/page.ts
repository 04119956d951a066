/**
 * Lists in pages. A page ends with a cursor: the values of its last row in the order of the list, so that
 * the next one goes on from there however much was added meanwhile, and finding it costs one look into
 * the index. The address of the next page stands in the `Link` header (RFC 8288); without it, it was the
 * last.
 */
import type { Context } from 'hono';
import { Op, type Includeable, type Model, type ModelStatic, type WhereOptions } from 'sequelize';
import { ProblemError } from './problem';

const MOST_LISTED = 200;
/** Where nothing is said. */
const USUALLY_LISTED = 100;
const LONGEST_CURSOR = 2_000;

export type Direction = 'ASC' | 'DESC';
type Value = string | number;

export interface PageAsked {
  readonly limit: number;
  /** Values of the last row of the page before, in the order of the list. */
  readonly after: readonly Value[] | undefined;
}

/** @throws {ProblemError} 400 for a limit or cursor that is none. */
export function pageAsked(c: Context, columns: number): PageAsked {
  const { limit, after } = c.req.query();
  const most = Math.min(MOST_LISTED, Number(limit ?? USUALLY_LISTED));
  if (!Number.isInteger(most) || most < 1)
    throw new ProblemError(400, 'bad-query', 'limit is a whole number, 1 or more.');
  return { limit: most, after: after === undefined ? undefined : readCursor(after, columns) };
}

function readCursor(text: string, columns: number): readonly Value[] {
  try {
    if (text.length > LONGEST_CURSOR) throw new Error('too long');
    const values: unknown = JSON.parse(Buffer.from(text, 'base64url').toString());
    const whole =
      Array.isArray(values) &&
      values.length === columns &&
      values.every((each) => typeof each === 'string' || Number.isFinite(each));
    if (whole) return values as Value[];
  } catch {
    // Told below.
  }
  throw new ProblemError(
    400,
    'bad-query',
    'after is the cursor of a list’s next page, as its Link header gives it.',
  );
}

/** Rows beyond a cursor: `(a, b) > (x, y)` said so that an index is used. */
export function beyond(
  columns: readonly string[],
  after: readonly Value[] | undefined,
  direction: Direction = 'ASC',
): WhereOptions {
  if (!after) return {};
  const [strict, loose] = direction === 'ASC' ? [Op.gt, Op.gte] : [Op.lt, Op.lte];
  const [first] = columns;
  return {
    [Op.and]: [
      { [first!]: { [loose]: after[0] } },
      {
        [Op.or]: columns.map((column, i) => ({
          ...Object.fromEntries(columns.slice(0, i).map((each, k) => [each, after[k]])),
          [column]: { [strict]: after[i] },
        })),
      },
    ],
  };
}

/**
 * Answer with the page, its last row left out where it only showed that there are more.
 * @param rows - One more than asked for, where there are as many.
 */
export function pageOf<T>(
  c: Context,
  rows: readonly T[],
  { limit }: PageAsked,
  cursor: (row: T) => readonly Value[],
): readonly T[] {
  if (rows.length <= limit) return rows;
  const page = rows.slice(0, limit);
  const next = new URL(c.req.url);
  next.searchParams.set(
    'after',
    Buffer.from(JSON.stringify(cursor(page.at(-1)!))).toString('base64url'),
  );
  c.header('link', `<${next.pathname}${next.search}>; rel="next"`);
  return page;
}

/**
 * A page of a table: first which rows, out of the index alone, then what is shown of them. In one step the
 * database reads and sorts the whole table where it thinks that it is small.
 * @param list.columns - The order of the list, the id last; there is an index of just these.
 */
export async function rowsOf<M extends Model & { id: string }>(
  c: Context,
  model: ModelStatic<M>,
  list: {
    readonly columns: readonly string[];
    readonly direction?: Direction;
    readonly where?: WhereOptions;
    readonly include?: Includeable[];
  },
): Promise<M[]> {
  const { columns, direction = 'ASC', where = {}, include = [] } = list;
  const asked = pageAsked(c, columns.length);
  const rows = await model.findAll({
    attributes: [...columns],
    where: { [Op.and]: [where, beyond(columns, asked.after, direction)] } as WhereOptions<M>,
    order: columns.map((column): [string, string] => [column, direction]),
    limit: asked.limit + 1,
  });
  const page = pageOf(c, rows, asked, (row) => columns.map((column) => valueOf(row.get(column))));
  const whole = await model.findAll({
    // Every model here has an id; Sequelize’s types ask it of each model by itself.
    where: { id: page.map(({ id }) => id) } as unknown as WhereOptions<M>,
    include,
  });
  const byId = new Map(whole.map((row) => [row.id, row]));
  return page.flatMap(({ id }) => byId.get(id) ?? []);
}

const valueOf = (value: unknown): Value =>
  value instanceof Date ? value.toISOString() : ((value ?? '') as Value);
