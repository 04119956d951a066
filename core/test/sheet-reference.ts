/**
 * The reference of the sheet's language, made from its schema: every field with what may stand in it, and
 * what the comment beside it in the source says. A field that is not in here is not in the language.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { sheetSchema } from '../src/sheet/schema';

interface Loose {
  type?: string;
  const?: unknown;
  enum?: readonly unknown[];
  anyOf?: Loose[];
  allOf?: Loose[];
  items?: Loose | Loose[];
  properties?: Record<string, Loose>;
  patternProperties?: Record<string, Loose>;
  required?: readonly string[];
  description?: string;
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
  pattern?: string;
}

const SOURCES = [
  '../src/schema-words.ts',
  '../src/sheet/schema.ts',
  ...in_('../src/sheet/schema'),
  ...in_('../src/judge'),
  ...in_('../src/judge/groups'),
  ...in_('../src/judge/series'),
  '../src/curves/schema.ts',
].map((file) => join(__dirname, file));

function in_(folder: string): string[] {
  return readdirSync(join(__dirname, folder))
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => `${folder}/${file}`);
}

/** One object literal of the source: its own fields, with the comment above each. */
type Commented = ReadonlyMap<string, string>;

function commentsIn(file: string): Commented[] {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
  );
  const found: Commented[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isObjectLiteralExpression(node)) {
      const fields = node.properties.flatMap((property): [string, string][] =>
        property.name &&
        (ts.isPropertyAssignment(property) || ts.isShorthandPropertyAssignment(property))
          ? [[property.name.getText(source), commentOf(property, source)]]
          : [],
      );
      found.push(new Map(fields));
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

function commentOf(node: ts.Node, source: ts.SourceFile): string {
  const [last] = (ts.getLeadingCommentRanges(source.text, node.getFullStart()) ?? []).slice(-1);
  if (!last || !source.text.startsWith('/**', last.pos)) return '';
  return source.text
    .slice(last.pos + 3, last.end - 2)
    .replace(/^\s*\*\s?/gm, '')
    .replace(/\s+/g, ' ')
    .trim();
}

const literals = SOURCES.flatMap(commentsIn).filter((each) => [...each.values()].some(Boolean));

/** What the source says of the fields of one schema: by the literals that are made of fields of it. */
function commentsOf(fields: readonly string[]): Commented {
  const names = new Set(fields);
  const said = new Map<string, string>();
  const fitting = literals
    .filter((each) => [...each.keys()].every((name) => names.has(name)))
    .sort((a, b) => b.size - a.size);
  for (const each of fitting)
    for (const [name, text] of each) if (text && !said.has(name)) said.set(name, text);
  return said;
}

interface Section {
  readonly title: string;
  readonly schema: Loose;
}

/** The reference as a page of Markdown. */
export function sheetReference(): string {
  const titles = new Map<string, string>();
  const whole: object = sheetSchema;
  const queue: Section[] = [{ title: 'The sheet', schema: whole as Loose }];
  const linkFrom =
    (parent: string): Link =>
    (name, schema) => {
      const key = JSON.stringify(schema);
      const free = (title: string) => ![...titles.values()].includes(title);
      const title = titles.get(key) ?? (free(name) ? name : `${name} of ${parent}`);
      if (!titles.has(key)) queue.push({ title, schema });
      titles.set(key, title);
      return `[${title}](#${anchor(title)})`;
    };
  const written: string[] = [];
  // The queue grows while a section is written: what it speaks of comes after it.
  for (let next = queue.shift(); next; next = queue.shift())
    written.push(sectionOf(next, linkFrom(next.title)));
  return [
    '# The sheet’s language, field by field',
    'Made from the schema (`/schemas/sheet-2.json`) and the comments beside it; `DOCS_WRITE=1 npx jest --selectProjects core --testPathPatterns sheet/reference` writes it anew. How to use it: [your first sheet](how-to/write-a-sheet.md), [sheets in depth](how-to/sheet-in-depth.md). A field in **bold** must be there.',
    ...written,
    '',
  ].join('\n\n');
}

const anchor = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^\p{L}\p{N} -]/gu, '')
    .replaceAll(' ', '-');

type Link = (title: string, schema: Loose) => string;

function sectionOf({ title, schema }: Section, link: Link): string {
  const branches = schema.anyOf ?? [];
  const tagged = branches.length > 0 && branches.every(({ properties }) => properties?.kind);
  if (tagged) {
    const shared = sharedBy(branches);
    const sharedNames = Object.keys(shared);
    const rows = branches.map((branch) => {
      const { properties = {}, required = [] } = branch;
      const own = Object.keys(properties).filter(
        (name) => name !== 'kind' && !sharedNames.includes(name),
      );
      const said = commentsOf(Object.keys(properties));
      const fields = own.map((name) => {
        const words = said.get(name) ?? properties[name]!.description;
        const bold = required.includes(name) ? `**${name}**` : name;
        return `${bold}: ${typeWords(name, properties[name]!, link)}${words ? ` (${words})` : ''}`;
      });
      return `| \`${String(properties.kind!.const)}\` | ${cell(fields.join('<br>') || '–')} |`;
    });
    const required = sharedNames.filter((name) =>
      branches.every((branch) => branch.required?.includes(name)),
    );
    return [
      `## ${title}`,
      'By its `kind`:',
      ['| kind | fields |', '|---|---|', ...rows].join('\n'),
      ...(sharedNames.length > 0
        ? ['In most kinds:', table({ properties: shared, required }, link)]
        : []),
    ].join('\n\n');
  }
  const plain = branches.length > 0 ? merged(branches) : schema;
  return `## ${title}\n\n${table(plain, link)}`;
}

/** Fields that a third of the kinds have alike: said once, below all of them. */
function sharedBy(branches: readonly Loose[]): Record<string, Loose> {
  const names = new Set(branches.flatMap(({ properties = {} }) => Object.keys(properties)));
  names.delete('kind');
  return Object.fromEntries(
    [...names].flatMap((name): [string, Loose][] => {
      const forms = branches.flatMap(({ properties = {} }) => properties[name] ?? []);
      const [first] = forms;
      const alike = first && forms.every((form) => JSON.stringify(form) === JSON.stringify(first));
      return alike && forms.length * 3 >= branches.length ? [[name, first]] : [];
    }),
  );
}

/** Of several forms of one thing, every field; required where all of them want it. */
function merged(branches: readonly Loose[]): Loose {
  const properties: Record<string, Loose> = {};
  for (const branch of branches) Object.assign(properties, branch.properties);
  return {
    properties,
    required: Object.keys(properties).filter((name) =>
      branches.every((branch) => branch.required?.includes(name)),
    ),
  };
}

function table({ properties = {}, required = [] }: Loose, link: Link): string {
  const said = commentsOf(Object.keys(properties));
  const rows = Object.entries(properties).map(([name, schema]) => {
    const words = said.get(name) ?? schema.description ?? itemOf(schema)?.description ?? '';
    const bold = required.includes(name) ? `**${name}**` : name;
    return `| ${bold} | ${cell(typeWords(name, schema, link))} | ${cell(words)} |`;
  });
  return ['| field | what | |', '|---|---|---|', ...rows].join('\n');
}

const cell = (text: string): string => text.replaceAll('|', '\\|').replaceAll('\n', ' ');

const itemOf = ({ items }: Loose): Loose | undefined => (Array.isArray(items) ? undefined : items);

function typeWords(name: string, schema: Loose, link: Link): string {
  if (schema.const !== undefined) return `\`${JSON.stringify(schema.const)}\``;
  if (schema.enum) return schema.enum.map((each) => `\`${String(each)}\``).join(', ');
  const item = itemOf(schema);
  if (schema.type === 'array')
    return item ? `list of ${typeWords(name, item, link)}` : 'pair of numbers';
  if (schema.patternProperties) {
    const [value] = Object.values(schema.patternProperties);
    return `by name: ${value ? typeWords(name, value, link) : 'anything'}`;
  }
  if (schema.properties || schema.anyOf?.some((each) => each.properties ?? each.anyOf))
    return link(name, schema);
  if (schema.allOf) return schema.allOf.map((each) => typeWords(name, each, link)).join(' with ');
  if (schema.anyOf) return schema.anyOf.map((each) => typeWords(name, each, link)).join(' or ');
  const low = schema.minimum ?? schema.exclusiveMinimum;
  const range = [
    low !== undefined && `${schema.minimum === undefined ? 'above' : 'from'} ${low}`,
    schema.maximum !== undefined && `to ${schema.maximum}`,
  ]
    .filter(Boolean)
    .join(' ');
  const words =
    schema.type === 'string'
      ? 'text'
      : schema.type === 'boolean'
        ? 'true or false'
        : (schema.type ?? 'anything');
  return [words === 'integer' ? 'whole number' : words, range].filter(Boolean).join(', ');
}
