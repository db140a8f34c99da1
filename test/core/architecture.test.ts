import { existsSync, readdirSync, readFileSync } from "node:fs";
import { basename, dirname, join, relative, resolve } from "node:path";
import { expect, test } from "vitest";

const src = join(import.meta.dirname, "../../src");

/**
 * Wings of the core, and the rooms of each, from the general to the particular: a room may import from itself and from
 * those before it. Files beside the rooms of a wing count as its last. The stores' folders are no rooms: none knows another.
 */
const wings: Readonly<Record<string, readonly string[]>> = {
  ground: [
    "values",
    "problems",
    "systems",
    "files",
    "processes",
    "mail",
    "certificates",
    "vault",
    "contents",
    "queue",
    "interfaces",
  ],
  formats: ["splice", "references", "archives", "packages", "programs", "signatures", "films"],
  pictures: ["slots", "artwork", "lettering"],
  stores: [],
  agency: ["documents", "history", "workspace"],
  pages: ["words", "parts"],
  app: ["variant", "template", "platforms", "catalog", "survey", "packages"],
  clients: ["record", "derive", "passage", "release", "keys", "roster", "testers"],
  making: ["render", "plan", "jobs", "make", "building", "sharing", "submitting"],
  proving: ["keys", "standing", "check", "audit", "packages"],
  showing: [
    "letters",
    "designer",
    "board",
    "builds",
    "installing",
    "copysheet",
    "handsheet",
    "inviting",
    "news",
    "guide",
    "proof",
  ],
  operations: ["running", "init"],
};

const order = Object.entries(wings).flatMap(([wing, rooms]) =>
  rooms.length > 0 ? rooms.map((room) => `${wing}/${room}`) : [wing],
);

const files = readdirSync(src, { recursive: true, encoding: "utf8" }).filter((file) => /\.tsx?$/.test(file));
const imports = (file: string) =>
  [...readFileSync(join(src, file), "utf8").matchAll(/(?:from|import)\s*\(?\s*"([^"]+)"/g)].map(
    (match) => match[1] ?? "",
  );

const wingOf = (file: string): string => file.split("/")[1] ?? "";
const roomOf = (file: string): string => file.split("/").slice(1, 3).join("/");
/** Where a file stands in the order: its room, or its wing where it lies beside the rooms. */
const placeOf = (file: string): number => {
  const within = order.indexOf(roomOf(file));
  return within >= 0 ? within : order.findLastIndex((room) => room.split("/")[0] === wingOf(file));
};
const targetsOf = (file: string): string[] =>
  imports(file)
    .filter((path) => path.startsWith("."))
    .map((path) => relative(src, resolve(src, dirname(file), path)));

test("the core has at most a dozen wings, and every room its place in one", () => {
  expect(Object.keys(wings).length).toBeLessThanOrEqual(12);
  const rooms = new Set(files.filter((file) => /^core\/\w+\/[\w-]+\//.test(file)).map(roomOf));
  expect([...rooms].filter((room) => !room.startsWith("stores/")).sort()).toEqual(
    order.filter((room) => room.includes("/")).sort(),
  );
  const beside = files.filter((file) => /^core\/[^/]+\.tsx?$/.test(file) && !file.endsWith(".d.ts"));
  expect(beside).toEqual([]);
});

test("docs name no file of the source that is not there", () => {
  const root = join(src, "..");
  const docs = readdirSync(join(root, "docs"), { recursive: true, encoding: "utf8" }).filter((file) =>
    file.endsWith(".md"),
  );
  const wrong = ["CONTRIBUTING.md", ...docs.map((file) => `docs/${file}`)].flatMap((file) =>
    [...readFileSync(join(root, file), "utf8").matchAll(/`((?:src\/)?[a-z]+\/[\w/-]+\.tsx?)`/g)]
      .map(([, path = ""]) => path)
      .filter((path) => !["", "src/", "src/core/"].some((base) => existsSync(join(root, base + path))))
      .map((path) => `${file}: ${path}`),
  );
  expect(wrong).toEqual([]);
});

test("the core imports in one direction, and nothing from the command line", () => {
  const wrong = files
    .filter((file) => file.startsWith("core/"))
    .flatMap((file) =>
      targetsOf(file)
        .filter((target) => !target.startsWith("core/") || placeOf(target) > placeOf(file))
        .map((target) => `${file} → ${target}`),
    );
  expect(wrong).toEqual([]);
});

test("docs/architecture.md has a line for each wing, with its rooms", () => {
  const docs = readFileSync(join(src, "../docs/architecture.md"), "utf8");
  const lines = [...docs.matchAll(/^\| `(\w+)\/` \|[^|]*\|([^|]*)\|$/gm)].map(([, wing = "", rooms = ""]) => [
    wing,
    [...rooms.matchAll(/`([\w-]+)\/`/g)].map(([, room = ""]) => room),
  ]);
  expect(Object.fromEntries(lines)).toEqual(wings);
});

test("no platform knows another, and no store; what the Apple ones have in common lies beside them", () => {
  const wrong = files.flatMap((file) => {
    const [, parent = "", own = ""] = /^core\/(app\/platforms|stores)\/([\w-]+)\//.exec(file) ?? [];
    const others = targetsOf(file).filter((target) => {
      const [, its = "", other = ""] = /^core\/(app\/platforms|stores)\/([\w-]+)\//.exec(target) ?? [];
      return its === parent && other !== own && other !== "apple";
    });
    const list = targetsOf(file).filter((target) => target === `core/${parent}/all.ts`);
    return own === "" ? [] : [...others, ...list].map((target) => `${file} → ${target}`);
  });
  expect(wrong).toEqual([]);
});

test("no operation is made of another", () => {
  const isOperation = (file: string) => /^core\/operations\/[^/]+$/.test(file);
  const wrong = files.filter(isOperation).flatMap((file) =>
    targetsOf(file)
      .filter(isOperation)
      .map((target) => `${file} → ${target}`),
  );
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
      file !== "core/ground/problems/result.ts" &&
      /instanceof (Stop|Refusal)/.test(readFileSync(join(src, file), "utf8")),
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
    .filter((file) => file.startsWith("core/") && !/^core\/ground\/(files|systems)\//.test(file))
    .filter((file) => imports(file).some((path) => /^(node:)?(fs|fs\/promises)$/.test(path)));
  expect(past).toEqual([]);
  const writing = files
    .filter((file) => file.startsWith("core/ground/files/"))
    .filter((file) =>
      /\b((write|rename|rm|unlink|mkdir|copyFile|chmod|symlink|utimes)\w*)\b[^;]*from "node:fs"/.test(
        readFileSync(join(src, file), "utf8"),
      ),
    );
  expect(writing.sort()).toEqual(["core/ground/files/writing/door.ts", "core/ground/files/writing/new-folder.ts"]);
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
