/** What stands once for several copies or for some variants: their names, and ids that tell copies apart. */
import { variantsOf } from '../sheet/expand/variants';
import type { WrittenSheet } from '../sheet/schema';
import { problem, warning, type SheetProblem } from '../validation/problem';

interface Placed {
  readonly path: string;
  readonly per?: string;
  readonly only?: readonly string[];
  readonly id?: string;
}

export function shape(sheet: WrittenSheet): SheetProblem[] {
  const placed: Placed[] = [];
  findPlaced(sheet, '', placed);
  const text = sheet.repeats ? JSON.stringify({ ...sheet, repeats: undefined }) : '';
  return [
    ...repeatsThemselves(sheet, text),
    ...variantsThemselves(sheet, placed),
    ...placed.flatMap((each) => ofPlaced(sheet, each)),
  ];
}

/** Everything of a sheet that says `per` or `only`. */
function findPlaced(value: unknown, path: string, found: Placed[]): void {
  if (value === null || typeof value !== 'object') return;
  if (Array.isArray(value)) {
    value.forEach((each, i) => findPlaced(each, `${path}/${i}`, found));
    return;
  }
  const { per, only, id } = value as Record<string, unknown>;
  if (typeof per === 'string' || Array.isArray(only))
    found.push({
      path,
      ...(typeof per === 'string' && { per }),
      ...(Array.isArray(only) && { only: only as string[] }),
      ...(typeof id === 'string' && { id }),
    });
  for (const [key, inner] of Object.entries(value))
    if (inner !== null && typeof inner === 'object') findPlaced(inner, `${path}/${key}`, found);
}

function repeatsThemselves({ repeats = [] }: WrittenSheet, text: string): SheetProblem[] {
  return repeats.flatMap(({ id, of, name }, i) => {
    const path = `/repeats/${i}`;
    const again = of.find((each, k) => of.indexOf(each) !== k);
    return [
      ...(repeats.findIndex((each) => each.id === id) < i
        ? [problem('duplicate-id', `${path}/id`, `“${id}” repeats twice; give one another word.`)]
        : []),
      ...(again !== undefined
        ? [problem('duplicate-id', `${path}/of`, `“${again}” is there twice; each copy is one.`)]
        : []),
      ...(text.includes(`"per":"${id}"`) || text.includes(`{${id}}`)
        ? []
        : [
            warning(
              'repeat',
              path,
              `Nothing is repeated by “${id}”: say per “${id}” on what every copy has, or drop it.`,
            ),
          ]),
      ...(name !== undefined && !name.includes(`{${id}}`)
        ? [warning('repeat', `${path}/name`, `Every copy is called “${name}”: put {${id}} in it.`)]
        : []),
    ];
  });
}

function variantsThemselves(
  { variants = [] }: WrittenSheet,
  placed: readonly Placed[],
): SheetProblem[] {
  const used = new Set(placed.flatMap(({ only = [] }) => only));
  return variants.flatMap((variant, i) => {
    const path = `/variants/${i}`;
    const own = variantsOf(variant);
    const others = new Set(variants.slice(0, i).flatMap(variantsOf));
    const shared = own.find((id) => others.has(id));
    return [
      ...(variants.findIndex(({ id }) => id === variant.id) < i
        ? [
            problem(
              'duplicate-id',
              `${path}/id`,
              `“${variant.id}” is asked twice; give one another id.`,
            ),
          ]
        : []),
      ...(shared !== undefined
        ? [
            problem(
              'variant',
              `${path}/answers`,
              `“${shared}” answers an earlier question already; a variant answers one.`,
            ),
          ]
        : []),
      ...(own.length < 2
        ? [
            problem(
              'variant',
              `${path}/answers`,
              'All answers are one variant; then nothing need be asked.',
            ),
          ]
        : []),
      ...(own.some((id) => used.has(id))
        ? []
        : [
            warning(
              'variant',
              path,
              `Nothing hangs on “${variant.asks}”: say under only what one variant has, or drop it.`,
            ),
          ]),
    ];
  });
}

function ofPlaced(
  { repeats = [], variants = [] }: WrittenSheet,
  { path, per, only = [], id }: Placed,
): SheetProblem[] {
  const known = new Set(variants.flatMap(variantsOf));
  const repeat = repeats.find((each) => each.id === per);
  return [
    ...(per !== undefined && !repeat
      ? [
          problem(
            'unknown-reference',
            `${path}/per`,
            `Nothing is repeated by “${per}”; declare it under repeats.`,
          ),
        ]
      : []),
    ...(repeat && id !== undefined && !id.includes(`{${repeat.id}}`)
      ? [
          problem(
            'duplicate-id',
            `${path}/id`,
            `Every copy would be called “${id}”: put {${repeat.id}} in its id.`,
          ),
        ]
      : []),
    ...only.flatMap((each, i) =>
      known.has(each)
        ? []
        : [
            problem(
              'unknown-reference',
              `${path}/only/${i}`,
              `There is no variant “${each}”; declare what is asked under variants.`,
            ),
          ],
    ),
  ];
}
