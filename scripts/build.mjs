// Builds src/ into dist/: one small start file, and a chunk for each command that is loaded when it is called.
import { rmSync } from "node:fs";
import { build } from "esbuild";

const packages = ["commander", "picocolors"]; // needed at every start, so bundled: one file to open, not dozens

rmSync("dist", { recursive: true, force: true });
await build({
  entryPoints: { oxalis: "src/cli/main.ts" },
  outdir: "dist",
  bundle: true,
  splitting: true,
  format: "esm",
  platform: "node",
  target: "node20.19",
  jsx: "automatic",
  jsxImportSource: "preact",
  loader: { ".css": "text" },
  chunkNames: "chunks/[name]-[hash]",
  sourcemap: "linked",
  banner: {
    js: "#!/usr/bin/env node\nimport { createRequire as __oxalisRequire } from 'node:module'; const require = __oxalisRequire(import.meta.url);",
  },
  plugins: [
    {
      name: "external-packages",
      setup({ onResolve }) {
        onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
          kind === "entry-point" || packages.includes(path) ? undefined : { path, external: true },
        );
      },
    },
  ],
  logLevel: "warning",
});
