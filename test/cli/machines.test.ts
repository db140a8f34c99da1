import type { ChildProcess } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { createInterface } from "node:readline";
import { setTimeout } from "node:timers/promises";
import { afterAll, describe, expect, test } from "vitest";
import { folderQueue } from "../../src/core/ground/queue/folder.ts";
import { withoutBuilds, withSteps } from "../support/builds.ts";
import { contents, edit, endOf, oxalis, startWith, sums, temporaryFolder } from "../support/oxalis.ts";
import { openWay, startRedis } from "../support/server.ts";
import { tool } from "../support/tools.ts";
import { keyed, withCheapVault } from "../support/vault.ts";

const token = { OXALIS_TOKEN: "open-sesame" };
const started: ChildProcess[] = [];
afterAll(() => {
  for (const each of started) each.kill("SIGKILL");
});

/** What a program that is left running prints, a line an event. */
function listen(child: ChildProcess) {
  started.push(child);
  const events: { what: string; job?: string; how?: string; attempt?: number; address?: string }[] = [];
  let errors = "";
  child.stderr?.on("data", (text) => {
    errors += text;
  });
  const input = child.stdout ?? expect.unreachable();
  createInterface({ input }).on("line", (line) => events.push(JSON.parse(line)));
  const until = async (is: (each: (typeof events)[0]) => boolean) => {
    for (let tries = 0; tries < 1200; tries++) {
      const found = events.find(is);
      if (found) return found;
      await setTimeout(50);
    }
    throw new Error(`it has not come: ${JSON.stringify(events)} ${errors}`);
  };
  const over = endOf(child);
  return { child, events, until, over };
}

const worker = (queue: string, shared: string, name: string, ...more: string[]) =>
  listen(
    startWith(
      token,
      temporaryFolder(),
      ...["worker", "--json", "--queue", queue, "--contents", shared, "--token", "env:OXALIS_TOKEN", "--name", name],
      ...more,
    ),
  );

const built = (folder: string, client: string) =>
  tool("tar", ["xOf", join(folder, "builds", client, "store/1.0.0+1/web/site-1.tar"), "./whose.txt"]).trim();

describe("several machines", () => {
  test("draw the same variants to the byte, by a folder and nothing else", async () => {
    const [here, there] = [withSteps(["3-acre", "saltmarsh"], []), withSteps(["3-acre", "saltmarsh"], [])];
    for (const folder of [here, there]) oxalis(folder, "clean");
    expect(oxalis(here, "generate").code).toBe(0);
    // Nobody is there yet: it is drawn here, and said.
    const alone = oxalis(there, "generate", "saltmarsh", "--queue");
    expect([alone.code, alone.err]).toEqual([0, expect.stringContaining("No machine of the queue draws")]);
    const one = listen(startWith({}, there, "worker", "--json", "--name", "attic"));
    await one.until(({ what }) => what === "present");
    const twice = oxalis(there, "worker", "--name", "attic", "--once");
    expect(twice).toMatchObject({ code: 1, err: expect.stringContaining("[run-in-progress]") });
    expect(oxalis(there, "generate", "--queue").code).toBe(0);
    await one.until(({ what }) => what === "carried");
    expect(one.events.filter(({ what }) => what === "took")).toHaveLength(1);
    expect(sums(join(there, "variants"))).toEqual(sums(join(here, "variants")));
    expect(oxalis(there, "queue").out).toContain("attic takes jobs.");
    one.child.kill("SIGTERM");
    expect(await one.over).toBe(0);
  });

  test("build what one asks for, each once and for whom it is, whoever dies, stands still or is cut off", async () => {
    const redis = await startRedis();
    const way = await openWay(redis.port);
    const keeping = temporaryFolder();
    const clients = ["3-acre", "saltmarsh", "high-hedges", "orchard-lane", "root-and-leaf", "brennans-bothy"];
    const folder = withSteps(clients, [
      'sleep 1; mkdir ../out && echo "$CLIENT $BUILD" > whose.txt && tar cf ../out/site-$BUILD.tar .',
    ]);
    const port = JSON.parse(await textOf(serve(keeping), (text) => text.trimEnd().endsWith("}"))) as {
      address: string;
    };
    edit(
      folder,
      "oxalis.yaml",
      (text) =>
        `${text}\nmachines:\n  queue: ${redis.address}\n  contents: ${port.address}\n  token: env:OXALIS_TOKEN\n`,
    );
    const own = (name: string, queue = redis.address) => worker(queue, port.address, name, "--lease", "4");
    const [dies, stands, cut] = [own("dies"), own("stands"), own("cut", `redis://127.0.0.1:${way.port}`)];
    for (const each of [dies, stands, cut]) await each.until(({ what }) => what === "present");
    const asked = startWith(token, folder, "build", "--queue", "--json");
    const said = textOf(asked, () => false);
    await Promise.all([dies, stands, cut].map((each) => each.until(({ what }) => what === "took")));
    dies.child.kill("SIGKILL");
    stands.child.kill("SIGSTOP");
    way.cut();
    await redis.stop();
    await setTimeout(1500);
    await redis.start();
    await setTimeout(4000); // longer than a lease, with the time before
    const helps = own("helps");
    await helps.until(({ what }) => what === "took");
    stands.child.kill("SIGCONT");
    way.mend();
    await stands.until(({ how }) => how === "late");
    await cut.until(({ how }) => how === "late");
    const text = await said;
    const { builds } = JSON.parse(text) as { builds: { client: string; build: number; state: string }[] };
    expect(builds.map(({ client, build, state }) => `${client} ${build} ${state}`).sort(), text).toEqual(
      clients.map((client) => `${client} 1 good`).sort(),
    );
    // A machine's death costs no number, and nobody has another's.
    for (const client of clients) {
      expect(built(folder, client)).toBe(`${client} 1`);
      expect(readdirSync(join(folder, "builds", client, "store"))).toEqual(["1.0.0+1"]);
    }
    expect(oxalis(folder, "queue", "--json").out).toContain('"jobs": []');
    way.close();
    await redis.stop();
  });

  test("sign from a vault of their own: nothing secret is in a queue or its contents, and no other machine takes it", async () => {
    const { folder, vault } = await withCheapVault(["3-acre"]);
    const steps =
      'echo "by $SIGNING_STORE_PASSWORD" && cp "$SIGNING_STORE" ../own && mkdir ../out && cp ../own ../out/a.zip';
    const builds = `builds:\n  android:\n    steps:\n      - run: ${JSON.stringify(steps)}\n    gives: { other: out/a.zip }\n`;
    edit(folder, "template.yaml", (text) => `${withoutBuilds(text)}\n${builds}`);
    expect(keyed(folder, ["keys", "make"]).code).toBe(0);
    const asked = () => keyed(folder, ["build", "--queue", "--platform", "android"], { OXALIS_PASSPHRASE: "" });
    expect(asked()).toMatchObject({ code: 0, out: expect.stringContaining("waits in the queue") });
    const places = ["--queue", join(folder, ".oxalis/queue"), "--contents", join(folder, ".oxalis/contents"), "--once"];
    const without = oxalis(temporaryFolder(), "worker", ...places);
    expect(without.out).toContain("0 jobs carried out.");
    const [name] = [...oxalis(folder, "queue", "--json").out.matchAll(/"name": "(3-acre[^"]+)"/g)].map(
      (each) => each[1],
    );
    const kept = [...contents(join(folder, ".oxalis/contents")).values()].join("\n");
    expect(kept).toContain('"sealed":"3-acre/');
    expect(kept).not.toContain("PRIVATE");
    const wrong = keyed(temporaryFolder(), ["worker", ...places], {
      OXALIS_VAULT: vault,
      OXALIS_PASSPHRASE: "another one",
    });
    expect(wrong).toMatchObject({ code: 1, err: expect.stringContaining("[passphrase-wrong]") });
    const own = keyed(temporaryFolder(), ["worker", ...places], { OXALIS_VAULT: vault });
    expect(own.out).toMatch(/3-acre: Android 1\.0\.0 \(1\)[\s\S]*1 job carried out/);
    expect(asked().out).toMatch(/✓ 3-acre {2}Android {2}1\.0\.0 \(1\) {2}given to other machines before/);
    const result = join(folder, "builds/3-acre/store/1.0.0+1/android");
    expect(readFileSync(join(result, "build.log"), "utf8")).toBe("by •••\n");
    expect(asked().out).toContain("as it was built last");
    expect(oxalis(folder, "queue", "--drop", name ?? "").err).toContain("[job-missing]");
  });

  test("that have another version refuse each other in words, and leave the job where it is", async () => {
    const folder = withSteps(["3-acre"], ["true"]);
    const queue = folderQueue(join(folder, ".oxalis/queue"), 60);
    const data = {
      form: 1,
      version: "0.0.9 (old)",
      what: "build",
      client: "3-acre",
      says: "Web",
      order: "0".repeat(64),
    };
    await queue.add({ name: "former", kind: "web.any.plain", data: { ...data, smallest: false } });
    const worked = oxalis(folder, "worker", "--once");
    expect(worked).toMatchObject({
      code: 1,
      err: expect.stringMatching(/former was put in by Oxalis 0\.0\.9 \(old\); this is/),
    });
    await queue.present({ name: "shed", kinds: ["web.any.plain"], version: "0.0.9 (old)" }, 600);
    const asked = oxalis(folder, "build", "--queue");
    expect(asked).toMatchObject({ code: 1, err: expect.stringMatching(/shed has 0\.0\.9 \(old\)/) });
    expect(oxalis(folder, "queue").out).toMatch(/shed takes jobs, with 0\.0\.9 \(old\); this is/);
    // What is no job is given up three times, and set aside with why.
    await queue.remove({ name: "former", kind: "web.any.plain" });
    await queue.add({ name: "junk", kind: "web.any.plain", data: { order: "../../etc" } });
    expect(oxalis(folder, "worker", "--once").out).toContain("0 jobs carried out, 3 given up.");
    expect(oxalis(folder, "queue")).toMatchObject({ code: 1, out: expect.stringContaining("junk is no job") });
    expect(oxalis(folder, "queue", "--drop", "junk").code).toBe(0);
    await queue.close();
  });
});

/** What a program prints: until it is enough, or to its end. */
function textOf(child: ReturnType<typeof startWith>, isEnough: (text: string) => boolean): Promise<string> {
  started.push(child);
  return new Promise((said) => {
    let text = "";
    child.stdout.on("data", (more) => {
      text += more;
      if (isEnough(text)) said(text);
    });
    child.once("close", () => said(text));
  });
}

const serve = (folder: string) =>
  startWith(token, folder, "serve-contents", "--token", "env:OXALIS_TOKEN", "--json", "--folder", "kept");
