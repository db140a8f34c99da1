// Many clients over a template of many files, as whole projects and as overlays, against copying and searching the
// same.
import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { measured, measuredInTurn, program, report, took, work } from "./measure.mjs";

const clients = 100;
const files = 2_000;
const manyFiles = 10_000;

/** A page with so many files beside it, of 1 to 8 KiB each. */
function template(folder, files) {
  cpSync("test/fixtures/templates/web-static", folder, { recursive: true });
  for (let at = readdirSync(folder).length; at < files; at++) {
    const below = join(folder, "src", `part-${at % 40}`);
    mkdirSync(below, { recursive: true });
    const line = `export const value${at} = "a line of some code that does nothing in particular";\n`;
    writeFileSync(join(below, `module-${at}.js`), line.repeat(12 + (at % 80)));
  }
}

function workspace(name, files) {
  const root = join(work, name);
  template(join(root, "app"), files);
  execFileSync("node", [program, "init", root, "--template", join(root, "app"), "-q"]);
  writeFileSync(
    join(root, "template.yaml"),
    "missing: { start-pictures: leave }\nallow: [{ file: index.html, text: Tide Table, reason: a sentence }]\n",
  );
  for (let at = 0; at < clients; at++) {
    const folder = join(root, "clients", `shop-${at}`);
    mkdirSync(join(folder, "art"), { recursive: true });
    cpSync("demo/clients/3-acre/art/mark.svg", join(folder, "art/mark.svg"));
    const brief =
      `app: { name: Shop number ${at} }\ndomain: shop${at}.example\ncolors: { brand: "#1e4d2b" }\nart: { ` +
      "mark: art/mark.svg }\n";
    writeFileSync(join(folder, "brief.yaml"), brief);
  }
  return root;
}

export function benchLayouts() {
  console.log(`\nLayouts: ${clients} clients over a template of ${files} files`);
  // What a file costs to make differs from minute to minute by a multiple: copying and making take turns.
  const roots = [0, 1].map((run) => workspace(`layouts-${run}`, files));
  const copies = (run) => join(work, `copies-${run}`);
  const copied = (run) => [
    "sh",
    [
      "-c",
      `mkdir ${copies(run)} && for i in $(seq ${clients}); do cp -r ${join(roots[run], "app")} ${copies(run)}/$i; done`,
    ],
  ];
  const madeAs = (layout) => (run) => ["node", [program, "generate", "-q", "--layout", layout, "-C", roots[run]]];
  const auditOf = (run) => ["node", [program, "audit", "-q", "-C", roots[run]]];
  const searched = (run) => ["sh", ["-c", `grep -rEil 'tide[ _.-]*table' ${copies(run)} > /dev/null; true`]];

  const [copy, tree] = measuredInTurn([copied, madeAs("tree")], roots.length);
  const [search, audited] = measuredInTurn([searched, auditOf], roots.length);
  console.log(`        cp -r                  ${took(copy)}\n        grep -r                ${took(search)}`);
  told("tree", { copy, search, made: tree, audited });
  for (const run of [0, 1]) {
    rmSync(copies(run), { recursive: true });
    for (const made of ["variants", ".oxalis"]) rmSync(join(roots[run], made), { recursive: true, force: true });
  }
  const [overlay] = measuredInTurn([madeAs("overlay")], roots.length);
  const [overlaid] = measuredInTurn([auditOf], roots.length);
  told("overlay", { copy, search, made: overlay, audited: overlaid });
  benchManyFiles();
}

function told(layout, { copy, search, made, audited }) {
  console.log(
    `        generate, ${layout.padEnd(12)} ${took(made)}\n        audit, ${layout.padEnd(15)} ${took(audited)}`,
  );
  report(`${layout}: generate, as a multiple of cp -r`, made.real / copy.real, 3);
  report(`${layout}: audit, as a multiple of grep -r`, audited.real / search.real, 3);
}

/** An overlay reads the template once, however many clients there are. */
function benchManyFiles() {
  console.log(`\nOverlays over a template of ${manyFiles} files`);
  const root = workspace("many-files", manyFiles);
  const once = measured("sh", ["-c", `cat $(find ${join(root, "app")} -type f) > /dev/null`], { runs: 3 });
  const keys = Array.from({ length: clients }, (_, at) => `shop-${at}`);
  const made = [1, clients].map((count) => {
    for (const gone of ["variants", ".oxalis"]) rmSync(join(root, gone), { recursive: true, force: true });
    const args = [program, "generate", "-q", "--layout", "overlay", "-C", root, ...keys.slice(0, count)];
    const run = measured("node", args, { runs: 1 });
    console.log(`        ${String(count).padEnd(4)} clients           ${took(run)}`);
    return run;
  });
  const [one, all] = made;
  console.log(`        reading it once        ${took(once)}`);
  report(
    "time a further client, as a multiple of reading it once",
    (all.real - one.real) / (clients - 1) / once.real,
    1,
  );
}
