// Builds src/ into dist/: a small start, and one script that holds the work of all commands. Both are bundled: a few
// files to open, not hundreds; of sharp, its native library alone stays outside.
import { chmodSync, copyFileSync, cpSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { basename, join } from "node:path";
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

/** The shaping library is a module that waits for itself; in a script, whoever loads it waits for `ready`. */
const shaperInAScript = {
  name: "shaper in a script",
  setup({ onLoad }) {
    const changed = {
      "index.mjs": ["init(await createHarfBuzz());", "export const ready = createHarfBuzz().then(init);"],
      "harfbuzz.js": ['await import("module")', 'process.getBuiltinModule("module")'],
    };
    onLoad({ filter: /harfbuzzjs[\\/]dist[\\/](index\.mjs|harfbuzz\.js)$/ }, async ({ path }) => {
      const source = await readFile(path, "utf8");
      const [from, to] = changed[basename(path)];
      const contents = source.replaceAll(from, to);
      if (contents === source) throw new Error(`${path} no longer waits for itself as it did`);
      return { contents, loader: "js" };
    });
  },
};

/** What is asked for as it stands: scripts for pages. */
const asItStands = {
  name: "as it stands",
  setup({ onResolve, onLoad }) {
    onResolve({ filter: /\?raw$/ }, ({ path, resolveDir }) => ({
      path: join(resolveDir, path.replace(/\?raw$/, "")),
      namespace: "raw",
    }));
    onLoad({ filter: /.*/, namespace: "raw" }, async ({ path }) => ({
      contents: await readFile(path, "utf8"),
      loader: "text",
    }));
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

/** Packages that take long to wake and that most commands never call, with what is asked of them. */
const wokenWhenCalled = {
  sharp: ["default"],
  "string-width": ["default"],
  "wrap-ansi": ["default"],
  marked: ["Marked"],
  plist: ["parse", "build"],
};

/** Stands in the place of what such a package exports, until it is called or asked for a member. */
const wokenLater = {
  name: "woken later",
  setup({ onResolve, onLoad, resolve }) {
    const ours = join(process.cwd(), "src/");
    // Packages that use one of these have a version of their own, and load it their own way.
    onResolve({ filter: new RegExp(`^(${Object.keys(wokenWhenCalled).join("|")})$`) }, ({ path, importer }) =>
      importer.startsWith(ours) ? { path, namespace: "woken later" } : undefined,
    );
    onLoad({ filter: /.*/, namespace: "woken later" }, async ({ path: name }) => {
      const resolveDir = process.cwd();
      const { path } = await resolve(name, { kind: "import-statement", resolveDir });
      const standsIn = (member) => `new Proxy(function () {}, {
        apply: (_, on, given) => Reflect.apply(wake().${member}, on, given),
        construct: (_, given) => Reflect.construct(wake().${member}, given),
        get: (_, of) => Reflect.get(wake().${member}, of),
      })`;
      const members = wokenWhenCalled[name].map((member) =>
        member === "default" ? `export default ${standsIn(member)};` : `export const ${member} = ${standsIn(member)};`,
      );
      const wake = `let awake; const wake = () => (awake ??= require(${JSON.stringify(path)}));`;
      return { contents: [wake, ...members].join("\n"), resolveDir };
    });
  },
};

/**
 * Commander can start other programs as commands; there are none, and loading what starts them takes a start's time.
 */
const noOtherPrograms = {
  name: "no other programs",
  setup({ onResolve, onLoad }) {
    onResolve({ filter: /^node:child_process$/ }, () => ({ path: "none", namespace: "none" }));
    onLoad({ filter: /.*/, namespace: "none" }, () => ({ contents: "module.exports = {}" }));
  },
};

const common = {
  outdir: "dist",
  bundle: true,
  platform: "node",
  target: "node20.19",
  minifyWhitespace: true, // a start reads all of it
  sourcemap: "linked",
  sourcesContent: false,
  logLevel: "warning",
};

rmSync("dist", { recursive: true, force: true });
const { metafile } = await build({
  ...common,
  entryPoints: { work: "src/cli/work.ts" },
  entryNames: "[name]-[hash]",
  outExtension: { ".js": ".cjs" },
  format: "cjs",
  jsx: "automatic",
  jsxImportSource: "preact",
  loader: { ".css": "text" },
  define: { "import.meta.url": "__url" },
  // The script is a function of what a CommonJS module is given.
  banner: {
    js:
      "(function(exports,require,module,__filename,__dirname){const " +
      "__url=require('node:url').pathToFileURL(__filename).href;",
  },
  footer: { js: "})" },
  mainFields: ["module", "main"], // some packages have CommonJS that cannot be bundled beside good modules
  external: ["*.node", "@img/sharp-*", "lmdb"],
  plugins: [wokenLater, sharpFromItsPlace, shaperInAScript, asItStands, tablesAsText],
  metafile: true,
});
const work = Object.keys(metafile.outputs).find((file) => file.endsWith(".cjs"));
// It is read a byte a character; the bundler escapes whatever else there is, but in regular expressions.
writeFileSync(
  work,
  readFileSync(work, "utf8").replace(
    /[\u0080-\uffff]/g,
    (unit) => `\\u${unit.charCodeAt(0).toString(16).padStart(4, "0")}`,
  ),
);
// The start is CommonJS: the engine's loader of modules takes longer to wake than the whole start to run.
const commonJs = {
  ...common,
  format: "cjs",
  define: { workFile: JSON.stringify(basename(work)), "import.meta.url": "__here.url" },
};
const url = "const __here = { get url() { return require('node:url').pathToFileURL(__filename).href; } };";
await build({
  ...commonJs,
  entryPoints: { oxalis: "src/cli/main.ts" },
  banner: { js: `#!/usr/bin/env node\n${url}` },
  plugins: [noOtherPrograms],
});
await build({ ...commonJs, entryPoints: { compare: "src/cli/compare-thread.ts" } });
cpSync("src/core/pictures/lettering/fonts", "dist/fonts", { recursive: true });
copyFileSync("node_modules/harfbuzzjs/dist/harfbuzz.wasm", "dist/harfbuzz.wasm");
chmodSync("dist/oxalis.js", 0o755);
writeFileSync("dist/package.json", '{ "type": "commonjs" }\n');
