// Builds src/ into dist/: one small start file, and a chunk for each command that is loaded when it is called.
// All is bundled: a few files to open at a start, not hundreds. Of sharp, its native library alone stays outside.
import { rmSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { build } from "esbuild";

/** Sharp looks for its native library from where it lies itself; bundled, it has to be told where that is. */
const sharpFromItsPlace = {
  name: "sharp from its place",
  setup({ onLoad }) {
    onLoad({ filter: /sharp[\\/]dist[\\/](sharp|utility)\.mjs$/ }, async ({ path }) => {
      const source = await readFile(path, "utf8");
      const here = "createRequire(import.meta.url)";
      const contents = source.replace(here, `createRequire(${here}.resolve("sharp"))`);
      if (contents === source) throw new Error(`${path} no longer looks for its library by import.meta.url`);
      return { contents, loader: "js" };
    });
  },
};

/** Tables as text: the engine reads JSON in a fraction of the time it takes for the same as a program. */
const tablesAsText = {
  name: "tables as text",
  setup({ onLoad }) {
    onLoad({ filter: /src[\\/].*\.json$/ }, async ({ path }) => {
      const text = JSON.stringify(JSON.parse(await readFile(path, "utf8")));
      const quoted = text.replace(/[\\']/g, "\\$&");
      return { contents: `export default JSON.parse('${quoted}')`, loader: "js" };
    });
  },
};

rmSync("dist", { recursive: true, force: true });
await build({
  entryPoints: { oxalis: "src/cli/main.ts" },
  outdir: "dist",
  bundle: true,
  splitting: true,
  format: "esm",
  platform: "node",
  target: "node20.19",
  minifyWhitespace: true, // a start reads all of it
  jsx: "automatic",
  jsxImportSource: "preact",
  loader: { ".css": "text" },
  chunkNames: "chunks/[name]-[hash]",
  sourcemap: "linked",
  sourcesContent: false,
  banner: {
    js: "#!/usr/bin/env node\nimport { createRequire as __oxalisRequire } from 'node:module'; const require = __oxalisRequire(import.meta.url);",
  },
  mainFields: ["module", "main"], // some packages have CommonJS that cannot be bundled beside good modules
  external: ["*.node", "@img/sharp-*"],
  plugins: [sharpFromItsPlace, tablesAsText],
  logLevel: "warning",
});
