import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { happeningsOf } from "../../../src/core/agency/history/happenings.ts";
import { tryingOf } from "../../../src/core/agency/history/trying.ts";
import { markOf } from "../../../src/core/clients/testers/who.ts";
import { stampOf } from "../../../src/core/ground/interfaces/message.ts";
import type { Delivery, Mail } from "../../../src/core/ground/mail/send.ts";
import { problem } from "../../../src/core/ground/problems/problem.ts";
import type { Result } from "../../../src/core/ground/problems/result.ts";
import { secretOf } from "../../../src/core/ground/values/secret.ts";
import { endTester } from "../../../src/core/operations/end-testers.ts";
import { showEvents } from "../../../src/core/operations/events.ts";
import { inviteTesters } from "../../../src/core/operations/invite-testers.ts";
import { openListener } from "../../../src/core/operations/listen.ts";
import type { Ports } from "../../../src/core/operations/running/ports.ts";
import { listTesters } from "../../../src/core/operations/testers.ts";
import { updateClients } from "../../../src/core/operations/update.ts";
import { waitFor } from "../../../src/core/operations/wait.ts";
import { listeningService } from "../../../src/services/messages/service.ts";
import { withoutBuilds } from "../../support/builds.ts";
import { contents, edit } from "../../support/oxalis.ts";
import { buildFor, day, editBrief, openStores, portsFor, storeWorkspace, submit } from "../../support/stores.ts";

const unwrap = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};

/** Ports whose mail goes into a list, and is taken as somebody says. */
function withPost(ports: Ports, answers: Delivery["state"][] = []) {
  const sent: Mail[] = [];
  const own: Ports = {
    ...ports,
    secret: (name) => (name === "OXALIS_SMTP" ? secretOf("smtp://127.0.0.1:1") : ports.secret(name)),
    async sendMail(_, mail) {
      sent.push(mail);
      const state = answers.shift() ?? "taken";
      return state === "taken" ? { state } : { state, problem: problem("mail-refused", "no") };
    },
  };
  return { own, sent };
}

const people = `groups: { studio: inner }
testers:
  - { name: Ada Field, address: ada@field.example, language: de, group: field, consent: 2026-10-01 }
  - { name: Bo Marsh, address: bo@field.example, group: studio, consent: 2026-10-01, clients: [saltmarsh] }
  - { name: Cy, address: cy@field.example, group: field }
`;

test("testers are told to the store, invited once a version in their language, seen to come, and erased", async () => {
  const { stores } = openStores();
  const folder = storeWorkspace(["saltmarsh"], stores);
  writeFileSync(join(folder, "testers.yaml"), people);
  const ports = portsFor(folder, stores);
  const { own, sent } = withPost(ports, ["unsure", "taken", "taken"]);
  const invite = async (again = false) =>
    unwrap(await inviteTesters({ workspace: folder, clients: ["saltmarsh"], dryRun: false, again }, own)).invited.map(
      ({ address, state }) => `${address.split("@")[0]} ${state}`,
    );
  // Before a store has them, there is nothing to try.
  expect(await invite()).toEqual(["ada nothing", "bo nothing"]);
  buildFor(folder, "saltmarsh", "google-play");
  await submit(folder, ports, ["saltmarsh"], { until: "testers" });
  expect(await invite()).toEqual(["ada unsure", "bo sent"]);
  expect(sent.map(({ to, subject }) => [to, subject])).toEqual([
    ["ada@field.example", "Saltmarsh Roots: bitte probieren Sie die App aus"],
    ["bo@field.example", "Saltmarsh Roots: please try it"],
  ]);
  // What may have arrived is not sent again unasked, and is the same letter where it is.
  expect(await invite()).toEqual(["ada unsure", "bo was"]);
  const [first] = sent;
  expect(await invite(true)).toEqual(["ada sent", "bo sent"]);
  expect(sent[2]?.id).toBe(first?.id);
  const links = sent.map(({ text }) => /https?:\/\/\S+/.exec(text)?.[0] ?? "");
  expect(new Set(links).size).toBe(2);
  await stores.fetch(new Request(links[1] ?? "", { method: "POST" }));
  const listed = unwrap(await listTesters({ workspace: folder, clients: [], look: true }, ports));
  expect(listed.testers.map(({ name, trying }) => [name, trying.invited, trying.came, trying.build])).toEqual([
    ["Ada Field", "2026-11-01", undefined, undefined],
    ["Bo Marsh", "2026-11-01", "2026-11-01", 1],
    ["Cy", undefined, undefined, undefined],
  ]);
  expect(listed.problems.map(({ message }) => message)).toEqual(["Not agreed to be asked: Cy."]);
  expect(Object.keys(tryingOf.read(folder, "saltmarsh") ?? {})).toContain(markOf("saltmarsh", "bo@field.example"));
  unwrap(await endTester({ workspace: folder, address: "BO@field.example", erase: true }, ports));
  for (const [path, bytes] of contents(folder))
    expect([path, /bo@field|Bo Marsh/.test(bytes.toString("latin1"))]).toEqual([path, false]);
  expect(Object.keys(tryingOf.read(folder, "saltmarsh") ?? {})).not.toContain(markOf("saltmarsh", "bo@field.example"));
  const after = await submit(folder, ports, ["saltmarsh"], { until: "testers" });
  expect(after.submitted[0]?.acts.map(({ says }) => says)).toEqual(["Internal testing: 1 fewer"]);
});

test("a mail server that is away ends the letters, and nobody counts as invited", async () => {
  const { stores } = openStores();
  const folder = storeWorkspace(["saltmarsh"], stores);
  writeFileSync(join(folder, "testers.yaml"), people);
  const ports = portsFor(folder, stores);
  buildFor(folder, "saltmarsh", "google-play");
  await submit(folder, ports, ["saltmarsh"], { until: "testers" });
  const { own, sent } = withPost(ports, ["unreached"]);
  const { invited, problems } = unwrap(
    await inviteTesters({ workspace: folder, clients: ["saltmarsh"], dryRun: false, again: false }, own),
  );
  expect([invited.map(({ state }) => state), problems.map(({ code }) => code), sent.length]).toEqual([
    ["refused"],
    ["mail-refused"],
    1,
  ]);
  expect(Object.values(tryingOf.read(folder, "saltmarsh") ?? {})).toEqual([{}]);
});

test("news are told once each, in order, by mail and over HTTP; what was not taken is told the next time", async () => {
  const { stores } = openStores();
  const folder = storeWorkspace(["saltmarsh"], stores);
  const ports = portsFor(folder, stores);
  await submit(folder, ports, ["saltmarsh"], { until: "record" });
  const { own, sent } = withPost(ports);
  const heard: string[] = [];
  let isThere = true;
  const world: Ports = {
    ...own,
    async fetch(request) {
      if (!request.url.startsWith("https://hooks.example")) return ports.fetch(request);
      if (!isThere) return new Response(null, { status: 500 });
      heard.push(await request.text());
      return new Response(null, { status: 204 });
    },
  };
  const tell = async (more = {}) =>
    unwrap(
      await showEvents(
        {
          workspace: folder,
          clients: [],
          stores: [],
          look: true,
          mail: "team@lanternfield.example",
          hook: "https://hooks.example/",
          ...more,
        },
        world,
      ),
    );
  expect(await tell()).toMatchObject({ mailed: 1, hooked: 1, problems: [] });
  expect(await tell()).toMatchObject({ mailed: 0, hooked: 0 });
  expect(sent.map(({ subject }) => subject)).toEqual(["From the stores: Saltmarsh Roots"]);
  isThere = false;
  await submit(folder, ports, ["saltmarsh"], { until: "details" });
  const failed = await tell({ mail: undefined });
  expect([failed.hooked, failed.problems.map(({ severity }) => severity)]).toEqual([0, ["warning"]]);
  isThere = true;
  expect(await tell({ mail: undefined })).toMatchObject({ hooked: 4 });
  expect(heard.map((each) => JSON.parse(each).kind)).toEqual(["created", "told", "told", "told", "told"]);
  const { items } = unwrap(
    await showEvents({ workspace: folder, clients: ["saltmarsh"], stores: ["app-store"], look: false }, world),
  );
  expect(items).toEqual([]);
});

test("a message is a reason to ask the store, and nothing more: forged, old or repeated, it changes nothing", async () => {
  const { stores } = openStores();
  const folder = storeWorkspace(["saltmarsh"], stores);
  const ports = portsFor(folder, stores);
  await submit(folder, ports, ["saltmarsh"], { until: "record" });
  const before = readdirSync(join(folder, "clients/saltmarsh/history")).length;
  const listener = unwrap(await openListener({ workspace: folder, knownAs: "http://127.0.0.1:9/" }, ports));
  expect(listener.told).toEqual(["google-play", "app-store", "mac-app-store", "microsoft-store"]);
  const secret = secretOf("0123456789abcdef");
  const now = ports.now() / 1000;
  const body = JSON.stringify({
    store: "google-play",
    identifier: "example.saltmarsh.saltmarshroots",
    kind: "live",
    version: "9.9.9",
  });
  const heard: number[] = [];
  const service = listeningService(listener, ({ items }) => heard.push(items.length));
  const post = async (text: string, stamp: object) =>
    (await service.request("/", { method: "POST", body: text, headers: { ...stamp } as Record<string, string> }))
      .status;
  expect(await post(body, {})).toBe(401);
  expect(await post(body.replace("9.9.9", "9.9.8"), stampOf(secret, "m1", now, body))).toBe(401);
  expect(await post(body, stampOf(secret, "m1", now - 3600, body))).toBe(401);
  expect(await post("nothing", stampOf(secret, "m2", now, "nothing"))).toBe(400);
  expect(await post("x".repeat(100_000), stampOf(secret, "m3", now, "x"))).toBe(400);
  // One that is what it says: the store is asked, which knows nothing of a version 9.9.9.
  expect(await post(body, stampOf(secret, "m4", now, body))).toBe(200);
  expect(readdirSync(join(folder, "clients/saltmarsh/history"))).toHaveLength(before);
  await submit(
    folder,
    {
      ...ports,
      fetch: async (request) =>
        request.url.includes("happenings") ? new Response("{}", { status: 404 }) : ports.fetch(request),
    },
    ["saltmarsh"],
    { until: "details" },
  );
  expect(await post(body, stampOf(secret, "m5", now, body))).toBe(200);
  expect(await post(body, stampOf(secret, "m5", now, body))).toBe(200);
  expect(heard).toEqual([0, 0, 0, 0, 0, 4, 0]);
});

test("a script waits until it is so, or will not be, or for as long as it says", async () => {
  const { stores } = openStores({ isByHand: true });
  const folder = storeWorkspace(["saltmarsh"], stores);
  const ports = portsFor(folder, stores);
  buildFor(folder, "saltmarsh", "google-play");
  await submit(folder, ports, ["saltmarsh"]);
  let now = ports.now();
  const patient: Ports = {
    ...ports,
    now: () => now,
    pause: async (time) => {
      now += time;
    },
  };
  const wait = async (event: "approved" | "build-ready", within: string) =>
    unwrap(await waitFor({ workspace: folder, client: "saltmarsh", event, store: "google-play", within }, patient))
      .state;
  expect(await wait("build-ready", "0")).toBe("happened");
  const from = now;
  expect(await wait("approved", "10")).toBe("open");
  expect(now - from).toBe(10 * 60_000);
  const app =
    /event-google-play-(\d+)-1\.json/.exec(readdirSync(join(folder, "clients/saltmarsh/history")).join(" "))?.[1] ?? "";
  const refuse = new URLSearchParams({ store: "google-play", app, decision: "refuse", says: "no" });
  await stores.fetch(new Request("http://127.0.0.1:1/review", { method: "POST", body: refuse }));
  expect(await wait("approved", "10")).toBe("denied");
});

test("an update goes to a few first, and to the others when these have come far enough; it goes on where it stopped", async () => {
  const { stores } = openStores();
  const folder = storeWorkspace(["3-acre", "saltmarsh"], stores);
  const ports = portsFor(folder, stores);
  edit(folder, "oxalis.yaml", (text) =>
    text
      .replace("[android, ios, windows, web]", "[windows]")
      .replace("  store:\n", "  store:\n    in: [microsoft-store]\n"),
  );
  edit(folder, "template.yaml", (text) =>
    withoutBuilds(text).replace(/ {2}- file: (android|ios|web).*\n.*\n.*\n/g, ""),
  );
  const script = `printf '{"kind":"msix","identifier":"%s","version":"1.0.%s.0","build":"1.0.%s.0","unfit":[],"permissions":[]}' "$IDENTIFIER" "$BUILD" "$BUILD" > a.bin`;
  edit(
    folder,
    "template.yaml",
    (text) =>
      `${text}\nbuilds:\n  windows:\n    steps:\n      - run: ${JSON.stringify(script)}\n    gives: { other: windows/a.bin, store: windows/App.xaml }\n`,
  );
  const update = async (more: Partial<Parameters<typeof updateClients>[0]> = {}) =>
    unwrap(
      await updateClients(
        {
          workspace: folder,
          clients: ["*"],
          except: [],
          first: "1",
          passes: "submitted",
          until: "review",
          wait: "0",
          dryRun: false,
          notes: [],
          kind: undefined,
          ...more,
        },
        ports,
      ),
    );
  const states = ({ updates }: Awaited<ReturnType<typeof update>>) =>
    updates.map(({ client, batch, state }) => `${client} ${batch} ${state}`);
  expect(states(await update({ dryRun: true }))).toEqual(["3-acre 1 would", "saltmarsh 2 would"]);
  expect(states(await update({ dryRun: true, except: ["3-*"] }))).toEqual(["saltmarsh 1 would"]);
  // A question that nobody has answered stops those whom it concerns, and holds nobody else back.
  editBrief(folder, "3-acre", (text) => text.replace(/^store:\n/m, "store:\n  declares: { gambling: perhaps }\n"));
  const asked = await update({ dryRun: true });
  expect(states(asked)).toEqual(["saltmarsh 1 would"]);
  expect(asked.problems.map(({ client, code }) => [client, code])).toContainEqual(["3-acre", "declaration-missing"]);
  editBrief(folder, "3-acre", (text) => text.replace("  declares: { gambling: perhaps }\n", ""));
  // What goes first is a file that the store does not take: the other one waits.
  const first = await update();
  expect(states(first)).toEqual(["3-acre 1 under-way", "saltmarsh 2 not-begun"]);
  expect(first.problems.map(({ code, message }) => `${code}: ${message}`)).toContain(
    "update-held: 1 more waits: 3-acre is not submitted yet.",
  );
  expect(existsSync(join(folder, "clients/saltmarsh/history/build-1.json"))).toBe(false);
  expect(existsSync(join(folder, "clients/3-acre/history/seen-1.json"))).toBe(true);
  // With the template mended, it goes through, and the others follow.
  edit(folder, "template.yaml", (text) =>
    text.replace("{ other: windows/a.bin, store: windows/App.xaml }", "{ store: windows/a.bin }"),
  );
  stores.forward(2 * day);
  await update({ kind: "patch", passes: "built" });
  stores.forward(2 * day);
  const through = await update({ kind: "patch" });
  expect(states(through)).toEqual(["3-acre 1 done", "saltmarsh 2 done"]);
  const submitted = (client: string) =>
    (happeningsOf.read(folder, client) ?? []).filter(({ kind }) => kind === "submitted").length;
  expect([submitted("3-acre"), submitted("saltmarsh")]).toEqual([1, 1]);
  // Nothing has changed since: nothing is taken, built or sent.
  const again = await update({ kind: "patch" });
  expect([states(again), again.updates.map(({ taken }) => taken?.version)]).toEqual([
    ["3-acre 1 done", "saltmarsh 2 done"],
    through.updates.map(({ version }) => version),
  ]);
  // What people will notice is told of the next one, before anything is built.
  stores.forward(10 * day);
  editBrief(folder, "saltmarsh", (text) => text.replace("label: Saltmarsh", "label: Marsh"));
  const { updates } = await update({ dryRun: true });
  expect(updates[1]?.notices).toEqual([{ what: "label", says: "the name under its icon is Marsh" }]);
  expect(readFileSync(join(folder, "clients/saltmarsh/history/seen-1.json"), "utf8")).toContain('"Saltmarsh"');
});
