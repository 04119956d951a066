/** The API to be read by people: every route with what goes in and what comes out, out of its document. */
import { html, raw } from 'hono/html';
import type { HtmlEscapedString } from 'hono/utils/html';

interface Shape {
  readonly $ref?: string;
  readonly type?: string;
  readonly description?: string;
}
interface Content {
  readonly content?: Readonly<Record<string, { readonly schema: Shape }>>;
  readonly description?: string;
}
interface Parameter {
  readonly name: string;
  readonly in: string;
  readonly required?: boolean;
  readonly description?: string;
  readonly schema: Shape;
}
interface Route {
  readonly operationId: string;
  readonly tags: readonly string[];
  readonly summary: string;
  readonly description?: string;
  readonly parameters?: readonly Parameter[];
  readonly requestBody?: Content;
  readonly responses: Readonly<Record<string, Content>>;
}
interface Document {
  readonly info: { readonly title: string; readonly version: string; readonly description: string };
  readonly servers: readonly { readonly url: string }[];
  readonly paths: Readonly<Record<string, Readonly<Record<string, Route>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, unknown>> };
}
type Html = HtmlEscapedString | Promise<HtmlEscapedString>;

/** @param written - As `openApiDocument` makes it. */
export function apiPage(written: object): Html {
  const { info, servers, paths, components } = written as Document;
  const base = servers[0]?.url ?? '';
  const routes = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, route]) => ({ method, path, route })),
  );
  const tags = [...new Set(routes.flatMap(({ route }) => route.tags))];
  return html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>${info.title}: its API</title>
        <style>
          ${raw(STYLE)}
        </style>
      </head>
      <body>
        <header>
          <h1>${info.title}: its API</h1>
          <p>
            Version ${info.version}, below <code>${base}</code>. ${info.description} For programs:
            <a href="${base}/openapi.json">OpenAPI 3.1 document</a>.
          </p>
          <nav aria-label="Routes">
            ${tags.map((tag) => html`<a href="#${tag}">${tag}</a> `)}
            <a href="#shapes">shapes</a>
          </nav>
        </header>
        <main>
          ${tags.map(
            (tag) => html`
              <h2 id="${tag}">${tag}</h2>
              ${routes
                .filter(({ route }) => route.tags.includes(tag))
                .map(({ method, path, route }) => routePart(method, path, route))}
            `,
          )}
          <h2 id="shapes">shapes</h2>
          ${Object.entries(components.schemas).map(
            ([name, schema]) => html`
              <details id="shape-${name}">
                <summary>${name}</summary>
                <pre tabindex="0">${JSON.stringify(schema, null, 2)}</pre>
              </details>
            `,
          )}
        </main>
      </body>
    </html>`;
}

function routePart(method: string, path: string, route: Route): Html {
  const answers = Object.entries(route.responses).filter(([status]) => status !== 'default');
  return html`
    <section aria-labelledby="${route.operationId}">
      <h3 id="${route.operationId}">
        <code><b>${method.toUpperCase()}</b> ${path}</code>
      </h3>
      <p>${route.summary}. ${route.description ?? ''}</p>
      <dl>
        ${(route.parameters ?? []).map(
          (each) => html`
            <dt><code>${each.name}</code> in the ${each.in === 'path' ? 'address' : 'query'}</dt>
            <dd>${each.schema.type ?? 'one of its words'}. ${each.description ?? ''}</dd>
          `,
        )}
        ${
          route.requestBody
            ? html`<dt>goes in</dt>
                <dd>${contentPart(route.requestBody)}</dd>`
            : ''
        }
        ${answers.map(
          ([status, answer]) => html`
            <dt>comes out, ${status}</dt>
            <dd>${answer.content ? contentPart(answer) : 'nothing'}</dd>
          `,
        )}
      </dl>
    </section>
  `;
}

function contentPart({ content = {} }: Content): Html {
  return html`${Object.entries(content).map(
    ([type, { schema }]) => html`<code>${type}</code> ${shapePart(schema)} `,
  )}`;
}

/** A link for what has a name of its own, the schema itself for the rest. */
function shapePart(schema: Shape): Html {
  const name = schema.$ref?.split('/').at(-1);
  if (name !== undefined) return html`<a href="#shape-${name}">${name}</a>`;
  return html`<details>
    <summary>shape</summary>
    <pre tabindex="0">${JSON.stringify(schema, null, 2)}</pre>
  </details>`;
}

const STYLE = `
:root { color-scheme: light dark; --ink: #1d1b16; --paper: #f6f1e4; --soft: #5c5645; --hair: #cfc6ae; --jade: #0b6b57; }
@media (prefers-color-scheme: dark) { :root { --ink: #f0ead8; --paper: #17150f; --soft: #b3aa92; --hair: #453f30; --jade: #58c9ad; } }
body { margin: 0; background: var(--paper); color: var(--ink); font: 17px/1.5 system-ui, sans-serif; }
header, main { max-width: 60rem; margin: 0 auto; padding: 1rem 1.25rem; }
h1 { font-size: 1.6rem; margin: 0; } h2 { border-bottom: 2px solid var(--ink); margin-top: 2.5rem; }
h3 { font-size: 1.05rem; margin: 1.5rem 0 0; overflow-wrap: anywhere; }
a { color: var(--jade); } nav a { display: inline-block; padding: .5rem .75rem .5rem 0; }
p { margin: .25rem 0; } dt { color: var(--soft); margin-top: .5rem; } dd { margin: 0; }
pre { overflow: auto; max-height: 28rem; border: 1px solid var(--hair); padding: .75rem; font-size: .85rem; }
summary { cursor: pointer; padding: .35rem 0; }
`;
