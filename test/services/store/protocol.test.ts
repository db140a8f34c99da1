import { generateKeyPairSync } from "node:crypto";
import { SignJWT } from "jose";
import { expect, test } from "vitest";
import { faultOfMessage } from "../../../src/core/ground/interfaces/message.ts";
import { sha256 } from "../../../src/core/ground/values/hash.ts";
import { secretOf } from "../../../src/core/ground/values/secret.ts";
import { appWire } from "../../../src/core/making/submitting/wire.ts";
import type { StandInStores } from "../../../src/stand-ins/store/stand-in.ts";
import { day, hour, openStores, packageOf } from "../../support/stores.ts";

const began = Date.parse("2026-11-01T08:00:00Z");

interface Answer {
  status: number;
  body: Record<string, never> & {
    app: string;
    wrong: string;
    lacks: string[];
    received: number;
    isWhole: boolean;
    items: Record<string, string>[];
    next: string;
  };
  tag: string | null;
  headers: Headers;
}

/** A program that works in a store with a token of its own. */
async function programIn(stores: StandInStores, store = "google-play") {
  const shown = stores.shown.find((each) => each.store === store);
  const base = `http://127.0.0.1:1/${store}`;
  const [client, secret] = shown && "client" in shown ? [shown.client, shown.secret] : ["", ""];
  const basic = Buffer.from(`${client}:${secret}`).toString("base64");
  const given = await stores.fetch(
    new Request(`${base}/token`, { method: "POST", headers: { authorization: `Basic ${basic}` } }),
  );
  const { access_token: token } = (await given.json()) as { access_token: string };
  return async (
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> => {
    const sent = body instanceof Uint8Array ? Uint8Array.from(body) : body === undefined ? null : JSON.stringify(body);
    const request = new Request(base + path, {
      method,
      ...(sent === null ? {} : { body: sent }),
      headers: {
        authorization: `Bearer ${token}`,
        ...(sent === null
          ? {}
          : { "content-type": body instanceof Uint8Array ? "application/octet-stream" : "application/json" }),
        ...headers,
      },
    });
    const answer = await stores.fetch(request);
    const text = await answer.text();
    return {
      status: answer.status,
      body: text === "" ? {} : JSON.parse(text),
      tag: answer.headers.get("etag"),
      headers: answer.headers,
    };
  };
}

const hill = { identifier: "example.hill", name: "Hill", language: "en", facts: { kind: "app", price: "free" } };

async function hillIn(stores: StandInStores) {
  const ask = await programIn(stores);
  const { body } = await ask("POST", "/apps", hill);
  const at = `/apps/${body.app}`;
  const upload = async (bytes: Uint8Array, kind = "package") => {
    const sum = sha256(bytes);
    await ask("POST", "/uploads", { sum, size: bytes.length, kind });
    await ask("PUT", `/uploads/${sum}?from=0`, bytes);
    return sum;
  };
  const send = async (build: number, version = "1.0.0", more = {}) => {
    const sum = await upload(
      packageOf({ kind: "aab", identifier: "example.hill", version, build: `${build}`, ...more }),
    );
    return ask("POST", `${at}/builds`, { sum, version, build });
  };
  return { ask, at, app: body.app, upload, send };
}

test("a store describes its interface, and answers as it describes", async () => {
  const { stores } = openStores();
  for (const store of ["google-play", "app-store", "mac-app-store", "microsoft-store"]) {
    const answer = await stores.fetch(new Request(`http://127.0.0.1:1/${store}/description.json`));
    const described = (await answer.json()) as {
      openapi: string;
      paths: Record<string, Record<string, { responses: object }>>;
    };
    expect(described.openapi).toBe("3.1.0");
    expect(Object.keys(described.paths).sort()).toEqual([
      ...["/apps", "/apps/{app}", "/apps/{app}/answers", "/apps/{app}/builds", "/apps/{app}/facts"],
      ...["/apps/{app}/going-out", "/apps/{app}/goods", "/apps/{app}/happenings", "/apps/{app}/pictures"],
      ...["/apps/{app}/replies", "/apps/{app}/reviews", "/apps/{app}/testers/{track}", "/apps/{app}/testing"],
      ...["/apps/{app}/texts/{language}", "/apps/{app}/version", "/hook", "/token", "/uploads", "/uploads/{sum}"],
    ]);
    for (const [path, methods] of Object.entries(described.paths))
      for (const [method, { responses }] of Object.entries(methods))
        if (path !== "/token")
          expect([path, method, Object.keys(responses)]).toEqual([
            path,
            method,
            expect.arrayContaining(["401", "429", "503"]),
          ]);
  }
  const { ask, at, send } = await hillIn(stores);
  await send(1);
  for (const answer of [
    await ask("GET", at),
    await ask("PUT", `${at}/facts`, { kind: "app" }),
    await ask("PUT", `${at}/texts/de`, { short: "x" }),
  ])
    expect(appWire.strict().safeParse(answer.body).error).toBeUndefined();
  // What is not as described is told with its place, and nothing is done.
  expect(await ask("POST", "/apps", { identifier: 5 })).toMatchObject({
    status: 400,
    body: { wrong: expect.stringMatching(/identifier: .*name: /) },
  });
  expect((await ask("PUT", `${at}/going-out`, { how: "sideways" })).status).toBe(400);
});

test("nobody gets in without a token, with another store's, with one that has ended, or that is signed otherwise", async () => {
  let now = began;
  const { stores } = openStores({ real: () => now });
  const get = async (store: string, token: string) =>
    (await stores.fetch(new Request(`http://127.0.0.1:1/${store}/apps`, { headers: { authorization: token } }))).status;
  const own = stores.shown.find((each) => each.store === "app-store");
  if (!own || !("privateKey" in own)) throw new Error("it shows an interface key");
  const { createPrivateKey } = await import("node:crypto");
  const signed = (
    change: { audience?: string; issuer?: string; kid?: string; from?: number; lasts?: number; key?: string } = {},
  ) => {
    const from = (change.from ?? now) / 1000;
    return new SignJWT({})
      .setProtectedHeader({ alg: "ES256", kid: change.kid ?? own.keyId })
      .setIssuer(change.issuer ?? own.issuer)
      .setAudience(change.audience ?? "app-store")
      .setIssuedAt(from)
      .setExpirationTime(from + (change.lasts ?? 600))
      .sign(createPrivateKey(change.key ?? own.privateKey))
      .then((token) => get("app-store", `Bearer ${token}`));
  };
  const other = generateKeyPairSync("ec", { namedCurve: "P-256" })
    .privateKey.export({ type: "pkcs8", format: "pem" })
    .toString();
  expect(await signed()).toBe(200);
  expect(
    await Promise.all([
      signed({ audience: "google-play" }),
      signed({ issuer: "somebody" }),
      signed({ kid: "XXXXXXXXXX" }),
      signed({ key: other }),
      signed({ lasts: 3600 }),
      signed({ from: now - hour }),
      signed({ from: now + hour }),
    ]),
  ).toEqual(Array(7).fill(401));
  expect(
    await Promise.all([get("app-store", ""), get("app-store", "Bearer x.y.z"), get("app-store", "Basic eA==")]),
  ).toEqual([401, 401, 401]);
  const ask = await programIn(stores);
  expect((await ask("GET", "/apps")).status).toBe(200);
  now += 2 * hour;
  expect((await ask("GET", "/apps")).status).toBe(401);
});

test("names and identifiers are one app's; a name that nothing was sent for is let go, where a store does that", async () => {
  const { stores } = openStores();
  const ask = await programIn(stores, "microsoft-store");
  const create = (identifier: string, name: string) => ask("POST", "/apps", { ...hill, identifier, name });
  expect((await create("Hill", "Hill Farm")).status).toBe(200);
  expect(await create("Hill", "Other")).toMatchObject({ status: 409, body: { rule: "identifier unique" } });
  expect(await create("Dale", " hill FARM ")).toMatchObject({
    status: 409,
    body: { rule: "name unique", where: "name" },
  });
  stores.forward(91 * day);
  const second = await create("Dale", "Hill Farm");
  expect(second.status).toBe(200);
  const [first] = (await ask("GET", "/apps?identifier=Hill")).body.items;
  const { body } = await ask("GET", `/apps/${first?.app}/happenings`);
  expect(body.items.map(({ kind }) => kind)).toEqual(["created", "name-lapsed"]);
  // Google Play holds a name for as long as the app is there.
  const play = await hillIn(stores);
  stores.forward(400 * day);
  expect((await play.ask("POST", "/apps", { ...hill, identifier: "example.dale" })).status).toBe(409);
});

test("what is asked for twice under one key is done once; something else under it is wrong", async () => {
  const { stores } = openStores();
  const { ask, at } = await hillIn(stores);
  const key = { "idempotency-key": "k" };
  const first = await ask("PUT", `${at}/facts`, { email: "a@hill.example" }, key);
  const again = await ask("PUT", `${at}/facts`, { email: "a@hill.example" }, key);
  expect([again.status, again.body, again.tag]).toEqual([200, first.body, first.tag]);
  expect((await ask("GET", at)).tag).toBe(first.tag);
  expect(await ask("PUT", `${at}/facts`, { email: "b@hill.example" }, key)).toMatchObject({ status: 422 });
  // What was refused is not kept: it can be asked for when something else has changed.
  const refused = await ask("POST", `${at}/reviews`, {}, { "idempotency-key": "r" });
  expect(refused.status).toBe(422);
  expect((await ask("POST", `${at}/reviews`, {}, { "idempotency-key": "r" })).status).toBe(422);
});

test("what has changed since it was read is not written over", async () => {
  const { stores } = openStores();
  const { ask, at } = await hillIn(stores);
  const { tag } = await ask("GET", at);
  expect((await ask("PUT", `${at}/facts`, { a: "1" }, { "if-match": tag ?? "" })).status).toBe(200);
  expect((await ask("PUT", `${at}/facts`, { a: "2" }, { "if-match": tag ?? "" })).status).toBe(412);
  expect((await ask("GET", at)).body).toMatchObject({ facts: { a: "1" } });
});

test("a file comes in parts, goes on where it stopped, and is what its sum says", async () => {
  const { stores } = openStores();
  const ask = await programIn(stores);
  const bytes = Buffer.from("a package that comes in parts");
  const sum = sha256(bytes);
  const put = (from: number, part: Buffer) => ask("PUT", `/uploads/${sum}?from=${from}`, part);
  expect((await ask("POST", "/uploads", { sum, size: bytes.length, kind: "package" })).body).toEqual({
    sum,
    received: 0,
    isWhole: false,
  });
  expect((await put(0, bytes.subarray(0, 10))).body.received).toBe(10);
  // Of a part whose answer was lost, the same part comes again.
  expect((await put(0, bytes.subarray(0, 10))).body.received).toBe(10);
  expect((await put(20, bytes.subarray(20))).status).toBe(409);
  expect((await ask("POST", "/uploads", { sum, size: bytes.length, kind: "package" })).body.received).toBe(10);
  expect((await put(10, bytes.subarray(10))).body).toEqual({ sum, received: bytes.length, isWhole: true });
  const other = sha256("something else");
  await ask("POST", "/uploads", { sum: other, size: 3, kind: "package" });
  expect((await ask("PUT", `/uploads/${other}?from=0`, Buffer.from("abc"))).status).toBe(422);
  expect((await ask("POST", "/uploads", { sum: other, size: 3, kind: "package" })).body.received).toBe(0);
});

test("a number rises and is used once, a signer stays, and a package is what its record says", async () => {
  const { stores } = openStores();
  const { ask, at, send } = await hillIn(stores);
  expect((await send(5)).status).toBe(200);
  expect(await send(5)).toMatchObject({ status: 409, body: { rule: "number rises" } });
  expect((await send(4)).status).toBe(409);
  const states = async () => {
    stores.forward(3 * hour);
    const { body } = await ask("GET", at);
    return (body as unknown as { builds: { build: number; state: string; why?: string }[] }).builds.map(
      ({ build, state, why = "" }) => `${build} ${state} ${why}`.trim(),
    );
  };
  await send(6, "1.0.0", { signer: { subject: "CN=Dale", sha256: "CD", by: "" } });
  await states();
  await send(7, "1.0.0", { signer: { subject: "CN=Dale", sha256: "CD", by: "" } });
  await send(8, "1.0.0", { kind: "ipa" });
  await send(9, "1.0.0", { version: "2.0.0" });
  await send(10, "1.0.0", { build: "77" });
  await send(11, "1.0.0", { signer: undefined });
  expect(await states()).toEqual([
    "11 refused The package is not signed.",
    "10 refused The package says build 77, not 10.",
    "9 refused The package says version 2.0.0, not 1.0.0.",
    "8 refused A package of the form ipa is not taken here, but aab or apk.",
    "7 refused The package is signed by CN=Dale: the first one was signed by somebody else.",
    "6 ready",
    "5 ready",
  ]);
  expect(await ask("PUT", `${at}/version`, { version: "1.0.0", build: 9 })).toMatchObject({ status: 409 });
  expect(await ask("PUT", `${at}/version`, { version: "1.1.0", build: 5 })).toMatchObject({
    status: 422,
    body: { rule: "version of the build" },
  });
});

test("lists come a page at a time, each thing once", async () => {
  const { stores } = openStores();
  const ask = await programIn(stores);
  for (let at = 0; at < 7; at++)
    await ask("POST", "/apps", { ...hill, identifier: `example.hill${at}`, name: `Hill ${at}` });
  const seen: string[] = [];
  for (let after = ""; ; ) {
    const { body } = await ask("GET", `/apps?most=3${after === "" ? "" : `&after=${after}`}`);
    seen.push(...body.items.map(({ identifier = "" }) => identifier));
    if (body.next === undefined) break;
    after = body.next;
  }
  expect([...seen].sort()).toEqual(Array.from({ length: 7 }, (_, at) => `example.hill${at}`));
});

test("whoever calls too often is told to wait; in an outage nobody is there; a lost answer was an act all the same", async () => {
  let now = began;
  const { stores } = openStores({ real: () => now });
  const { ask, at } = await hillIn(stores);
  stores.setWeather({ outage: false, losesAnswers: 0, slow: 0, callsAMinute: 3 });
  const calls = async () => (await ask("GET", at)).status;
  expect([await calls(), await calls(), await calls()]).toEqual([200, 200, 200]);
  const slow = await ask("GET", at);
  expect([slow.status, slow.headers.get("retry-after")]).toEqual([429, "60"]);
  now += 61_000;
  expect(await calls()).toBe(200);
  stores.setWeather({ outage: true, losesAnswers: 0, slow: 0 });
  expect(await calls()).toBe(503);
  stores.setWeather({ outage: false, losesAnswers: 1, slow: 0 });
  await expect(ask("PUT", `${at}/facts`, { a: "lost" })).rejects.toThrow();
  stores.setWeather({ outage: false, losesAnswers: 0, slow: 0 });
  expect((await ask("GET", at)).body).toMatchObject({ facts: { a: "lost" } });
});

test("what is kept is there after a restart, and the clock goes on where it was", async () => {
  const { stores, folder } = openStores();
  const { ask, at, send } = await hillIn(stores);
  await send(1);
  stores.forward(5 * day);
  const before = (await ask("GET", at)).body;
  await stores.close();
  const { stores: again } = openStores({ folder });
  expect(again.shown).toEqual([]);
  expect(again.now()).toBe(began + 5 * day);
  const page = await (await again.fetch(new Request(`http://127.0.0.1:1/seen/google-play/${before.app}`))).text();
  expect(page).toContain("build 1 can be used");
});

test("testers are asked to take part, have the build that is allowed, and a track has its limits", async () => {
  const { stores } = openStores();
  const { ask, at, app, send } = await hillIn(stores);
  await send(1);
  stores.forward(3 * hour);
  const people = (count: number) =>
    Array.from({ length: count }, (_, each) => ({ address: `t${each}@field.example`, group: "field" }));
  expect((await ask("PUT", `${at}/testers/inner`, people(101))).status).toBe(422);
  await ask("PUT", `${at}/testers/inner`, people(2));
  await ask("PUT", `${at}/testers/outer`, people(1));
  await ask("POST", `${at}/testing`, { build: 1, tracks: ["inner", "outer"] });
  const tries = async (track: "inner" | "outer") =>
    (
      (await ask("GET", at)).body as unknown as {
        testers: Record<string, { address: string; link: string; came?: string; build?: number }[]>;
      }
    ).testers[track] ?? [];
  const [first] = await tries("inner");
  const join = (link = "") => stores.fetch(new Request(`http://127.0.0.1:1${link}`, { method: "POST" }));
  expect((await join(first?.link)).status).toBe(200);
  expect((await join(`/join/google-play/${app}/nobody`)).status).toBe(404);
  expect((await tries("inner")).map(({ came, build }) => [came !== undefined, build])).toEqual([
    [true, 1],
    [false, undefined],
  ]);
  // The store looks at what people outside get, once a version.
  await join((await tries("outer"))[0]?.link);
  expect((await tries("outer"))[0]?.build).toBeUndefined();
  stores.forward(8 * day);
  expect((await tries("outer"))[0]?.build).toBe(1);
  // Whoever stays on the list has come still.
  await ask("PUT", `${at}/testers/inner`, people(1));
  expect((await tries("inner")).map(({ came }) => came !== undefined)).toEqual([true]);
});

test("a build can be tried for so many days, and no longer", async () => {
  const { stores } = openStores();
  const shown = stores.shown.find((each) => each.store === "app-store");
  if (!shown || !("privateKey" in shown)) throw new Error("it shows an interface key");
  const { createPrivateKey } = await import("node:crypto");
  const token = await new SignJWT({})
    .setProtectedHeader({ alg: "ES256", kid: shown.keyId })
    .setIssuer(shown.issuer)
    .setAudience("app-store")
    .setIssuedAt(began / 1000)
    .setExpirationTime(began / 1000 + 600)
    .sign(createPrivateKey(shown.privateKey));
  const call = async (method: string, path: string, body?: object | Uint8Array) => {
    const sent = body instanceof Uint8Array ? Uint8Array.from(body) : body ? JSON.stringify(body) : null;
    const type = body instanceof Uint8Array ? "application/octet-stream" : "application/json";
    const headers = { authorization: `Bearer ${token}`, "content-type": type };
    const answer = await stores.fetch(
      new Request(`http://127.0.0.1:1/app-store${path}`, { method, headers, ...(sent ? { body: sent } : {}) }),
    );
    return (await answer.json()) as { app: string; builds: { state: string; until: string }[] };
  };
  const { app } = await call("POST", "/apps", { ...hill, facts: { sku: "hill" } });
  const bytes = packageOf({ kind: "ipa", identifier: "example.hill", version: "1.0.0", build: "1" });
  const sum = sha256(bytes);
  await call("POST", "/uploads", { sum, size: bytes.length, kind: "package" });
  await call("PUT", `/uploads/${sum}?from=0`, bytes);
  await call("POST", `/apps/${app}/builds`, { sum, version: "1.0.0", build: 1 });
  stores.forward(2 * day);
  const [ready] = (await call("GET", `/apps/${app}`)).builds;
  expect(ready?.state).toBe("ready");
  stores.forward(Date.parse(ready?.until ?? "") - stores.now() - 1000);
  expect((await call("GET", `/apps/${app}`)).builds[0]?.state).toBe("ready");
  stores.forward(2000);
  expect((await call("GET", `/apps/${app}`)).builds[0]?.state).toBe("ended");
});

test("messages go to an account's address, signed, and again until they are taken", async () => {
  const { createServer } = await import("node:http");
  const heard: { stamp: Record<string, string | undefined>; body: string }[] = [];
  let isThere = false;
  const server = createServer((request, answer) => {
    let body = "";
    request.on("data", (part) => {
      body += part;
    });
    request.on("end", () => {
      if (isThere) heard.push({ stamp: request.headers as Record<string, string>, body });
      answer.writeHead(isThere ? 200 : 500).end();
    });
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const { port } = server.address() as { port: number };
  const { stores } = openStores();
  const { ask, send } = await hillIn(stores);
  const secret = "0123456789abcdef";
  expect((await ask("PUT", "/hook", { address: `http://127.0.0.1:${port}/`, secret })).status).toBe(204);
  await send(1);
  await stores.deliver();
  expect(heard).toEqual([]);
  isThere = true;
  await stores.deliver();
  await stores.deliver();
  server.close();
  expect(heard.map(({ body }) => JSON.parse(body).kind)).toEqual(["build-sent"]);
  const [message] = heard;
  expect(faultOfMessage(secretOf(secret), message?.stamp ?? {}, message?.body ?? "", began / 1000)).toBeUndefined();
});

test("pages of the stores' people take nothing that another page sends", async () => {
  const { stores } = openStores();
  const post = async (origin?: string) =>
    (
      await stores.fetch(
        new Request("http://127.0.0.1:1/clock", {
          method: "POST",
          body: new URLSearchParams({ hours: "1" }),
          headers: { host: "127.0.0.1:1", ...(origin ? { origin } : {}) },
        }),
      )
    ).status;
  expect(await post("http://127.0.0.1:1")).toBe(303);
  expect(await post()).toBe(303);
  expect(await post("https://evil.example")).toBe(403);
  expect(await post("null")).toBe(403);
  expect(stores.now()).toBe(began + 2 * hour);
});
