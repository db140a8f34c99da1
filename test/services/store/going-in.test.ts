import { cpSync, rmSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { happeningsOf } from "../../../src/core/agency/history/happenings.ts";
import { passageOf } from "../../../src/core/clients/passage/passage.ts";
import { secretOf } from "../../../src/core/ground/values/secret.ts";
import { decide } from "../../../src/stand-ins/store/engine/reviews.ts";
import { contents } from "../../support/oxalis.ts";
import {
  buildFor,
  day,
  editBrief,
  historyEntry,
  hour,
  openStores,
  portsFor,
  storeWorkspace,
  submit,
} from "../../support/stores.ts";

const { stores } = openStores();
const { stores: judged } = openStores({ isByHand: true });

/** What a person who reviews says of the only version that waits. */
async function review(decision: Record<string, string>, at = judged): Promise<void> {
  const page = await (await at.fetch(new Request("http://127.0.0.1:1/review"))).text();
  const [, store = "", app = ""] =
    /name="store" value="([^"]+)"[^>]*\/?><input type="hidden" name="app" value="(\d+)"/.exec(page) ?? [];
  expect(app).not.toBe("");
  const body = new URLSearchParams({ store, app, ...decision });
  const answer = await at.fetch(new Request("http://127.0.0.1:1/review", { method: "POST", body }));
  expect(answer.status).toBe(303);
}

const passageIn = (folder: string, client: string, store = "google-play" as const) =>
  passageOf(store, happeningsOf.read(folder, client) ?? []);

const kindsIn = (folder: string, client: string): string[] =>
  passageIn(folder, client).happened.map(({ kind }) => kind);

const states = (done: Awaited<ReturnType<typeof submit>>, at = 0) =>
  Object.fromEntries((done.submitted[at]?.steps ?? []).map(({ name, state }) => [name, state]));

const acts = (done: Awaited<ReturnType<typeof submit>>, at = 0) => done.submitted[at]?.acts.map(({ kind }) => kind);

test("from nothing to a live app: each step once, and what has happened is kept", async () => {
  const folder = storeWorkspace(["saltmarsh"], stores);
  const ports = portsFor(folder, stores);
  const planned = await submit(folder, ports, ["saltmarsh"], { dryRun: true });
  expect(states(planned)).toEqual({
    record: "to-do",
    details: "later",
    build: "lacks",
    testers: "done",
    review: "later",
    release: "later",
  });
  expect(happeningsOf.read(folder, "saltmarsh")).toBeUndefined();

  const first = await submit(folder, ports, ["saltmarsh"]);
  expect(acts(first)).toEqual(["create", "texts", "facts", "answers", "pictures"]);
  expect(first.submitted[0]?.steps.find(({ name }) => name === "build")?.lacks[0]?.what).toMatch(/oxalis build/);
  // The identifier that a store has accepted no longer follows the brief.
  expect(historyEntry(folder, "saltmarsh", "identifier-android")).toMatchObject({ fixed: "2026-11-01" });
  const { app } = passageIn(folder, "saltmarsh");
  expect(app).toMatch(/^\d{10}$/);

  buildFor(folder, "saltmarsh", "google-play");
  const second = await submit(folder, ports, ["saltmarsh"]);
  expect(acts(second)).toEqual(["send", "attach", "submit"]);
  // What people see at that number is kept: the next update is held against it.
  expect(historyEntry(folder, "saltmarsh", "seen-1")).toMatchObject({
    labels: { "": "Saltmarsh" },
    systems: {
      android: "API level 24",
      ios: expect.stringMatching(/^iOS \d/),
      windows: expect.stringMatching(/^Windows 10\./),
    },
  });
  expect(states(second)).toMatchObject({ build: "done", review: "waits", release: "later" });
  expect(acts(await submit(folder, ports, ["saltmarsh"]))).toEqual([]);

  stores.forward(8 * day);
  const third = await submit(folder, ports, ["saltmarsh"]);
  expect(acts(third)).toEqual([]);
  expect(states(third)).toMatchObject({ review: "done", release: "lacks" });
  const out = await submit(folder, ports, ["saltmarsh"], { out: "everybody" });
  expect(acts(out)).toEqual(["release"]);
  expect(passageIn(folder, "saltmarsh")).toMatchObject({ is: "live", live: { version: "1.0.0", build: 1 } });
  expect(kindsIn(folder, "saltmarsh")).toEqual([
    ...["created", "told", "told", "told", "told", "build-sent", "build-ready", "attached"],
    ...["submitted", "review-began", "approved", "live"],
  ]);
  expect(acts(await submit(folder, ports, ["saltmarsh"], { out: "everybody" }))).toEqual([]);

  // Only what differs is told, in the language that it is in.
  editBrief(folder, "saltmarsh", (text) => text.replace("short: Sea greens", "short: Fresh sea greens"));
  const text = await submit(folder, ports, ["saltmarsh"], { until: "details" });
  expect(text.submitted[0]?.acts).toMatchObject([{ kind: "texts", language: "en" }]);
  expect(text.submitted[0]?.acts[0]?.changes).toEqual([
    expect.stringMatching(/^~ short: Sea greens.* → Fresh sea greens/),
  ]);
  // This store looks at texts alone, and shows them as soon as they are approved.
  expect(acts(await submit(folder, ports, ["saltmarsh"]))).toEqual(["submit"]);
  stores.forward(8 * day);
  await submit(folder, ports, ["saltmarsh"]);
  const seen = await (await stores.fetch(new Request(`http://127.0.0.1:1/seen/google-play/${app}`))).text();
  expect(seen).toContain("Fresh sea greens");
});

test("a number is spent when it is sent: what the store refuses is told, and the next one goes", async () => {
  const folder = storeWorkspace(["3-acre"], stores);
  const ports = portsFor(folder, stores);
  buildFor(folder, "3-acre", "google-play", 4, "1.0.0", { identifier: "example.somebody" });
  const first = await submit(folder, ports, ["3-acre"]);
  const build = first.submitted[0]?.steps.find(({ name }) => name === "build");
  expect(build).toMatchObject({ state: "lacks", says: expect.stringContaining("example.somebody") });
  expect(build?.lacks[0]?.what).toMatch(/the next number/);
  expect(passageIn(folder, "3-acre")).toMatchObject({ is: "unusable", build: { build: 4, state: "refused" } });
  // Neither the same number nor one below it is taken once more.
  buildFor(folder, "3-acre", "google-play", 4, "1.0.0", { labels: { "": "other bytes" } });
  expect(states(await submit(folder, ports, ["3-acre"])).build).toBe("lacks");
  buildFor(folder, "3-acre", "google-play", 5);
  expect(acts(await submit(folder, ports, ["3-acre"]))).toEqual(["send", "attach", "submit"]);
});

test("whoever reviews gets an access: its password is named, sent along, and written nowhere", async () => {
  const { stores: own } = openStores({ isByHand: true });
  const folder = storeWorkspace(["saltmarsh"], own);
  editBrief(folder, "saltmarsh", (text) =>
    text.replace(/^store:\n/m, "store:\n  review: { user: visitor@reviews.example, password: env:REVIEW_LOGIN }\n"),
  );
  buildFor(folder, "saltmarsh", "google-play");
  const ports = portsFor(folder, own);
  const unset = await submit(folder, ports, ["saltmarsh"]);
  expect(unset.submitted[0]?.problems.map(({ code, message }) => [code, message])).toEqual([
    ["variable-unset", "REVIEW_LOGIN is not set."],
  ]);
  const password = "tide tables by the door";
  const secret = (name: string) => (name === "REVIEW_LOGIN" ? secretOf(password) : ports.secret(name));
  const bodies: string[] = [];
  const sent = await submit(
    folder,
    portsFor(folder, own, {
      secret,
      fetch: async (request) => {
        if (request.url.endsWith("/reviews")) bodies.push(await request.clone().text());
        return own.fetch(request);
      },
    }),
    ["saltmarsh"],
  );
  expect(acts(sent)).toEqual(["submit"]);
  expect(bodies.map((each) => JSON.parse(each))).toEqual([{ access: { user: "visitor@reviews.example", password } }]);
  expect(JSON.stringify(sent)).not.toContain(password);
  for (const [path, bytes] of contents(folder)) expect([path, bytes.includes(password)]).toEqual([path, false]);
  const page = await (await own.fetch(new Request("http://127.0.0.1:1/review"))).text();
  expect(page).toContain("visitor@reviews.example");
  expect(page).not.toContain(password);
});

test("what is refused is answered, what is asked too; what was sent can be taken back", async () => {
  const folder = storeWorkspace(["saltmarsh"], judged);
  const ports = portsFor(folder, judged);
  buildFor(folder, "saltmarsh", "google-play");
  await submit(folder, ports, ["saltmarsh"]);
  const back = await submit(folder, ports, ["saltmarsh"], { takeBack: true });
  expect(acts(back)).toEqual(["withdraw"]);
  expect(acts(await submit(folder, ports, ["saltmarsh"]))).toEqual(["submit"]);
  judged.forward(hour);
  await review({ decision: "refuse", rule: "Metadata", where: "short", says: "It says nothing." });
  const refused = await submit(folder, ports, ["saltmarsh"]);
  expect(refused.submitted[0]?.steps.find(({ name }) => name === "review")).toMatchObject({
    state: "lacks",
    says: "refused by Metadata (short): It says nothing.",
  });
  expect(passageIn(folder, "saltmarsh").refusal).toEqual({
    rule: "Metadata",
    where: "short",
    says: "It says nothing.",
  });
  expect(acts(await submit(folder, ports, ["saltmarsh"], { reply: "It says more now." }))).toEqual(["reply", "submit"]);
  await review({ decision: "ask", says: "Who are you?" });
  expect(acts(await submit(folder, ports, ["saltmarsh"], { reply: "Growers." }))).toEqual(["reply"]);
  await review({ decision: "accept" });
  expect(states(await submit(folder, ports, ["saltmarsh"])).release).toBe("lacks");
  expect(kindsIn(folder, "saltmarsh").slice(8)).toEqual([
    ...["submitted", "withdrawn", "submitted", "refused", "answered", "submitted"],
    ...["asked", "answered", "review-began", "approved"],
  ]);
});

test("an update goes out to a share, is halted, goes on, and what is live stays known meanwhile", async () => {
  const { stores: own } = openStores();
  const folder = storeWorkspace(["saltmarsh"], own);
  const ports = portsFor(folder, own);
  const go = async (out?: string) => {
    const done = await submit(folder, ports, ["saltmarsh"], out === undefined ? {} : { out });
    expect(done.submitted[0]?.problems).toEqual([]);
    return done;
  };
  const live = async (build: number, version: string) => {
    buildFor(folder, "saltmarsh", "google-play", build, version);
    await go();
    own.forward(8 * day);
    await go();
  };
  await live(1, "1.0.0");
  // A first version goes to everybody: there is nobody who has another.
  expect((await go("20%")).submitted[0]?.steps.at(-1)).toMatchObject({ state: "lacks" });
  await go("everybody");
  await live(2, "1.1.0");
  await go("20%");
  expect(passageIn(folder, "saltmarsh")).toMatchObject({
    ...{ is: "going-out", share: 20, live: { version: "1.0.0" }, coming: { version: "1.1.0", build: 2 } },
  });
  expect((await go("phases")).submitted[0]?.steps.at(-1)?.lacks[0]?.what).toMatch(/20%/);
  expect((await go("10%")).submitted[0]?.steps.at(-1)?.lacks[0]?.what).toBe("a share above 20 %");
  await go("halt");
  expect(passageIn(folder, "saltmarsh")).toMatchObject({ is: "paused", share: 20 });
  await go("go-on");
  await go("50%");
  expect(passageIn(folder, "saltmarsh")).toMatchObject({ is: "going-out", share: 50 });
  await go("everybody");
  expect(passageIn(folder, "saltmarsh")).toMatchObject({ is: "live", live: { version: "1.1.0", build: 2 } });
  expect(passageIn(folder, "saltmarsh").share).toBeUndefined();
});

test("phases go on by themselves, a day each, and stand still while halted", async () => {
  const { stores: own } = openStores();
  const folder = storeWorkspace(["saltmarsh"], own);
  const ports = portsFor(folder, own);
  const go = (out?: string) =>
    submit(folder, ports, ["saltmarsh"], { stores: ["app-store"], ...(out === undefined ? {} : { out }) });
  const shares = () =>
    passageOf("app-store", happeningsOf.read(folder, "saltmarsh") ?? []).happened.flatMap(({ kind, share }) =>
      kind === "out" ? [share] : kind === "live" ? [100] : [],
    );
  for (const [build, version] of [
    [1, "1.0.0"],
    [2, "1.1.0"],
  ] as const) {
    buildFor(folder, "saltmarsh", "app-store", build, version);
    await go();
    own.forward(4 * day);
    await go();
    await go(build === 1 ? "everybody" : "phases");
  }
  own.forward(2 * day + hour);
  await go();
  expect(shares()).toEqual([100, 1, 2, 5]);
  await go("halt");
  own.forward(9 * day);
  await go();
  expect(shares()).toEqual([100, 1, 2, 5]);
  await go("go-on");
  own.forward(5 * day);
  await go();
  expect(shares()).toEqual([100, 1, 2, 5, 5, 10, 20, 50, 100]);
});

test("films go in beside the pictures, from where they lie, and only what has changed", async () => {
  const { stores: own } = openStores();
  const folder = storeWorkspace(["saltmarsh"], own);
  const ports = portsFor(folder, own);
  const go = () => submit(folder, ports, ["saltmarsh"], { until: "details", stores: ["app-store"] });
  await go();
  const films = join(folder, "clients/saltmarsh/captures/iphone/en");
  cpSync("test/fixtures/films/tour.mp4", join(films, "tour.mp4"));
  const [told] = (await go()).submitted;
  expect(told?.acts.map(({ says, changes }) => [says, changes])).toEqual([
    ["send 1 film", ["+ clients/saltmarsh/captures/iphone/en/tour.mp4"]],
  ]);
  expect(acts(await go())).toEqual([]);
  rmSync(join(films, "tour.mp4"));
  expect(acts(await go())).toEqual(["pictures"]);
});

test("goods are told once, and told anew when one of them changes", async () => {
  const { stores: own } = openStores();
  const folder = storeWorkspace(["saltmarsh"], own);
  const ports = portsFor(folder, own);
  const goods = "  goods: [{ id: box, name: A box, kind: once, price: 9 GBP }]\n";
  editBrief(folder, "saltmarsh", (text) => text.replace("store:\n", `store:\n${goods}`));
  const go = () => submit(folder, ports, ["saltmarsh"], { until: "details" });
  expect(acts(await go())).toEqual(["create", "texts", "facts", "answers", "pictures", "goods"]);
  expect(acts(await go())).toEqual([]);
  editBrief(folder, "saltmarsh", (text) => text.replace("9 GBP", "11 GBP"));
  expect(acts(await go())).toEqual(["goods"]);
});

test("a name that somebody has stops its client alone", async () => {
  const { stores: own } = openStores();
  const folder = storeWorkspace(["saltmarsh", "3-acre"], own);
  const ports = portsFor(folder, own);
  await submit(folder, ports, ["3-acre"], { until: "record" });
  const other = storeWorkspace(["saltmarsh", "root-and-leaf"], own);
  editBrief(other, "root-and-leaf", (text) => text.replace(/^( {2}name:).*$/m, "$1 3 Acre Greens"));
  const done = await submit(other, portsFor(other, own), ["saltmarsh", "root-and-leaf"]);
  const [first, second] = done.submitted;
  expect([first?.client, first?.problems.map(({ code }) => code)]).toEqual(["root-and-leaf", ["submission-refused"]]);
  expect(first?.problems[0]?.message).toContain('"3 Acre Greens" is another app\'s name');
  expect([second?.client, second?.problems]).toEqual(["saltmarsh", []]);
  expect(second?.acts[0]?.kind).toBe("create");
});

test("an agreement that is not signed stops everything until it is", async () => {
  const { stores: own } = openStores();
  const folder = storeWorkspace(["saltmarsh"], own);
  const ports = portsFor(folder, own);
  const start = await (await own.fetch(new Request("http://127.0.0.1:1/"))).text();
  const account = /aria-labelledby="google-play".*?name="account" value="([^"]+)"/s.exec(start)?.[1] ?? "";
  const ask = () =>
    own.fetch(
      new Request("http://127.0.0.1:1/agreements", {
        method: "POST",
        body: new URLSearchParams({ account, agreement: "Developer Distribution Agreement" }),
      }),
    );
  buildFor(folder, "saltmarsh", "google-play");
  await submit(folder, ports, ["saltmarsh"], { until: "build" });
  await ask();
  const stopped = await submit(folder, ports, ["saltmarsh"]);
  expect(stopped.submitted[0]?.steps.find(({ name }) => name === "review")?.lacks).toEqual([
    { what: '"Developer Distribution Agreement" signed by the account\'s owner', who: "producer" },
  ]);
  expect(passageIn(folder, "saltmarsh").agreements).toEqual(["Developer Distribution Agreement"]);
  await ask();
  expect(acts(await submit(folder, ports, ["saltmarsh"]))).toEqual(["submit"]);
  expect(passageIn(folder, "saltmarsh").agreements).toEqual([]);
});

test("a store that no longer knows an app is not given it anew unasked", async () => {
  const { stores: own } = openStores();
  const folder = storeWorkspace(["saltmarsh"], own);
  await submit(folder, portsFor(folder, own), ["saltmarsh"], { until: "record" });
  const { stores: emptied } = openStores();
  const ports = portsFor(folder, emptied);
  const done = await submit(folder, { ...ports, secret: (name) => portsFor(folder, emptied).secret(name) }, [
    "saltmarsh",
  ]);
  expect(done.submitted[0]?.problems.map(({ code }) => code)).toEqual(["submission-changed"]);
});

test("nothing waits that nobody has sent", () => {
  const app = { version: { version: "1.0.0", station: "open", since: 0 } };
  expect(decide({} as never, app as never, { decision: "accept" }, 0)).toMatchObject({ status: 409 });
});
