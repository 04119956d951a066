/** The API as an OpenAPI 3.1 document, made of the same schemas that check what comes in and goes out. */
import type { TSchema } from '@sinclair/typebox';
import { entrySchema } from '../job/kinds/schemas';
import { OPERATIONS, type Operation } from './operations';
import { problemSchema } from './resources';
import { ROUTES, type RouteName } from './routes';

type Json = { [key: string]: unknown };

/** Shapes with a name of their own, each once. */
class Components {
  readonly schemas: Json = {};

  /** A schema as it is written: named ones as references. */
  written(schema: unknown): unknown {
    if (Array.isArray(schema)) return schema.map((each) => this.written(each));
    if (schema === null || typeof schema !== 'object') return schema;
    const { $id, ...rest } = schema as { readonly $id?: string };
    if ($id === undefined) return this.#each(rest);
    const name = nameOf($id);
    if (!(name in this.schemas)) {
      // Before it is filled, so that one that contains itself ends.
      this.schemas[name] = {};
      this.schemas[name] = this.#each(rest);
    }
    return { $ref: `#/components/schemas/${name}` };
  }

  #each(value: object): Json {
    return Object.fromEntries(
      Object.entries(tupleOf2020(value)).map(([key, each]) => [key, this.written(each)]),
    );
  }
}

/** Tuples as JSON Schema 2020-12 has them, which is OpenAPI’s; ours are of the draft that Ajv reads. */
function tupleOf2020(schema: object): object {
  const { items, additionalItems, ...rest } = schema as {
    items?: unknown;
    additionalItems?: unknown;
  };
  if (!Array.isArray(items)) return schema;
  return {
    ...rest,
    prefixItems: items,
    ...(additionalItems !== undefined && { items: additionalItems }),
  };
}

/** `SheetListItem` of `sheet-list-item`. */
const nameOf = (id: string): string =>
  id.replace(/(^|-)(\w)/g, (_, __, letter: string) => letter.toUpperCase());

const PARAMETERS: Readonly<Record<string, Json>> = {
  id: { type: 'string' },
  revision: { type: 'integer', minimum: 1 },
  hash: { type: 'string', pattern: '^[0-9a-f]{64}$' },
};

const PAGE_QUESTIONS: readonly Json[] = [
  {
    name: 'limit',
    in: 'query',
    description: 'How many at once; 200 at most.',
    schema: { type: 'integer', minimum: 1 },
  },
  {
    name: 'after',
    in: 'query',
    description: 'Where the next page begins, as the Link header of the one before says.',
    schema: { type: 'string' },
  },
];

/** @param version - Of the program. */
export function openApiDocument(version: string): Json {
  const components = new Components();
  const paths: Record<string, Json> = {};
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const { method, path } = ROUTES[name];
    const under = (paths[path] ??= {});
    under[method.toLowerCase()] = operation(name, OPERATIONS[name], path, components);
  }
  components.written(problemSchema);
  return {
    openapi: '3.1.0',
    info: {
      title: 'Jeitinho',
      version,
      description:
        'Jobs, their logs, sheets and what belongs to them. Errors are application/problem+json with a stable code.',
    },
    servers: [{ url: '/api/v1' }],
    paths,
    components: { schemas: { ...components.schemas, Entry: components.written(entrySchema) } },
  };
}

function operation(
  name: RouteName,
  { summary, description, query, body, answers, paged }: Operation,
  path: string,
  components: Components,
): Json {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, each = '']) => ({
    name: each,
    in: 'path',
    required: true,
    schema: PARAMETERS[each] ?? { type: 'string' },
  }));
  const required = new Set(query?.required ?? []);
  const inQuery = Object.entries(query?.properties ?? {}).map(([each, schema]) => ({
    name: each,
    in: 'query',
    required: required.has(each),
    schema: components.written(schema),
  }));
  const parameters = [...inPath, ...inQuery, ...(paged ? PAGE_QUESTIONS : [])];
  const [, tag = ''] = path.split('/');
  return {
    operationId: name,
    tags: [tag],
    summary,
    ...(description !== undefined && { description }),
    ...(parameters.length > 0 && { parameters }),
    ...(body && { requestBody: { required: true, content: content(body, components) } }),
    responses: {
      ...Object.fromEntries(
        Object.entries(answers).map(([status, answer]) => [
          status,
          {
            description: answer ? summary : 'Done; nothing comes back.',
            ...(answer && { content: content(answer, components) }),
            ...(paged && { headers: { Link: { schema: { type: 'string' } } } }),
          },
        ]),
      ),
      default: {
        description: 'It was not done, and why.',
        content: {
          'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } },
        },
      },
    },
  };
}

function content(
  shape: TSchema | { readonly files: readonly string[] },
  components: Components,
): Json {
  if ('files' in shape && Array.isArray(shape.files))
    return Object.fromEntries(
      (shape.files as readonly string[]).map((type) => [
        type,
        { schema: { type: 'string', contentMediaType: type } },
      ]),
    );
  return { 'application/json': { schema: components.written(shape) } };
}
