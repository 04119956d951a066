// Files that import each other in a loop, types counted as well: lint sees only those that run.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const sources = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return sources(path);
    return /\.tsx?$/.test(each.name) && !/\.(test|spec)\./.test(each.name) ? [path] : [];
  });

const found = (path) =>
  [path, `${path}.ts`, `${path}.tsx`, join(path, 'index.ts')].find(
    (each) => /\.tsx?$/.test(each) && existsSync(each),
  );

const importsOf = (file) =>
  [...readFileSync(file, 'utf8').matchAll(/(?:from|import)\s*\(?'(\.[^']+)'/g)].flatMap(
    ([, to]) => found(join(dirname(file), to)) ?? [],
  );

/** Each loop as the files in it (Tarjan, strongly connected components). */
export function circlesIn(folders) {
  const files = folders.flatMap(sources);
  const edges = new Map(files.map((file) => [file, importsOf(file)]));
  const order = new Map();
  const lowest = new Map();
  const open = [];
  const circles = [];
  const visit = (file) => {
    order.set(file, order.size);
    lowest.set(file, order.get(file));
    open.push(file);
    for (const next of edges.get(file) ?? []) {
      if (!order.has(next)) visit(next);
      if (open.includes(next)) lowest.set(file, Math.min(lowest.get(file), lowest.get(next)));
    }
    if (lowest.get(file) !== order.get(file)) return;
    const circle = open.splice(open.indexOf(file));
    if (circle.length > 1) circles.push(circle);
  };
  for (const file of files) if (!order.has(file)) visit(file);
  return circles;
}
