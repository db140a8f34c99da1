import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { describe, expect, test } from "vitest";
import { contents, edit, endOf, oxalis, startOxalis, sums, temporaryFolder, workspaceWith } from "../support/oxalis.ts";

const brief = "clients/3-acre/brief.yaml";
const lid = "variants/3-acre/ios/Storefront/Stall.xcassets/CrateLid.appiconset/lid.png";

const changesOf = (out: string) =>
  (JSON.parse(out).clients as { changes: { what: string; path: string; why: string }[] }[]).flatMap(({ changes }) =>
    changes.map(({ what, path }) => ({ what, path })),
  );

test("two runs over the same inputs give the same bytes, and the second one writes nothing", () => {
  const [one, two] = [workspaceWith(["3-acre"]), workspaceWith(["3-acre"])];
  for (const folder of [one, two]) expect(oxalis(folder, "generate").code).toBe(0);
  const [first, second] = [sums(join(one, "variants")), sums(join(two, "variants"))];
  expect(first).toEqual(second);
  const again = oxalis(one, "generate");
  expect(again.err).toBe("");
  expect(oxalis(one, "generate", "-v").err).toContain("nothing to do");
  expect(again.out).toContain("1 variant in variants/: 0 changed, 1 as before.");
});

test("what changed since the last run is told, of each file why, and of a client that did not change nothing", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0, out: "", err: "" });
  edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace('brand: "#1e4d2b"', 'brand: "#1e4d2c"'));
  edit(folder, "clients/3-acre/art/mark.svg", (text) => text.replace("</svg>", "<!-- another --></svg>"));
  edit(folder, "template/web/style.css", (text) => `${text}\n/* wider */\n`);
  const { out, err } = oxalis(folder, "generate", "--dry-run", "--verbose", "3-acre");
  const why = (file: string) => new RegExp(`^to change .*${file}  (.*)$`, "m").exec(out)?.[1];
  expect(why("values/paint.xml")).toContain("colors.brand: #1e4d2b → #1e4d2c");
  expect(why("web/style.css")).toContain("the template's web/style.css changed");
  expect(why("ic_crate_front.png") ?? why("drawable[^ ]*png")).toContain("clients/3-acre/art/mark.svg is another");
  expect(err).toMatch(/because of colors\.brand, .* and \d+ more/);
  const made = oxalis(folder, "generate");
  expect(made.err).toMatch(/^✓ saltmarsh .*: 1 changed {2}because of the template's web\/style\.css$/m);
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => text.replace(/^email: .*$/m, "email: sea@saltmarsh.example"));
  const last = oxalis(folder, "generate");
  expect(last.err).not.toContain("3-acre");
  expect(last.err).toContain("because of email");
});

test("only what changed is made again, and what is no longer planned is removed", () => {
  const folder = workspaceWith(["3-acre"]);
  oxalis(folder, "generate");
  edit(folder, brief, (text) => text.replace("3acre.example", "three-acre.example"));
  const renamed = changesOf(oxalis(folder, "generate", "--json").out);
  expect(renamed.length).toBeGreaterThan(3);
  expect(renamed.every(({ what, path }) => what === "change" && !path.endsWith(".png"))).toBe(true);

  const xcode = "template/ios/Storefront/Stall.xcassets/OpeningMark.imageset/Contents.json";
  edit(folder, xcode, (text) => text.replaceAll("opening@3x.png", "opening-large.png"));
  const moved = changesOf(oxalis(folder, "generate", "--json").out);
  const set = "ios/Storefront/Stall.xcassets/OpeningMark.imageset";
  expect(moved).toContainEqual({ what: "create", path: `${set}/opening-large.png` });
  expect(moved).toContainEqual({ what: "remove", path: `${set}/opening@3x.png` });
  expect(existsSync(join(folder, "variants/3-acre", set, "opening@3x.png"))).toBe(false);
  expect(oxalis(folder, "audit").code).toBe(0);
});

test("a file that was changed or deleted by hand is put back", () => {
  const folder = workspaceWith(["3-acre"]);
  oxalis(folder, "generate");
  const before = readFileSync(join(folder, lid));
  writeFileSync(join(folder, lid), "not a picture");
  rmSync(join(folder, "variants/3-acre/web/sw.js"));
  const what = changesOf(oxalis(folder, "generate", "--json").out).map((change) => change.what);
  expect(what).toEqual(["restore", "restore"]);
  expect(readFileSync(join(folder, lid)).equals(before)).toBe(true);
});

test("--dry-run says what would be done and writes nothing", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  rmSync(join(folder, ".oxalis"), { recursive: true });
  const { code, out } = oxalis(folder, "generate", "--dry-run", "3-acre");
  expect(code).toBe(0);
  expect(out).toMatch(/^to make +variants\/3-acre\/android\/app\/build\.gradle\.kts$/m);
  expect(out).toContain("1 variant would change, 0 would not.");
  expect(existsSync(join(folder, "variants"))).toBe(false);
  expect(existsSync(join(folder, ".oxalis"))).toBe(false);
});

/** Files of the workspace's own that stay between runs. */
const keptForm = /^(cache\/[0-9a-f]\/[0-9a-f]{63}|made\/[a-z0-9-]+\.json|pictures\.json)$/;

async function killedWhen(folder: string, far: () => boolean): Promise<void> {
  const run = startOxalis(folder, "generate");
  while (!far()) {
    if (run.exitCode !== null) throw new Error("the run had ended before it could be killed");
    await pause(5);
  }
  run.kill("SIGKILL");
  await endOf(run);
}

/** Whether a run has begun to write: more than three files, none of which is read, since each may be gone by then. */
function hasBegun(scratch: string): boolean {
  try {
    const all = readdirSync(scratch, { recursive: true, withFileTypes: true });
    return all.filter((entry) => entry.isFile()).length > 3;
  } catch {
    return false; // not there yet, or what lay in it has just gone
  }
}

test("a first run that is killed leaves nothing of the variant, and the next one makes it", async () => {
  const folder = workspaceWith(["3-acre"]);
  const scratch = join(folder, ".oxalis/scratch");
  await killedWhen(folder, () => hasBegun(scratch));
  expect(existsSync(join(folder, "variants/3-acre"))).toBe(false);
  expect(oxalis(folder, "generate").code).toBe(0);
  expect(oxalis(folder, "audit").code).toBe(0);
  expect([...contents(join(folder, ".oxalis")).keys()].filter((file) => !keptForm.test(file))).toEqual([]);
});

test("a later run that is killed leaves the variant as it was, and the next run makes the new one", async () => {
  const folder = workspaceWith(["3-acre"]);
  oxalis(folder, "generate");
  const before = sums(join(folder, "variants/3-acre"));
  const scratch = join(folder, ".oxalis/scratch");
  edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace(/ground: *"#\w+"/, 'ground: "#fff4c2"'));
  await killedWhen(folder, () => hasBegun(scratch));
  expect(sums(join(folder, "variants/3-acre"))).toEqual(before);
  expect(oxalis(folder, "audit").err).toContain("[out-of-date]");
  expect(oxalis(folder, "generate").code).toBe(0);
  expect(sums(join(folder, "variants/3-acre"))).not.toEqual(before);
  expect(oxalis(folder, "audit").code).toBe(0);
  expect([...contents(join(folder, ".oxalis")).keys()].filter((file) => !keptForm.test(file))).toEqual([]);
});

test("what a killed run made under a plan that has since changed is cleared away", () => {
  const folder = workspaceWith(["3-acre"]);
  oxalis(folder, "generate");
  const path = join(folder, "variants/3-acre/.receipt.json");
  const receipt = JSON.parse(readFileSync(path, "utf8"));
  receipt.files["web/pictures/gone.png"] = ["draw", "0", null];
  writeFileSync(path, JSON.stringify(receipt));
  writeFileSync(join(folder, "variants/3-acre/web/pictures/gone.png"), "half a plan");
  expect(changesOf(oxalis(folder, "generate", "--json").out)).toEqual([
    { what: "remove", path: "web/pictures/gone.png" },
  ]);
});

test("two runs at once do not mix", async () => {
  const folder = workspaceWith(["3-acre"]);
  const codes = await Promise.all([1, 2].map(() => endOf(startOxalis(folder, "generate"))));
  expect(codes).toContain(0);
  expect(codes.every((code) => code === 0 || code === 1)).toBe(true);
  expect(oxalis(folder, "audit").code).toBe(0);
});

test("a failing client does not stop the others, and keeps what it had", () => {
  const folder = workspaceWith(["3-acre", "saltmarsh"]);
  oxalis(folder, "generate");
  const before = sums(join(folder, "variants/3-acre"));
  writeFileSync(join(folder, "clients/3-acre/art/mark.svg"), "<svg");
  edit(folder, "clients/saltmarsh/brief.yaml", (text) => text.replace("label: Saltmarsh", "label: Salty"));
  const { code, err, out } = oxalis(folder, "generate");
  expect(code).toBe(1);
  expect(err).toContain("✗ 3-acre     1 error");
  expect(err).toMatch(/✓ saltmarsh {2}\d+ files: \d+ changed/);
  expect(out).toContain("1 client failed.");
  expect([...contents(join(folder, "variants/3-acre")).keys()]).toEqual([...before.keys()]);
});

describe("nothing outside the workspace is touched", () => {
  test("a variant's folder that is a link", () => {
    const folder = workspaceWith(["3-acre"]);
    const elsewhere = temporaryFolder();
    mkdirSync(join(folder, "variants"));
    symlinkSync(elsewhere, join(folder, "variants/3-acre"));
    const { code, err } = oxalis(folder, "generate");
    expect(code).toBe(1);
    expect(err).toContain("[path-outside]");
    expect(contents(elsewhere).size).toBe(0);
  });

  test("a picture behind a link, and a template file behind a link", () => {
    const folder = workspaceWith(["3-acre"]);
    const secret = join(temporaryFolder(), "mark.svg");
    renameSync(join(folder, "clients/3-acre/art/mark.svg"), secret);
    symlinkSync(secret, join(folder, "clients/3-acre/art/mark.svg"));
    expect(oxalis(folder, "generate").err).toContain("[path-outside]");
    symlinkSync(secret, join(folder, "template/web/leak.svg"));
    expect(oxalis(folder, "generate").err).toContain("template/web/leak.svg is a link that leads outside");
  });
});
