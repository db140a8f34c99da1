import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { expect, test } from "vitest";

const src = join(import.meta.dirname, "../../src");

/** Folders of the core from the general to the particular; each may import only from itself and from those before it. */
const order = [
  "values",
  "files",
  "problems",
  "workspace",
  "artwork",
  "catalog",
  "derive",
  "splice",
  "references",
  "template",
  "localize",
  "render",
  "ledger",
  "roster",
  "plan",
  "check",
  "page",
  "guide",
  "audit",
  "proof",
  "init",
];
/** Places, problems and values describe each other; as types they may. */
const foundations = new Set(["values", "files", "problems"]);

const files = readdirSync(src, { recursive: true, encoding: "utf8" }).filter((file) => /\.tsx?$/.test(file));
const imports = (file: string) =>
  [...readFileSync(join(src, file), "utf8").matchAll(/(?:from|import)\s*\(?\s*"([^"]+)"/g)].map(
    (match) => match[1] ?? "",
  );

test("the core imports in one direction, and nothing from the command line", () => {
  const wrong = files
    .filter((file) => file.startsWith("core/"))
    .flatMap((file) =>
      imports(file)
        .filter((path) => path.startsWith("."))
        .map((path) => relative(src, resolve(src, dirname(file), path)))
        .filter((target) => {
          const [from, to] = [file.split("/")[1] ?? "", target.split("/")[1] ?? ""];
          if (!target.startsWith("core/")) return true;
          if (foundations.has(from) && foundations.has(to)) return false;
          return order.indexOf(to) > order.indexOf(from);
        })
        .map((target) => `${file} → ${target}`),
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
      /\b(write\w*|rename\w*|rm\w*|unlink\w*|mkdir\w*|copyFile\w*|chmod\w*|symlink\w*|utimes\w*)\b[^;]*from "node:fs"/.test(
        readFileSync(join(src, file), "utf8"),
      ),
    );
  expect(writing.sort()).toEqual(["core/files/door.ts", "core/files/new-folder.ts"]);
});

test("files stay small enough to hold one idea", () => {
  const long = files.filter((file) => readFileSync(join(src, file), "utf8").split("\n").length > 260);
  expect(long).toEqual([]);
});
