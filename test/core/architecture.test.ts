import { readdirSync, readFileSync } from "node:fs";
import { basename, dirname, join, relative, resolve } from "node:path";
import { expect, test } from "vitest";

const src = join(import.meta.dirname, "../../src");

/** Rooms of the core from the general to the particular; each may import only from itself and from those before it. */
const order = [
  "values",
  "problems",
  "files",
  "processes",
  "mail",
  "slots",
  "stores",
  "workspace",
  "artwork",
  "lettering",
  "variant",
  "splice",
  "references",
  "template",
  "page",
  "platforms",
  "catalog",
  "record",
  "derive",
  "survey",
  "render",
  "ledger",
  "roster",
  "board",
  "ask",
  "copysheet",
  "plan",
  "make",
  "check",
  "guide",
  "audit",
  "proof",
  "init",
  "operations",
];

const files = readdirSync(src, { recursive: true, encoding: "utf8" }).filter((file) => /\.tsx?$/.test(file));
const imports = (file: string) =>
  [...readFileSync(join(src, file), "utf8").matchAll(/(?:from|import)\s*\(?\s*"([^"]+)"/g)].map(
    (match) => match[1] ?? "",
  );

const roomOf = (file: string): string => file.split("/")[1] ?? "";
const targetsOf = (file: string): string[] =>
  imports(file)
    .filter((path) => path.startsWith("."))
    .map((path) => relative(src, resolve(src, dirname(file), path)));

test("every room of the core has its place", () => {
  const rooms = new Set(files.filter((file) => /^core\/.+\//.test(file)).map(roomOf));
  expect([...rooms].filter((room) => !order.includes(room))).toEqual([]);
});

test("the core imports in one direction, and nothing from the command line", () => {
  const wrong = files
    .filter((file) => file.startsWith("core/"))
    .flatMap((file) =>
      targetsOf(file)
        .filter((target) => !target.startsWith("core/") || order.indexOf(roomOf(target)) > order.indexOf(roomOf(file)))
        .map((target) => `${file} → ${target}`),
    );
  expect(wrong).toEqual([]);
});

test("no platform knows another; what the Apple ones have in common lies beside them", () => {
  const wrong = files
    .filter((file) => /^core\/platforms\/\w+\//.test(file))
    .flatMap((file) => {
      const [, , own] = file.split("/");
      const allowed = own === "apple" ? [own] : [own, "apple", "definition.ts", "limit.ts"];
      return targetsOf(file)
        .filter((target) => target.startsWith("core/platforms/") && !allowed.includes(target.split("/")[2]))
        .map((target) => `${file} → ${target}`);
    });
  expect(wrong).toEqual([]);
});

test("no files import each other in a circle, not even as types", () => {
  const done = new Set<string>();
  const circles: string[] = [];
  const walk = (file: string, way: readonly string[]): void => {
    if (way.includes(file)) circles.push([...way.slice(way.indexOf(file)), file].join(" → "));
    if (done.has(file) || way.includes(file)) return;
    for (const target of targetsOf(file)) if (files.includes(target)) walk(target, [...way, file]);
    done.add(file);
  };
  for (const file of files) walk(file, []);
  expect(circles).toEqual([]);
});

test("work is stopped and attempted in one way: nothing else throws a problem, and nothing catches one", () => {
  const wrong = files.filter(
    (file) =>
      file !== "core/problems/result.ts" && /instanceof (Stop|Refusal)/.test(readFileSync(join(src, file), "utf8")),
  );
  expect(wrong).toEqual([]);
});

test("no file's name begins with its neighbour's", () => {
  const named = files.map((file) => ({ folder: dirname(file), name: basename(file).replace(/\.tsx?$/, "") }));
  const wrong = named.flatMap(({ folder, name }) =>
    named
      .filter((each) => each.folder === folder && each.name.startsWith(`${name}-`))
      .map((each) => `${folder}/${each.name}`),
  );
  expect(wrong).toEqual([]);
});

test("the core prints nothing, ends nothing, and knows no command framework", () => {
  const wrong = files
    .filter((file) => file.startsWith("core/"))
    .filter((file) => {
      const text = readFileSync(join(src, file), "utf8");
      const foreign = imports(file).some((path) =>
        ["commander", "picocolors", "cli-table3", "cli-progress"].includes(path),
      );
      return foreign || /\bconsole\.|process\.(exit|stdout|stderr|argv|env)/.test(text);
    });
  expect(wrong).toEqual([]);
});

test("nothing of the core but its doors touches the file system", () => {
  const past = files
    .filter((file) => file.startsWith("core/") && !file.startsWith("core/files/"))
    .filter((file) => imports(file).some((path) => /^(node:)?(fs|fs\/promises)$/.test(path)));
  expect(past).toEqual([]);
  const writing = files
    .filter((file) => file.startsWith("core/files/"))
    .filter((file) =>
      /\b((write|rename|rm|unlink|mkdir|copyFile|chmod|symlink|utimes)\w*)\b[^;]*from "node:fs"/.test(
        readFileSync(join(src, file), "utf8"),
      ),
    );
  expect(writing.sort()).toEqual(["core/files/writing/door.ts", "core/files/writing/new-folder.ts"]);
});

test("files stay small enough to hold one idea", () => {
  const long = files.filter((file) => readFileSync(join(src, file), "utf8").split("\n").length > 260);
  expect(long).toEqual([]);
});

test("no line is longer than 120 columns", () => {
  const long = files.flatMap((file) =>
    readFileSync(join(src, file), "utf8")
      .split("\n")
      .flatMap((line, at) => (line.length > 120 ? [`${file}:${at + 1}`] : [])),
  );
  expect(long).toEqual([]);
});
