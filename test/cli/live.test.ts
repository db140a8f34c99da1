import { type ChildProcess, execFileSync } from "node:child_process";
import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { afterAll, expect, test } from "vitest";
import { withoutBuilds } from "../support/builds.ts";
import { contents, edit, endOf, oxalis, startWith, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { parseShape, unlike } from "../support/shape.ts";

const root = join(import.meta.dirname, "../..");

const commands = readFileSync(join(root, "docs/commands.md"), "utf8");

/** The shape that a command's chapter gives. */
function shapeOf(command: string) {
  const chapter = commands.split(/^## /m).find((each) => new RegExp(`^${command}\\b`).test(each)) ?? "";
  return parseShape(/^JSON: `([^`]+)`/m.exec(chapter)?.[1] ?? "");
}

const problem = parseShape(/a problem is `([^`]+)`/.exec(commands)?.[1] ?? "");
const everywhere = {
  problems: { kind: "list", of: problem } as const,
  place: parseShape("{ file, line, column }"),
  problem,
};

const running = new Set<ChildProcess>();
afterAll(() => {
  for (const each of running) each.kill();
});

/** Packs what lies in a folder as a package for Windows, with the lists that belong to one. */
const packing = `
import { createHash } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import { zipSync } from ${JSON.stringify(join(root, "node_modules/fflate/esm/index.mjs"))};
const manifest = readFileSync("Package.appxmanifest");
const hash = createHash("sha256").update(manifest).digest("base64");
const map = '<?xml version="1.0" encoding="UTF-8"?><BlockMap xmlns="http://schemas.microsoft.com/appx/2010/blockmap" HashMethod="http://www.w3.org/2001/04/xmlenc#sha256"><File Name="AppxManifest.xml" Size="' + manifest.length + '" LfhSize="46"><Block Hash="' + hash + '"/></File></BlockMap>';
const types = '<?xml version="1.0" encoding="UTF-8"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default ContentType="application/vnd.ms-appx.manifest+xml" Extension="xml"/><Override PartName="/AppxBlockMap.xml" ContentType="application/vnd.ms-appx.blockmap+xml"/></Types>';
const files = { "AppxManifest.xml": manifest, "AppxBlockMap.xml": Buffer.from(map), "[Content_Types].xml": Buffer.from(types) };
writeFileSync("shop.msix", zipSync(files, { level: 0 }));
`;

/** A workspace of one client, whose Windows app is packed by a script. */
function shop(): string {
  const folder = workspaceWith(["saltmarsh"]);
  const script = join(temporaryFolder(), "pack.mjs");
  writeFileSync(script, packing);
  edit(folder, "template.yaml", withoutBuilds);
  edit(
    folder,
    "template.yaml",
    (text) =>
      `${text}\nbuilds:\n  windows:\n    steps:\n      - run: node ${script}\n    gives: { store: windows/shop.msix }\n`,
  );
  oxalis(folder, "generate", "-q");
  return folder;
}

/** Stores that run as a program of their own; what lets programs in is in the environment from then on. */
async function startStores(folder: string, ...args: string[]) {
  const program = startWith({}, folder, "stand-in", "store", ...args);
  running.add(program);
  const told = await new Promise<string>((said, fail) => {
    let text = "";
    program.stdout.on("data", (part) => {
      text += part;
      if (text.trimEnd().endsWith("}")) said(text);
    });
    program.stderr.on("data", (part) => fail(new Error(String(part))));
  });
  const { address, folder: kept, settings } = JSON.parse(told) as Record<string, string>;
  for (const file of readdirSync(kept ?? ""))
    if (file.endsWith(".env"))
      for (const line of readFileSync(join(kept ?? "", file), "utf8")
        .trim()
        .split("\n")) {
        const [name = "", value = ""] = line.split("=");
        process.env[name] = value;
      }
  const file = readdirSync(kept ?? "").find((each) => each.endsWith(".p8"));
  if (file) process.env.STORE_KEY = readFileSync(join(kept ?? "", file), "utf8");
  const forward = (hours: number) =>
    fetch(`${address}/clock`, {
      method: "POST",
      body: new URLSearchParams({ hours: String(hours) }),
      headers: { connection: "close" },
    });
  return { program, address: address ?? "", settings: settings ?? "", kept: kept ?? "", forward };
}

/** Words of a line, as a shell takes them apart. */
const wordsOf = (line: string): string[] =>
  [...line.matchAll(/"([^"]*)"|(\S+)/g)].map(([, quoted, plain]) => quoted ?? plain ?? "");

/** Whether a line is what a page says, in which three dots stand for anything. */
const isLike = (line: string, wanted: string): boolean =>
  new RegExp(
    `^${wanted
      .split("…")
      .map((part) => part.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"))
      .join(".*")}$`,
  ).test(line.trimEnd());

/** Lines that are to be there, in their order; one of three dots stands for any number of lines. */
function expectLines(printed: string, wanted: readonly string[]): void {
  const lines = printed.split("\n");
  let at = 0;
  let isFree = false;
  for (const each of wanted) {
    if (each === "…") isFree = true;
    else {
      const found = lines.findIndex((line, index) => index >= at && isLike(line, each));
      expect([each, found >= 0 && (isFree || found === at), printed]).toEqual([each, true, printed]);
      at = found + 1;
      isFree = false;
    }
  }
}

test("the page from package to live does what it says, from its first line to its last", async () => {
  const page = readFileSync(join(root, "docs/live.md"), "utf8");
  const calls = [...page.matchAll(/^```shell live\n([\s\S]*?)^```$/gm)].flatMap(([, text = ""]) =>
    text
      .split(/^\$ /m)
      .slice(1)
      .map((part) => part.trimEnd().split("\n")),
  );
  expect(calls.length).toBeGreaterThan(14);
  const folder = shop();
  const [[first = ""] = [], ...rest] = calls;
  const { settings, forward } = await startStores(folder, ...wordsOf(first).slice(3));
  edit(folder, "oxalis.yaml", (text) => `${text}\n${settings}\n`);
  for (const [call = "", ...lines] of rest) {
    const words = wordsOf(call);
    if (words[0] === "clock") await forward(Number(words[1]));
    else {
      const { out, err } = oxalis(folder, ...words.slice(1));
      expectLines(out + err, lines);
    }
  }
});

test("a run that is killed goes on where it was; the store is restarted meanwhile; two runs at once do each act once", async () => {
  const folder = shop();
  const { settings, kept, forward, program, address } = await startStores(
    folder,
    "--port",
    "0",
    "--json",
    "--accepts",
    "--seed",
    "kill",
  );
  edit(folder, "oxalis.yaml", (text) => `${text}\n${settings}\n`);
  oxalis(folder, "build", "saltmarsh", "--platform", "windows", "-q");
  const history = join(folder, "clients/saltmarsh/history");
  const events = () => readdirSync(history).filter((each) => each.startsWith("event-")).length;
  const submit = (...more: string[]) =>
    oxalis(folder, "submit", "saltmarsh", "--store", "microsoft-store", "--wait", "0", ...more);
  for (const after of [400, 900]) {
    const run = startWith({}, folder, "submit", "saltmarsh", "--store", "microsoft-store", "--wait", "0");
    running.add(run);
    await new Promise((over) => setTimeout(over, after));
    run.kill("SIGKILL");
    await endOf(run);
  }
  program.kill("SIGKILL");
  await endOf(program);
  const port = new URL(address).port;
  await startStores(folder, "--port", port, "--json", "--accepts", "--seed", "kill");
  const both = [1, 2].map(() =>
    startWith({}, folder, "submit", "saltmarsh", "--store", "microsoft-store", "--wait", "0"),
  );
  for (const each of both) running.add(each);
  await Promise.all(both.map(endOf));
  await forward(30);
  submit();
  await forward(100);
  submit("--out", "everybody");
  expect(submit("--out", "everybody").out).toContain("nothing was to be done");
  for (const [command, ...more] of [
    ["submit", "saltmarsh", "--store", "microsoft-store", "--dry-run"],
    ["update", "saltmarsh", "--dry-run"],
    ["events", "--look"],
    ["wait", "saltmarsh", "live", "--store", "microsoft-store", "--within", "0"],
    ["board", "saltmarsh"],
  ] as const) {
    const { out } = oxalis(folder, command, ...more, "--json");
    expect([command, unlike(shapeOf(command), JSON.parse(out), everywhere)]).toEqual([command, []]);
  }
  const kinds = readdirSync(history)
    .filter((each) => each.startsWith("event-"))
    .sort((a, b) => a.localeCompare(b, "en", { numeric: true }))
    .map((each) => (JSON.parse(readFileSync(join(history, each), "utf8")) as { kind: string }).kind);
  expect(kinds).toEqual([
    ...["created", "told", "told", "told", "told", "build-sent", "build-ready", "attached", "submitted"],
    ...["review-began", "approved", "live"],
  ]);
  expect(events()).toBe(12);
  // Neither a token nor what gives one is in anything that was written, but where the store itself has shown it.
  const secrets = [
    process.env.GOOGLE_PLAY_SECRET,
    process.env.MICROSOFT_STORE_SECRET,
    process.env.STORE_KEY?.split("\n")[1],
  ];
  const own = kept.slice(folder.length + 1);
  for (const [path, bytes] of contents(folder))
    if (!path.startsWith(own))
      for (const secret of secrets) expect([path, bytes.includes(secret ?? "?")]).toEqual([path, false]);
  expect(
    execFileSync(
      "stat",
      [
        "-c",
        "%a",
        ...readdirSync(kept)
          .filter((each) => /\.(env|p8)$/.test(each))
          .map((each) => join(kept, each)),
      ],
      { encoding: "utf8" },
    )
      .trim()
      .split("\n"),
  ).toEqual(["600", "600", "600"]);
});

test("what is asked for wrongly, or of whom nobody said it, does nothing", () => {
  const folder = workspaceWith(["saltmarsh", "3-acre"]);
  const codeOf = (...args: string[]) => {
    const { code, err, out } = oxalis(folder, ...args, "--json");
    const [problem] = (JSON.parse(out || "{}") as { problems?: { code: string }[] }).problems ?? [];
    return [code, problem?.code ?? err];
  };
  expect(codeOf("submit")).toEqual([1, "submission-unclear"]);
  expect(codeOf("submit", "nobody")).toEqual([1, "client-unknown"]);
  expect(codeOf("submit", "saltmarsh", "--out", "sideways")).toEqual([1, "value-invalid"]);
  expect(codeOf("submit", "*", "--reply", "we have")).toEqual([1, "submission-unclear"]);
  expect(codeOf("submit", "saltmarsh", "--wait", "long")).toEqual([1, "value-invalid"]);
  expect(codeOf("submit", "saltmarsh", "--store", "google-play", "--done", "dance")).toEqual([1, "submission-unclear"]);
  expect(codeOf("submit", "saltmarsh", "--store", "google-play", "--done", "refused")).toEqual([
    1,
    "submission-unclear",
  ]);
  expect(codeOf("submit", "saltmarsh", "--store", "google-play", "--done", "record", "--on", "2100-01-01")).toEqual([
    1,
    "value-invalid",
  ]);
  expect(codeOf("wait", "saltmarsh", "approved")).toEqual([1, "submission-unclear"]);
  expect(codeOf("events", "--since", "yesterday")).toEqual([1, "value-invalid"]);
  expect(codeOf("testers", "end", "nobody@field.example")).toEqual([1, "tester-unknown"]);
  expect(codeOf("testers", "invite", "saltmarsh")).toEqual([1, "tester-unknown"]);
  expect(codeOf("update", "*", "--first", "none")).toEqual([1, "value-invalid"]);
  expect(codeOf("stand-in", "store", "--rate", "slow")).toEqual([1, "value-invalid"]);
  const { out } = oxalis(folder, "submit", "saltmarsh", "--json");
  const { submitted } = JSON.parse(out) as { submitted: { problems: { code: string }[] }[] };
  expect(submitted.map(({ problems }) => problems.map(({ code }) => code))).toEqual(
    Array(3).fill(["interface-missing"]),
  );
  expect(existsSync(join(folder, "clients/saltmarsh/history"))).toBe(false);
  edit(
    folder,
    "oxalis.yaml",
    (text) =>
      `${text}\ninterfaces:\n  google-play: { at: "http://store.example/play", client: env:A, secret: env:B }\n`,
  );
  expect(oxalis(folder, "check").err).toContain("https://, but for this machine itself");
});

test("steps that are done by hand are the same on the board and in the history", () => {
  const folder = workspaceWith(["saltmarsh"]);
  const done = (step: string, ...more: string[]) =>
    oxalis(folder, "submit", "saltmarsh", "--store", "google-play", "--done", step, ...more);
  for (const [step, ...more] of [
    ["record", "--app", "4973928457"],
    ["build"],
    ["review"],
    ["refused", "--because", "Metadata: Not yours"],
    ["review"],
    ["decision"],
    ["out", "--share", "20"],
    ["everybody"],
  ])
    expect(done(step ?? "", ...more).code).toBe(0);
  const { clients } = JSON.parse(oxalis(folder, "board", "--json").out) as { clients: { passages: object[] }[] };
  expect(clients[0]?.passages).toMatchObject([
    { store: "google-play", is: "live", app: "4973928457", live: { version: "1.0.0", build: 1 } },
  ]);
  const names = readdirSync(join(folder, "clients/saltmarsh/history")).filter((each) => each.startsWith("event-"));
  expect(names).toHaveLength(8);
  expect(oxalis(folder, "events").out).toMatch(/noted by/);
  // What a store has accepted is fixed, whoever noted it.
  expect(readFileSync(join(folder, "clients/saltmarsh/history/identifier-android.json"), "utf8")).toContain('"fixed"');
});

test("the example comes with what happened to it in stores where that is asked for, up to this day", () => {
  const [plain, told] = [join(temporaryFolder(), "plain"), join(temporaryFolder(), "told")];
  expect(oxalis(".", "demo", plain).code).toBe(0);
  expect(oxalis(".", "demo", told, "--story").out).toContain("oxalis events");
  expect(existsSync(join(plain, "testers.yaml"))).toBe(false);
  for (const folder of [plain, told]) expect(existsSync(join(folder, "story.yaml"))).toBe(false);
  const is = (folder: string) =>
    JSON.parse(oxalis(folder, "board", "--json").out).clients.flatMap(
      ({ client, passages }: { client: string; passages: { store: string; is: string; share?: number }[] }) =>
        passages.map(({ store, is, share }) => [client, store, is, ...(share === undefined ? [] : [share])].join(" ")),
    );
  expect(is(plain)).toEqual([]);
  expect(is(told).sort()).toEqual([
    "3-acre google-play live",
    "root-and-leaf google-play refused",
    "saltmarsh app-store created",
    "saltmarsh google-play going-out 20",
    "zelena-griadka google-play created",
  ]);
  expect(oxalis(told, "board").out).toMatch(/refused version 1\.0\.0: .* Unanswered for 4 days\./);
  expect(oxalis(told, "testers").out).toContain("1 of 10 have come.");
});
