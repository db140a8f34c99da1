import type { ChildProcess } from "node:child_process";
import { existsSync, mkdirSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { type AddressInfo, createServer } from "node:net";
import { join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { boardOf } from "../support/board.ts";
import { historyOf } from "../support/history.ts";
import { type Listening, mailServer, runWith } from "../support/mail-server.ts";
import { oxalis, temporaryFolder, workspaceWith } from "../support/oxalis.ts";

let folder: string;
beforeEach(() => {
  folder = workspaceWith(["brennans-bothy", "ferme-duclos", "orchard-lane"]);
});
let server: Listening | undefined;
afterEach(() => server?.close());

const letters = (key: string) => historyOf(folder, key).letters;
const idOf = (data: string) => /^Message-ID: (\S+)/m.exec(data)?.[1];

describe("a letter goes out once", () => {
  test("whenever the run is killed: what may have arrived is told, and sent again only by whoever says so", async () => {
    // The server has the letter, and the run dies before or after it hears of that.
    for (const delay of [0, 5, 40]) {
      let child: ChildProcess | undefined;
      server = await mailServer(() => {
        globalThis.setTimeout(() => child?.kill("SIGKILL"), delay);
        return delay > 0;
      });
      const at = workspaceWith(["brennans-bothy"]);
      await server.run(at, ["ask", "--send"], (started) => {
        child = started;
      });
      expect(server.got).toHaveLength(1);
      const again = await server.run(at, ["ask", "--send"]);
      expect([server.got.length, again.code]).toEqual([1, 1]);
      expect(again.said).toMatch(/may have arrived\. {2}\[letter-unsure\]|today already\. {2}\[letter-repeated\]/);
      await server.close();
    }
    server = undefined;
  });

  test("where the server takes it and never answers: a second time only when asked, as the same message", async () => {
    server = await mailServer(() => false);
    const { port } = server;
    // A server that closes at the end of the text, as one that restarts does.
    const closing = server.run(folder, ["ask", "brennans-bothy", "--send"]);
    while (server.got.length === 0) await setTimeout(20);
    await server.close();
    const first = await closing;
    expect([first.code, first.said]).toEqual([1, expect.stringContaining("1 may have arrived")]);
    expect(letters("brennans-bothy")).toMatchObject([{ state: "unsure", to: "hello@brennans.example" }]);
    expect(boardOf(folder, "brennans-bothy")[0]?.problems.map(({ code }) => code)).toContain("letter-unsure");
    const before = server.got[0]?.data ?? "";
    // A second try that reaches nobody takes back nothing of that.
    expect((await server.run(folder, ["ask", "brennans-bothy", "--send", "--again"])).code).toBe(1);
    expect(letters("brennans-bothy")).toMatchObject([{ state: "unsure" }]);
    server = await mailServer();
    expect(server.port).not.toBe(port);
    const again = await server.run(folder, ["ask", "brennans-bothy", "--send", "--again"]);
    expect([again.code, server.got.length]).toEqual([0, 1]);
    expect(idOf(server.got[0]?.data ?? "")).toBe(idOf(before));
    expect(letters("brennans-bothy")).toMatchObject([{ state: "sent" }]);
  });

  test("on one day, unless it is asked for; another message then", async () => {
    server = await mailServer();
    const send = (...args: string[]) => server?.run(folder, ["ask", "brennans-bothy", "--send", ...args]);
    await Promise.all([send(), send()]);
    expect((await send())?.said).toContain("[letter-repeated]");
    expect(server.got).toHaveLength(1);
    expect((await send("--again"))?.code).toBe(0);
    expect(new Set(server.got.map(({ data }) => idOf(data))).size).toBe(2);
    expect(letters("brennans-bothy")).toHaveLength(2);
  });

  test("what somebody sent by hand counts, and so does what may have arrived once somebody says that it did", () => {
    expect(oxalis(folder, "ask", "--sent").err).toContain("It is not said which clients.");
    expect(oxalis(folder, "ask", "brennans-bothy", "--sent").code).toBe(0);
    expect(oxalis(folder, "ask", "brennans-bothy", "--dry-run").out).toContain("[still]");
    const file = join(folder, "clients/ferme-duclos/asked.json");
    const unsure = { on: "2026-11-20", to: "a@b.example", until: "2026-12-01", things: ["support"], id: "x@y.example" };
    writeFileSync(file, JSON.stringify({ form: 2, letters: [{ ...unsure, state: "unsure" }] }));
    expect(oxalis(folder, "ask", "ferme-duclos", "--sent").code).toBe(0);
    expect(letters("ferme-duclos")).toEqual([{ ...unsure, state: "sent" }]);
    expect(existsSync(file)).toBe(false);
    // As it was kept before there were states.
    rmSync(join(folder, "clients/ferme-duclos/history"), { recursive: true });
    const { id: _, ...plain } = unsure;
    writeFileSync(file, JSON.stringify({ form: 1, letters: [plain] }));
    expect(boardOf(folder, "ferme-duclos")[0]?.asked).toBe("2026-11-20");
  });
});

describe("what stops one letter stops no other", () => {
  test("a file in the way of one, a brief that nobody can read, a record that is damaged: each is told once", async () => {
    server = await mailServer();
    const at = workspaceWith(["brennans-bothy", "ferme-duclos", "orchard-lane", "high-hedges"]);
    mkdirSync(join(at, "letters/brennans-bothy.txt"), { recursive: true });
    writeFileSync(join(at, "clients/ferme-duclos/brief.yaml"), "app: [\n");
    writeFileSync(join(at, "clients/high-hedges/asked.json"), "{\n<<<<<<< ours\n");
    const { code, said } = await server.run(at, ["ask", "--send"]);
    expect(code).toBe(1);
    for (const told of ["[write-failed]", "[yaml-syntax]", "[history-damaged]"])
      expect(said.split(told), told).toHaveLength(2);
    expect(server.got.map(({ to }) => to[0])).toEqual([expect.stringContaining("orchard")]);
  });

  test("a server that is not there is asked once for all letters", async () => {
    const gone = await mailServer();
    await gone.close();
    const { code, said } = await gone.run(folder, ["ask", "--send"]);
    expect(code).toBe(1);
    expect(said).toMatch(/2 more letters were not tried\. {2}\[mail-refused\]/);
    expect(said.match(/mail-refused/g)).toHaveLength(1);
  });

  test("a server that says nothing keeps nobody from the workspace", async () => {
    const silent = createServer(() => {}).listen(0, "127.0.0.1");
    await new Promise((ready) => silent.once("listening", ready));
    let child: ChildProcess | undefined;
    const { port } = silent.address() as AddressInfo;
    const sending = runWith(`smtp://127.0.0.1:${port}`, folder, ["ask", "--send"], (started) => {
      child = started;
    });
    await new Promise((connected) => silent.once("connection", connected));
    expect(oxalis(folder, "release", "brennans-bothy", "--force").code).toBe(0);
    child?.kill("SIGKILL");
    await sending;
    silent.close();
  });
});

describe("a result goes where it is wanted, and nowhere else", () => {
  test.each([
    ["ask", "letters"],
    ["copy-sheet", "variants"],
    ["proof", "variants"],
  ])("%s does not write through a link in the place of %s", (command, name) => {
    const outside = temporaryFolder();
    symlinkSync(outside, join(folder, name));
    const args = command === "copy-sheet" ? ["brennans-bothy", "app-store"] : [];
    const { code, err } = oxalis(folder, command, ...args);
    expect([code, err]).toEqual([1, expect.stringContaining("[path-outside]")]);
    expect(oxalis(outside, "demo", ".").code).toBe(0); // nothing is there yet
  });

  test("no page is written over a brief, nor into a device", () => {
    const named = (file: string) => oxalis(folder, "copy-sheet", "brennans-bothy", "app-store", "-o", file);
    expect(named("clients/brennans-bothy/brief.yaml").err).toContain("[output-refused]");
    expect(named("/dev/null").err).toContain("[write-failed]");
    expect(named("sheet.html").code).toBe(0);
  });
});
