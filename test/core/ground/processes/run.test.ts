import { readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { setTimeout } from "node:timers/promises";
import { inspect } from "node:util";
import { expect, test } from "vitest";
import { type Program, run } from "../../../../src/core/ground/processes/run.ts";
import { mask, reveal, secretOf } from "../../../../src/core/ground/values/secret.ts";

const node = (script: string, more: Partial<Program> = {}): Program => ({
  command: process.execPath,
  args: ["-e", script],
  folder: tmpdir(),
  limits: { seconds: 20, output: 1000 },
  ...more,
});

test("a program's end and what it prints come back; what is not there, and what takes too long, is told", async () => {
  const script = "console.log('made'); console.error('told'); process.exit(3)";
  expect(await run(node(script))).toEqual({ ok: true, value: { code: 3, out: "made\n", err: "told\n" } });
  const missing = await run({ ...node(""), command: "no-such-program" });
  const late = await run(node("setInterval(() => {}, 1000)", { limits: { seconds: 0.5, output: 10 } }));
  expect([missing, late].map((each) => (each.ok ? "" : each.problems[0]?.code))).toEqual([
    "program-missing",
    "program-late",
  ]);
});

test("what it prints is kept up to a limit, and what it takes of memory is bounded", async () => {
  const loud = await run(node("process.stdout.write('x'.repeat(5_000_000))"));
  expect(loud.ok && loud.value.out).toHaveLength(1000);
  const greedy = "const all = []; for (;;) all.push(Buffer.alloc(50_000_000, 1))";
  const limits = { seconds: 20, output: 1000, memory: 2_000_000_000 };
  const ended = await run(node(greedy, { limits }));
  expect(ended.ok && ended.value.code).not.toBe(0);
});

test("its children end with it", async () => {
  const child = "setInterval(() => {}, 1000)";
  const script =
    `const c = require('child_process').spawn(process.execPath, ['-e', ${JSON.stringify(child)}]); ` +
    "console.log(c.pid)";
  const ran = await run(node(`${script}; setTimeout(() => process.exit(0), 200)`));
  const pid = Number(ran.ok && ran.value.out);
  expect(pid).toBeGreaterThan(0);
  for (let waited = 0; waited < 50 && isRunning(pid); waited++) await setTimeout(100);
  expect(isRunning(pid)).toBe(false);
});

test.skipIf(process.platform !== "linux")(
  "nor does one hold it up, or outlive it, that has left its group and its session",
  async () => {
    const script =
      "const { spawn } = require('child_process'); " +
      "const own = { detached: true, stdio: ['ignore', 'inherit', 'inherit'] }; " +
      "const c = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60000)'], own); c.unref(); console.log(c.pid); ";
    const late = node(`${script} setTimeout(() => {}, 60000)`, { limits: { seconds: 1, output: 1000 } });
    const started = process.hrtime.bigint();
    const [ended, byItself] = [await run(late), await run(node(script))];
    // Neither waits for the minute that the other program would take.
    expect(Number(process.hrtime.bigint() - started) / 1e9).toBeLessThan(30);
    expect(ended.ok ? "" : ended.problems[0]?.code).toBe("program-late");
    const pid = Number(byItself.ok && byItself.value.out);
    expect([pid > 0, isRunning(pid)]).toEqual([true, false]);
  },
);

/** A child that nobody has taken note of yet has ended all the same. */
function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return !/\) Z/.test(readFileSync(`/proc/${pid}/stat`, "utf8"));
  } catch {
    return false;
  }
}

test("a secret says nothing of itself, and is in nothing that a program prints", async () => {
  const secret = secretOf("hunter-2-hunter");
  expect([`${secret}`, JSON.stringify({ secret }), inspect({ secret }), String(secret)].join()).not.toContain("hunter");
  expect(reveal(secret)).toBe("hunter-2-hunter");
  expect(mask("key=hunter-2-hunter;", [secret])).toBe("key=•••;");
  const environment = { KEY: secret };
  const script = "process.stdin.on('data', (text) => console.log(process.env.KEY, String(text), process.env.HOME))";
  const ran = await run(node(script, { environment, input: secret }));
  expect(ran.ok && ran.value.out).toBe("••• ••• undefined\n");
});
