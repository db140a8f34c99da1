import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { happeningsOf } from "../../../src/core/agency/history/happenings.ts";
import { storeKeys } from "../../../src/core/ground/values/store.ts";
import type { Ports } from "../../../src/core/operations/running/ports.ts";
import type { StandInStores } from "../../../src/stand-ins/store/stand-in.ts";
import { contents, edit } from "../../support/oxalis.ts";
import { allClients, buildFor, day, openStores, portsFor, storeWorkspace, submit } from "../../support/stores.ts";

/** So many runs are killed; KILLS says otherwise. */
const kills = Number(process.env.KILLS ?? 6);

/** Four stores, where the demo wants three. */
const intoFour = (folder: string) => {
  edit(folder, "oxalis.yaml", (text) =>
    text
      .replace("[android, ios, windows, web]", "[android, ios, desktop, windows, web]")
      .replace("  store:\n", `  store:\n    in: [${storeKeys.join(", ")}]\n`),
  );
};

/** A world that ends with a call: before it is done, or after, so that its answer is lost. */
function endingWith(ports: Ports, at: number, isDone: boolean): Ports & { calls: () => number } {
  let calls = 0;
  const gone = () => {
    throw new RangeError("killed");
  };
  return {
    ...ports,
    calls: () => calls,
    async fetch(request) {
      calls++;
      if (calls < at) return ports.fetch(request);
      if (calls === at && isDone) await ports.fetch(request);
      return gone();
    },
    pause: async (time) => (calls >= at ? gone() : ports.pause(time)),
  };
}

/** A new workspace with its stores: what was built is there. */
function newWorld() {
  const { stores } = openStores();
  const folder = storeWorkspace(allClients, stores);
  intoFour(folder);
  for (const client of allClients) for (const store of storeKeys) buildFor(folder, client, store);
  return { stores, folder, ports: portsFor(folder, stores) };
}

const go = (folder: string, ports: Ports) => submit(folder, ports, ["*"], { stores: [], out: "everybody" });

/** Goes on to the end: nothing more is done, and nothing waits. */
async function toTheEnd({ stores, folder, ports }: ReturnType<typeof newWorld>): Promise<void> {
  for (let run = 0; run < 4; run++) {
    await go(folder, ports);
    stores.forward(40 * day);
  }
}

/** What is so in the end: in stores, and in the history of each client, without the times. */
async function endOf({ stores, folder }: { stores: StandInStores; folder: string }) {
  const seen: Record<string, unknown> = {};
  for (const client of allClients) {
    const happened = happeningsOf.read(folder, client) ?? [];
    for (const store of storeKeys)
      seen[`${client} ${store}`] = happened
        .filter((each) => each.store === store)
        .map(({ kind, build, version, share, says }) => [kind, build, version, share, says].filter(Boolean).join(" "));
    const ledger = join(folder, `clients/${client}/history/identifier-android.json`);
    seen[client] = (JSON.parse(readFileSync(ledger, "utf8")) as { fixed?: string }).fixed !== undefined;
  }
  const start = await (await stores.fetch(new Request("http://127.0.0.1:1/"))).text();
  seen.start = [...start.matchAll(/<small>([^<]*)<\/small>/g)].map(([, said]) => said);
  return seen;
}

test("killed at any call, a run goes on to the same end: no act twice, none left out", async () => {
  const undisturbed = newWorld();
  const counting = endingWith(undisturbed.ports, Number.POSITIVE_INFINITY, true);
  await go(undisturbed.folder, counting);
  const all = counting.calls();
  await toTheEnd(undisturbed);
  const end = await endOf(undisturbed);
  // Those whose records are whole are live; what was done is told once.
  expect((end["saltmarsh google-play"] as string[]).filter((each) => each.startsWith("live"))).toHaveLength(1);
  expect((end["3-acre microsoft-store"] as string[]).at(-1)).toMatch(/^live/);
  expect(all).toBeGreaterThan(500);
  for (let kill = 0; kill < kills; kill++) {
    const world = newWorld();
    const at = 1 + Math.floor(((kill + 0.5) / kills) * all);
    await expect(go(world.folder, endingWith(world.ports, at, kill % 2 === 0))).rejects.toThrow("killed");
    await toTheEnd(world);
    expect([at, await endOf(world)]).toEqual([at, end]);
    await world.stores.close();
  }
});

test("answers that are lost change nothing of the end; nothing that opens a store is written anywhere", async () => {
  const world = newWorld();
  const { stores, folder, ports } = world;
  const lost = new Set<string>();
  let calls = 0;
  // Every third call that changes something is done, and its answer never comes; asked for again, it does.
  const losing: Ports = {
    ...ports,
    async fetch(request) {
      const answer = await ports.fetch(request);
      const asked = `${request.method} ${request.url} ${request.headers.get("idempotency-key")}`;
      if (request.method !== "GET" && !lost.has(asked) && ++calls % 3 === 0) {
        lost.add(asked);
        throw new TypeError("fetch failed");
      }
      return answer;
    },
  };
  for (let run = 0; run < 4; run++) {
    const { submitted } = await go(folder, losing);
    expect(submitted.flatMap(({ problems }) => problems)).toEqual([]);
    stores.forward(40 * day);
  }
  const other = newWorld();
  await toTheEnd(other);
  expect(await endOf(world)).toEqual(await endOf(other));
  const secrets = ["GOOGLE_PLAY_SECRET", "MICROSOFT_STORE_SECRET", "STORE_KEY"].flatMap((name) => {
    const shown = stores.shown.flatMap((each) =>
      "secret" in each ? [each.secret] : [each.privateKey.split("\n")[1] ?? ""],
    );
    expect(ports.secret(name)).toBeDefined();
    return shown;
  });
  for (const [path, bytes] of contents(folder))
    for (const secret of secrets) expect([path, bytes.includes(secret)]).toEqual([path, false]);
});
