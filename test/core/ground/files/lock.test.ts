import { spawn } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { hostname } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import { breakLock, withLock } from "../../../../src/core/ground/files/holding/lock.ts";
import { makeFolder } from "../../../../src/core/ground/files/writing/door.ts";
import { writeTogether } from "../../../../src/core/ground/files/writing/together.ts";
import { endOf, temporaryFolder } from "../../../support/oxalis.ts";

const lockOf = (root: string) => join(root, ".oxalis/lock");
const holder = (root: string) => JSON.parse(readFileSync(lockOf(root), "utf8")) as Record<string, unknown>;

/** A lock as another process would have written it. */
function lockedBy(root: string, by: Record<string, unknown>): Promise<void> {
  return withLock(root, async () => {
    const held = { ...holder(root), token: "another", ...by };
    makeFolder(root, ".oxalis");
    return () => writeFileSync(lockOf(root), JSON.stringify(held));
  }).then((write) => write());
}

test("a dead run's hold is none, also where its number has gone to another process", async () => {
  const root = temporaryFolder();
  const child = spawn("true");
  await endOf(child);
  for (const dead of [{ pid: child.pid }, { boot: "another start" }, { started: "1" }]) {
    await lockedBy(root, dead);
    expect(await withLock(root, async () => "held")).toBe("held");
  }
});

test("a run that stands still keeps its hold, and is named to the other", async () => {
  const root = temporaryFolder();
  const child = spawn("sleep", ["60"]);
  child.kill("SIGSTOP");
  const started = readFileSync(`/proc/${child.pid}/stat`, "utf8").split(") ").at(-1)?.split(" ")[19];
  const future = new Date(Date.now() + 86_400_000).toISOString();
  await lockedBy(root, { pid: child.pid, started, since: future });
  await expect(withLock(root, async () => "held")).rejects.toThrow(
    new RegExp(`process ${child.pid}, since .*by a clock that is ahead`),
  );
  child.kill("SIGKILL");
}, 15_000);

test("a hold from another machine is told, and can be broken; who had it writes nothing any more", async () => {
  const root = temporaryFolder();
  await lockedBy(root, { host: "other-desk" });
  await expect(withLock(root, async () => "held")).rejects.toThrow(/on the machine other-desk/);
  expect(breakLock(root)).toContain("other-desk");
  await expect(
    withLock(root, async () => {
      const mine = holder(root);
      expect(breakLock(root)).toContain(hostname());
      writeFileSync(lockOf(root), JSON.stringify({ ...mine, token: "another" }));
      writeTogether(root, new Map([["a", "late"]]));
    }),
  ).rejects.toThrow(/was taken from this run/);
  expect(existsSync(join(root, "a"))).toBe(false);
  expect(holder(root).token).toBe("another");
}, 15_000);
