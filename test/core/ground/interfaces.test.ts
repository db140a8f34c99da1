import { generateKeyPairSync } from "node:crypto";
import { readFileSync } from "node:fs";
import { createServer } from "node:https";
import { expect, test } from "vitest";
import type { Entry, World } from "../../../src/core/ground/interfaces/asked.ts";
import { largestAnswer } from "../../../src/core/ground/interfaces/body.ts";
import { openInterface } from "../../../src/core/ground/interfaces/call.ts";
import { faultOfMessage, stampOf } from "../../../src/core/ground/interfaces/message.ts";
import { credentialsEntry, signedEntry } from "../../../src/core/ground/interfaces/token.ts";
import { attemptAsync } from "../../../src/core/ground/problems/result.ts";
import { reveal, secretOf } from "../../../src/core/ground/values/secret.ts";
import { signingPair } from "../../support/packages.ts";

const token = "a-token-that-nobody-reads";
const entry: Entry = { token: async () => secretOf(token) };
const json = (body: unknown, init: ResponseInit = {}) => new Response(JSON.stringify(body), init);

/** A world in which calls are answered one after the other, the last answer ever after. */
function worldOf(...answers: ((request: Request) => Response | Promise<Response>)[]) {
  const asked: Request[] = [];
  let now = Date.parse("2026-11-01T00:00:00Z");
  const pauses: number[] = [];
  const world: World = {
    now: () => now,
    pause: async (time) => {
      now += time;
      pauses.push(time);
    },
    fetch: async (request) => {
      asked.push(request);
      const answer = answers[Math.min(asked.length, answers.length) - 1];
      if (!answer) throw new TypeError("fetch failed");
      return answer(request);
    },
  };
  return { world, asked, pauses };
}

const opened = (world: World, own: Entry = entry) =>
  openInterface({ title: "Hill Store", address: "https://hill.example/", entry: own }, world);

const problemOf = async (world: World, own?: Entry) => {
  const done = await attemptAsync(() => opened(world, own)({ method: "GET", path: "/apps" }));
  const problem = done.ok ? undefined : done.problems[0];
  expect(JSON.stringify(problem ?? {})).not.toContain(token);
  return problem;
};

test("a call says what it is, whose, under which key, and on what state it sets out", async () => {
  const { world, asked } = worldOf(() => json({ a: 1 }, { headers: { etag: '"7"' } }));
  const answer = await opened(world)({ method: "PUT", path: "/a?b=c", body: { x: "ü" }, key: "k1", match: '"6"' });
  expect(answer).toEqual({ status: 200, body: { a: 1 }, tag: '"7"' });
  const [request] = asked;
  expect(request?.url).toBe("https://hill.example/a?b=c");
  expect(await request?.json()).toEqual({ x: "ü" });
  expect(Object.fromEntries(request?.headers ?? [])).toMatchObject({
    ...{ authorization: `Bearer ${token}`, "idempotency-key": "k1", "if-match": '"6"' },
    "content-type": "application/json",
  });
});

test("what gets no answer is asked again under the same key, and given up at last", async () => {
  const lost = () => {
    throw new TypeError("fetch failed", { cause: Object.assign(new Error("reset"), { code: "ECONNRESET" }) });
  };
  const broken = () => new Response(new ReadableStream({ start: (stream) => stream.error(new TypeError("cut")) }));
  const { world, asked, pauses } = worldOf(
    lost,
    () => json({}, { status: 502 }),
    broken,
    () => json({ done: true }),
  );
  const answer = await opened(world)({ method: "POST", path: "/apps", key: "once" });
  expect(answer.body).toEqual({ done: true });
  expect(asked.map(({ headers }) => headers.get("idempotency-key"))).toEqual(["once", "once", "once", "once"]);
  expect(pauses).toEqual([...pauses].sort((a, b) => a - b));
  expect(await problemOf(worldOf(lost).world)).toMatchObject({
    code: "interface-unreachable",
    message: expect.stringContaining("ECONNRESET"),
  });
});

test("whoever is asked too often says for how long to wait, and is waited for", async () => {
  const slow = (retryAfter?: string) => () =>
    json(
      { wrong: "Too many calls." },
      { status: 429, ...(retryAfter ? { headers: { "retry-after": retryAfter } } : {}) },
    );
  const { world, pauses } = worldOf(slow("7"), slow("Sun, 01 Nov 2026 00:00:20 GMT"), slow(), slow("86400"), () =>
    json(1),
  );
  expect((await opened(world)({ method: "GET", path: "/" })).body).toBe(1);
  // Seven seconds, the rest of twenty, one where nothing is said, and no more than two minutes.
  expect(pauses).toEqual([7000, 13_000, 1000, 120_000]);
});

test("an answer that leads elsewhere, is too large, or is no JSON is an error, and no more of it is read", async () => {
  expect(
    await problemOf(
      worldOf(() => new Response(null, { status: 302, headers: { location: "https://evil.example/" } })).world,
    ),
  ).toMatchObject({
    ...{ code: "interface-answer", message: expect.stringContaining("another address") },
  });
  expect(await problemOf(worldOf(() => new Response("<html>")).world)).toMatchObject({
    message: expect.stringContaining("no JSON"),
  });
  let given = 0;
  const endless = () =>
    new Response(
      new ReadableStream({
        pull(stream) {
          given += 1_000_000;
          stream.enqueue(new Uint8Array(1_000_000));
        },
      }),
    );
  expect(await problemOf(worldOf(endless).world)).toMatchObject({
    message: expect.stringContaining(`${largestAnswer} bytes`),
  });
  expect(given).toBeLessThan(10_000_000);
});

test("a token that has ended is taken anew once; a clock that is apart is told as that", async () => {
  const fresh: boolean[] = [];
  const own: Entry = {
    token: async (isAnew) => {
      fresh.push(isAnew);
      return secretOf(token);
    },
  };
  const no = (date?: string) => () => json({ wrong: "no" }, { status: 401, ...(date ? { headers: { date } } : {}) });
  const { world } = worldOf(no(), () => json("in"));
  expect((await opened(world, own)({ method: "GET", path: "/" })).body).toBe("in");
  expect(fresh).toEqual([false, true]);
  expect(await problemOf(worldOf(no("Sun, 01 Nov 2026 00:01:00 GMT")).world)).toMatchObject({
    code: "interface-refused",
  });
  expect(await problemOf(worldOf(no("Mon, 02 Nov 2026 00:00:00 GMT")).world)).toMatchObject({
    ...{ code: "clock-apart", message: expect.stringContaining("24 hours apart") },
  });
});

test("a certificate that does not fit is told as that", async () => {
  const { key, certificate } = signingPair();
  const server = createServer({ key: readFileSync(key), cert: readFileSync(certificate) }, (_, answer) =>
    answer.end("{}"),
  );
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const { port } = server.address() as { port: number };
  const { world } = worldOf((request) => fetch(request.url.replace("hill.example", `127.0.0.1:${port}`)));
  const problem = await problemOf(world);
  server.close();
  expect(problem).toMatchObject({ code: "interface-unreachable", message: expect.stringContaining("does not fit") });
});

test("tokens are signed by the key, kept until they are about to end, and never longer than stores take", async () => {
  const { privateKey, publicKey } = generateKeyPairSync("ec", { namedCurve: "P-256" });
  const key = secretOf(privateKey.export({ type: "pkcs8", format: "pem" }).toString());
  let now = Date.parse("2026-11-01T00:00:00Z");
  const own = signedEntry({ key, keyId: "AB12CD34EF", issuer: "me", audience: "hill" }, { now: () => now });
  const first = await own.token(false);
  expect(String(first)).toBe("•••");
  const [head = "", claims = "", signature = ""] = reveal(first).split(".");
  const read = (part: string) => JSON.parse(Buffer.from(part, "base64url").toString());
  expect(read(head)).toEqual({ alg: "ES256", kid: "AB12CD34EF", typ: "JWT" });
  expect(read(claims)).toEqual({ iss: "me", aud: "hill", iat: now / 1000, exp: now / 1000 + 900 });
  const { verify } = await import("node:crypto");
  const given = { key: publicKey, dsaEncoding: "ieee-p1363" } as const;
  expect(verify("sha256", Buffer.from(`${head}.${claims}`), given, Buffer.from(signature, "base64url"))).toBe(true);
  now += 800_000;
  expect(reveal(await own.token(false))).toBe(reveal(first));
  now += 100_000;
  expect(reveal(await own.token(false))).not.toBe(reveal(first));
  expect(
    await attemptAsync(() =>
      signedEntry({ key: secretOf("no key"), keyId: "", issuer: "", audience: "" }, { now: () => now }).token(false),
    ),
  ).toMatchObject({
    ...{ ok: false, problems: [{ code: "interface-refused" }] },
  });
});

test("credentials are told to their address alone, in its own form, and give a token or an error", async () => {
  const own = (world: World) =>
    credentialsEntry(
      { title: "Hill Store", address: "https://hill.example/token", client: secretOf("a:b"), secret: secretOf("s%") },
      world,
    );
  const { world, asked } = worldOf(() => json({ access_token: "t", expires_in: 3600 }));
  expect(reveal(await own(world).token(false))).toBe("t");
  expect(await asked[0]?.text()).toBe("grant_type=client_credentials");
  const basic = Buffer.from((asked[0]?.headers.get("authorization") ?? "").replace("Basic ", ""), "base64").toString();
  expect(basic).toBe("a%3Ab:s%25");
  const codeOf = async (answer: () => Response) => {
    const done = await attemptAsync(() => own(worldOf(answer).world).token(false));
    return done.ok ? undefined : done.problems[0]?.code;
  };
  expect(await codeOf(() => json({}, { status: 401 }))).toBe("interface-refused");
  expect(await codeOf(() => json({ access_token: 5 }))).toBe("interface-refused");
  expect(await codeOf(() => new Response("x".repeat(100_000)))).toBe("interface-unreachable");
});

test("a message is what its sender sent just now, or it is none", () => {
  const secret = secretOf("0123456789abcdef");
  const stamp = stampOf(secret, "m1", 1_000_000, "{}");
  const fault = (change: object, body = "{}", now = 1_000_100) =>
    faultOfMessage(secret, { ...stamp, ...change }, body, now);
  expect(fault({})).toBeUndefined();
  expect(fault({}, '{"a":1}')).toMatch(/signature/);
  expect(fault({ "message-id": "m2" })).toMatch(/signature/);
  expect(fault({ "message-time": "1000001" })).toMatch(/signature/);
  expect(fault({ "message-signature": "" })).toMatch(/signature/);
  expect(faultOfMessage(secretOf("another one, as long"), stamp, "{}", 1_000_100)).toMatch(/signature/);
  // Somebody has kept it.
  expect(fault({}, "{}", 1_000_400)).toMatch(/another time/);
});
