import { mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { folderContents, pathOfSum, trimContents } from "../../src/core/ground/contents/folder.ts";
import { servedContents } from "../../src/core/ground/contents/http.ts";
import { openNearby } from "../../src/core/ground/contents/open.ts";
import { sha256 } from "../../src/core/ground/values/hash.ts";
import { secretOf } from "../../src/core/ground/values/secret.ts";
import { contentsService } from "../../src/services/contents/service.ts";
import { temporaryFolder } from "../support/oxalis.ts";

const token = secretOf("open-sesame");
const [text, other] = ["a picture", "another"];
const sum = sha256(text);

function served() {
  const root = temporaryFolder();
  const service = contentsService(root, token);
  const ask = (path: string, init: RequestInit & { token?: string } = {}) =>
    service.request(path, { ...init, headers: { authorization: `Bearer ${init.token ?? "open-sesame"}` } });
  return { root, service, ask };
}

test("what has a sum is given to whoever has the token, and to nobody else", async () => {
  const { root, ask, service } = served();
  expect((await ask(`/contents/${sum}`, { method: "PUT", body: text })).status).toBe(204);
  expect(await (await ask(`/contents/${sum}`)).text()).toBe(text);
  expect((await ask(`/contents/${sha256(other)}`)).status).toBe(404);
  for (const known of ["open-sesam", "open-sesamee", ""])
    for (const [path, method] of [
      [`/contents/${sum}`, "GET"],
      [`/contents/${sha256(other)}`, "PUT"],
      ["/missing", "POST"],
    ] as const)
      expect((await ask(path, { method, token: known, ...(method === "GET" ? {} : { body: other }) })).status).toBe(
        401,
      );
  expect((await service.request(`/contents/${sum}`)).status).toBe(401);
  expect(readdirSync(join(root, "sums"))).toEqual([sum.slice(0, 2)]);
  const described = (await (await service.request("/description.json")).json()) as { paths: object };
  expect(Object.keys(described.paths).sort()).toEqual(["/contents/{sum}", "/missing"]);
});

test("nothing is kept under a sum that is not its own, and no path leads out of the folder", async () => {
  const { root, ask } = served();
  const put = async (path: string, body: string) => (await ask(path, { method: "PUT", body })).status;
  expect(await put(`/contents/${sum}`, other)).toBe(400);
  for (const path of ["/contents/..%2f..%2fetc%2fpasswd", `/contents/${sum.toUpperCase()}`, `/contents/${sum}0`])
    expect([await put(path, text), (await ask(path)).status], path).toEqual([400, 400]);
  expect(readdirSync(root, { recursive: true, withFileTypes: true }).filter((each) => each.isFile())).toEqual([]);
});

test("contents over HTTP are those of the folder; a machine keeps nearby what it has asked for, while it is sound", async () => {
  const { root, service } = served();
  const former = globalThis.fetch;
  let asked = 0;
  globalThis.fetch = (async (address: string, init: RequestInit) => {
    asked++;
    return service.fetch(new Request(address, { ...init, duplex: "half" } as RequestInit));
  }) as typeof fetch;
  try {
    const far = servedContents("http://contents.example/", token);
    expect(await far.missing([sum, sha256(other)])).toEqual([sum, sha256(other)]);
    await far.put(sum, Buffer.from(text));
    expect(await far.missing([sum, sha256(other)])).toEqual([sha256(other)]);
    await expect(far.get(sha256(other))).rejects.toThrow("Nothing is kept as");
    await expect(servedContents("http://contents.example", secretOf("x")).get(sum)).rejects.toThrow("the token");
    const { contents } = openNearby("http://contents.example", token, temporaryFolder());
    const before = asked;
    for (const _ of [1, 2]) expect(Buffer.from(await contents.get(sum)).toString()).toBe(text);
    expect(asked - before).toBe(1);
    writeFileSync(join(root, pathOfSum(sum)), other);
    await expect(far.get(sum)).rejects.toThrow("is something else");
  } finally {
    globalThis.fetch = former;
  }
});

test("what was not used for longest goes first, where there is more than there may be", async () => {
  const root = temporaryFolder();
  const contents = folderContents(root);
  const texts = ["one", "two", "six"];
  for (const each of texts) {
    await contents.put(sha256(each), Buffer.from(each));
    await new Promise((over) => setTimeout(over, 20));
  }
  await contents.get(sha256("one"));
  trimContents(root, 7);
  expect(await contents.missing(texts.map(sha256))).toEqual([sha256("two")]);
  mkdirSync(dirname(join(root, pathOfSum(sum))), { recursive: true });
  writeFileSync(join(root, pathOfSum(sum)), other);
  await expect(contents.get(sum)).rejects.toThrow("is something else");
});
