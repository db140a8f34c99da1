import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { expect, test } from "vitest";
import { endOf, startWith, workspaceWith } from "../support/oxalis.ts";

/** A picture that takes longer to draw than it is given: very many dashes. */
const slow =
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path stroke="#000" stroke-width=".01" ` +
  `stroke-dasharray=".001" fill="none" d="M${Array.from({ length: 20_000 }, (_, at) => `${at % 9} ${(at * 7) % 8.9}`).join("L")}"/></svg>`;

/** Processes that draw a picture apart for a run, and their environments. */
function drawing(parent: number | undefined): { pid: number; environment: string }[] {
  return readdirSync("/proc")
    .map(Number)
    .filter(Number.isInteger)
    .flatMap((pid) => {
      try {
        const isIts = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ").at(-1)?.split(" ")[1] === String(parent);
        const environment = readFileSync(`/proc/${pid}/environ`, "utf8");
        // Until it has become another program, a process has what its parent has.
        return isIts && environment.includes("OXALIS_STARTED_BY") ? [{ pid, environment }] : [];
      } catch {
        return [];
      }
    });
}

test.skipIf(process.platform !== "linux").each(["SIGTERM", "SIGINT", "SIGHUP"] as const)(
  "a stranger's picture is drawn by a process that knows no password, and that ends with its run: %s",
  async (signal) => {
    const folder = workspaceWith(["3-acre"]);
    writeFileSync(join(folder, "clients/3-acre/art/mark.svg"), slow);
    const child = startWith({ OXALIS_SMTP_PASSWORD: "pass-of-the-server" }, folder, "check", "3-acre");
    let found = drawing(child.pid);
    for (let waited = 0; waited < 100 && found.length === 0; waited++) {
      await setTimeout(50);
      found = drawing(child.pid);
    }
    expect(found).toHaveLength(1);
    expect(found[0]?.environment).not.toMatch(/pass-of-the-server|HOME=/);
    child.kill(signal);
    const code = await endOf(child);
    expect(code).toBe({ SIGHUP: 129, SIGINT: 130, SIGTERM: 143 }[signal]);
    await setTimeout(200);
    expect(spawnSync("ps", ["-o", "stat=", "-p", String(found[0]?.pid)], { encoding: "utf8" }).stdout.trim()).toMatch(
      /^(Z.*)?$/,
    );
  },
);
