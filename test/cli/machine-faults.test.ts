import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { describe, expect, test } from "vitest";
import { folderContents } from "../../src/core/ground/contents/folder.ts";
import { folderQueue } from "../../src/core/ground/queue/folder.ts";
import { sha256 } from "../../src/core/ground/values/hash.ts";
import { withSteps } from "../support/builds.ts";
import { contents, edit, endOf, oxalis, startOxalis, temporaryFolder } from "../support/oxalis.ts";

const pack = "mkdir ../out && tar cf ../out/site-$BUILD.tar .";
const places = (folder: string) => [
  ...["--queue", join(folder, ".oxalis/queue"), "--contents", join(folder, ".oxalis/contents"), "--once"],
];
const states = (out: string) =>
  (JSON.parse(out) as { builds: { client: string; build: number; state: string }[] }).builds.map(
    ({ client, build, state }) => `${client} ${build} ${state}`,
  );

/** The demo's first client, so many times, each under its own name and domain. */
function many(count: number): string {
  const folder = withSteps(["3-acre"], [pack]);
  const brief = readFileSync(join(folder, "clients/3-acre/brief.yaml"), "utf8");
  for (let at = 1; at < count; at++) {
    cpSync(join(folder, "clients/3-acre"), join(folder, `clients/farm-${at}`), { recursive: true });
    writeFileSync(
      join(folder, `clients/farm-${at}/brief.yaml`),
      brief.replaceAll("3acre.example", `farm${at}.example`),
    );
  }
  return folder;
}

describe("builds that are given to other machines", () => {
  test("of forty clients each come back once; of none there is nothing to ask for", () => {
    const folder = many(40);
    const first = oxalis(folder, "build", "--queue", "--json");
    expect(states(first.out).every((each) => / 1 queued$/.test(each))).toBe(true);
    expect(oxalis(folder, "queue").out).toContain("40 jobs in");
    expect(oxalis(temporaryFolder(), "worker", ...places(folder)).out).toContain("40 jobs carried out.");
    const taken = states(oxalis(folder, "build", "--queue", "--json").out);
    expect([taken.length, new Set(taken).size]).toEqual([40, 40]);
    expect(taken.every((each) => / 1 good$/.test(each))).toBe(true);
    expect(oxalis(folder, "queue").out).toContain("0 jobs in");
    rmSync(join(folder, "clients"), { recursive: true });
    expect(oxalis(folder, "build", "--queue")).toMatchObject({ code: 1, err: expect.stringContaining("[no-clients]") });
    expect(oxalis(temporaryFolder(), "build", "--queue").code).toBe(1);
    expect(oxalis(temporaryFolder(), "worker", "--once").code).toBe(1);
  });

  test("are taken in by the next run where whoever asked was killed, by the number that they have", async () => {
    const folder = withSteps(["3-acre"], [`sleep 3 && ${pack}`]);
    const worker = startOxalis(folder, "worker", "--name", "attic", "--json");
    await new Promise<void>((ready) => worker.stdout.once("data", () => ready()));
    const asked = startOxalis(folder, "build", "--queue");
    let took = "";
    worker.stdout.on("data", (text) => {
      took += text;
    });
    while (!took.includes('"took"')) await setTimeout(50);
    asked.kill("SIGKILL");
    await endOf(asked);
    // Another that asks meanwhile waits for the same build, and makes no second one.
    const again = oxalis(folder, "build", "--queue", "--json");
    expect(states(again.out)).toEqual(["3-acre 1 good"]);
    expect(readdirSync(join(folder, "builds/3-acre/store"))).toEqual(["1.0.0+1"]);
    worker.kill("SIGTERM");
    expect(await endOf(worker)).toBe(0);
  });

  test("are one where two ask at once, and the newer number takes the place of one that waits", () => {
    const folder = withSteps(["3-acre"], [pack]);
    expect(oxalis(folder, "build", "--queue").code).toBe(0);
    expect(oxalis(folder, "build", "--queue").code).toBe(0);
    expect(JSON.parse(oxalis(folder, "queue", "--json").out).jobs).toHaveLength(1);
    edit(folder, "clients/3-acre/brief.yaml", (text) => text.replace("3 Acre Greens", "3 Acre Leaves"));
    expect(oxalis(folder, "build", "--queue").code).toBe(0);
    const [only, ...others] = JSON.parse(oxalis(folder, "queue", "--json").out).jobs;
    expect([only.says, others]).toEqual(["Web 1.0.0 (2)", []]);
    expect(oxalis(folder, "builds", "--all").out).toContain("Number 2 has taken its place.");
  });
});

describe("a machine that works for others", () => {
  const ordered = async (order: unknown, what = "build") => {
    const folder = withSteps(["3-acre"], [pack]);
    const own = temporaryFolder();
    oxalis(folder, "worker", ...places(folder));
    const queue = folderQueue(join(folder, ".oxalis/queue"), 60);
    const { version } = JSON.parse(oxalis(folder, "worker", "--json", "--once").out.split("\n")[0] ?? "{}");
    const text = JSON.stringify(order);
    await folderContents(join(folder, ".oxalis/contents")).put(sha256(text), Buffer.from(text));
    const data = { form: 1, version, what, client: "3-acre", says: "", order: sha256(text), smallest: false };
    await queue.add({ name: "hostile", kind: what === "build" ? "web.any.plain" : "drawing", data });
    const { out } = oxalis(own, "worker", ...places(folder));
    const [listed] = await queue.list();
    await queue.close();
    return { out, why: listed?.why ?? "", files: [...contents(own).keys()] };
  };
  const steps = [{ run: "touch ../../../out", minutes: 1 }];
  const order = {
    ...{ form: 1, client: "3-acre", stage: "store", platform: "web", version: "1.0.0", build: 1, part: "", inputs: {} },
    ...{ steps, gives: { store: "a" }, passes: [], secrets: [], environment: {} },
  };

  test.each([
    ["whose input leads out", { ...order, inputs: { "../../x": { sha256: "0".repeat(64), executable: false } } }],
    ["whose result leads out", { ...order, gives: { store: "../../../etc/passwd" } }],
    ["whose part leads out", { ...order, part: "../.." }],
    [
      "whose key leads out",
      { ...order, signing: { files: [{ variable: "A", sealed: "../k", name: "k" }], secrets: [], plain: {} } },
    ],
    [
      "whose key's file has a folder",
      { ...order, signing: { files: [{ variable: "A", sealed: "k", name: "../k" }], secrets: [], plain: {} } },
    ],
    ["of another client", { ...order, client: "saltmarsh" }],
    ["of more than an order says", { ...order, more: true }],
    ["that is a list", [order]],
  ])("carries no build out %s", async (_, hostile) => {
    const { out, why, files } = await ordered(hostile);
    expect(out).toContain("0 jobs carried out, 3 given up.");
    expect(why).toMatch(/cannot be read|is saltmarsh's/);
    expect(files.filter((file) => !file.startsWith(".oxalis/workers/"))).toEqual([]);
  });

  test("draws nothing that a plan could not say, and nothing of another client", async () => {
    const plan = { form: 1, client: "3-acre", layout: "tree", entries: [] as object[] };
    const written = { kind: "write", path: "../../out", fingerprint: "f", text: "x" };
    for (const hostile of [{ ...plan, entries: [written] }, { ...plan, client: "saltmarsh" }, "no plan"]) {
      const { out, files } = await ordered(hostile, "drawing");
      expect(out).toContain("3 given up");
      expect(files.filter((file) => !file.startsWith(".oxalis/workers/"))).toEqual([]);
    }
  });

  test("works in no folder that a link leads out to, and keeps no queue there", () => {
    const [folder, elsewhere] = [withSteps(["3-acre"], [pack]), temporaryFolder()];
    mkdirSync(join(folder, ".oxalis"), { recursive: true });
    for (const name of ["queue", "contents", "workers"]) {
      rmSync(join(folder, ".oxalis", name), { recursive: true, force: true });
      symlinkSync(elsewhere, join(folder, ".oxalis", name));
      expect(oxalis(folder, "worker", "--once"), name).toMatchObject({
        code: 1,
        err: expect.stringContaining("[path-outside]"),
      });
      rmSync(join(folder, ".oxalis", name));
    }
    expect(readdirSync(elsewhere)).toEqual([]);
  });

  test("tells nothing of a token that was given and not named", () => {
    const folder = withSteps(["3-acre"], [pack]);
    const served = oxalis(folder, "serve-contents", "--token", "open-sesame");
    const worked = oxalis(folder, "worker", "--once", "--token", "open-sesame");
    for (const { code, out, err } of [served, worked]) {
      expect([code, `${out}${err}`.includes("open-sesame")]).toEqual([1, false]);
      expect(err).toContain("[variable-unset]");
    }
    expect(oxalis(folder, "serve-contents", "--token", "env:NOT_SET_HERE").err).toContain("NOT_SET_HERE is not set.");
  });

  test.each([
    ["no name of a machine", ["--name", "../attic"]],
    ["no lease", ["--lease", "soon"]],
    ["no platform", ["--platforms", "web,amiga"]],
  ])("refuses what is %s", (said, given) => {
    const { code, err } = oxalis(withSteps(["3-acre"], [pack]), "worker", "--once", ...given);
    expect([code, err]).toEqual([1, expect.stringContaining(said)]);
  });
});
