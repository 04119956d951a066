// Test files told several to a context. A context of its own for each file loads everything anew for it: of
// the server's tests that was more than half of the time, of the page's two thirds. The quick check and
// `npx jest` still give each file its own, so that none comes to lean on another.
const { readdirSync } = require('node:fs');
const { join, relative } = require('node:path');

/** Tests of those a project tells together. */
const filesIn = (root) =>
  readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile() && /\.test\.tsx?$/.test(each.name))
    .map((each) => join(each.parentPath ?? each.path, each.name))
    .filter((file) => !/node_modules|\/dist\/|\.agreement\.test\./.test(file))
    .sort();

/** Every so many-th file of the project that runs, each in a chapter that has its name. */
function part(number) {
  const { root, parts } = globalThis.together;
  const mine = filesIn(root).filter((_, i) => i % parts === number - 1);
  for (const file of mine)
    describe(relative(root, file), () => {
      try {
        require(file);
      } catch (problem) {
        // One that does not load takes none of the others with it.
        test('loads', () => {
          throw problem;
        });
      }
    });
}

module.exports = { filesIn, part };
