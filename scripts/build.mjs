// Builds src/ into dist/: one small start file, and a chunk for each command that is loaded when it is called.
import { rmSync } from "node:fs";
import { build } from "esbuild";

const native = ["sharp"]; // brings a library of its own; all else is bundled: a few files to open at a start, not hundreds

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
  external: native,
  logLevel: "warning",
});
