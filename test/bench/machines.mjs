import { spawn, spawnSync } from "node:child_process";
import { once } from "node:events";
import { cpSync, mkdirSync, rmSync } from "node:fs";
import { connect, createServer } from "node:net";
import { join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { build } from "esbuild";
import { program, report, work } from "./measure.mjs";

/** Starts workers, each with a core of its own as machines have, does something, and ends them. */
async function withWorkers(count, queue, contents, task) {
  const folder = join(work, `workers-${Math.random()}`);
  mkdirSync(folder);
  const given = ["worker", "-q", "--queue", queue, "--contents", contents];
  const workers = Array.from({ length: count }, (_, at) =>
    spawn("taskset", ["-c", `${at}`, "node", program, ...given, "--name", `w${at}`], {
      cwd: folder,
      stdio: "ignore",
    }),
  );
  try {
    return await task();
  } finally {
    await Promise.all(
      workers.map(async (each) => {
        const over = once(each, "exit");
        each.kill();
        await over;
      }),
    );
  }
}

/** A Redis server, and a way to it on which everything takes its time in each direction. */
async function startServer(milliseconds) {
  const port = 20_000 + Math.floor(Math.random() * 20_000);
  const server = spawn("redis-server", ["--port", `${port}`, "--save", ""], { stdio: "ignore" });
  await setTimeout(500);
  const way = createServer((near) => {
    const far = connect(port, "127.0.0.1");
    for (const [from, to] of [
      [near, far],
      [far, near],
    ])
      from
        .on("data", (data) => void setTimeout(milliseconds).then(() => to.writable && to.write(data)))
        .on("error", () => to.destroy())
        .on("close", () => to.destroy());
  }).listen(0, "127.0.0.1");
  await once(way, "listening");
  return {
    near: `redis://127.0.0.1:${port}`,
    far: `redis://127.0.0.1:${way.address().port}`,
    stop() {
      way.close();
      server.kill();
    },
  };
}

/** Half of what a message takes to a server that answers after 50 ms, in milliseconds. */
const halfWay = 25;

/** What a job costs beside its work, and what a second worker gains. */
export async function benchMachines(roster, count) {
  console.log("\nSeveral machines");
  const helper = join("node_modules/.cache", "hand-out.cjs");
  await build({
    entryPoints: ["test/bench/hand-out.ts"],
    outfile: helper,
    bundle: true,
    platform: "node",
    format: "cjs",
    define: { "import.meta.url": "__filename" },
    external: ["lmdb", "sharp"],
    mainFields: ["module", "main"],
    logLevel: "error",
  });
  const server = await startServer(halfWay);
  const overhead = async (queue, jobs) => {
    const contents = join(work, `contents-${Math.random()}`);
    const took = await withWorkers(2, queue, contents, async () => {
      const child = spawn("node", [helper, queue, contents, `${jobs}`, "2"], { stdio: ["ignore", "pipe", "inherit"] });
      let text = "";
      child.stdout.on("data", (data) => {
        text += data;
      });
      const [code] = await once(child, "close");
      if (code !== 0 || !(Number(text) > 0)) throw new Error(`the jobs were not handed out: ${code}, "${text}"`);
      return Number(text);
    });
    return (took * 1000 * 2) / jobs;
  };
  const drawn = async (workers, queue) => {
    const folder = join(work, `drawn-${Math.random()}`);
    cpSync(roster, folder, { recursive: true });
    for (const each of ["variants", ".oxalis"]) rmSync(join(folder, each), { recursive: true, force: true });
    const contents = join(folder, "contents");
    spawnSync("sh", ["-c", `printf 'machines: { queue: "${queue}", contents: "${contents}" }\\n' >> oxalis.yaml`], {
      cwd: folder,
    });
    return withWorkers(workers, queue, contents, async () => {
      await setTimeout(2000);
      const started = performance.now();
      const child = spawn("node", [program, "generate", "-q", "--queue", "-C", folder], { stdio: "inherit" });
      const [code] = await once(child, "close");
      if (code !== 0) throw new Error(`nothing was drawn: ${code}`);
      return performance.now() - started;
    });
  };
  try {
    report("a job that does nothing, by a folder, in ms", await overhead(join(work, "queue"), 1000), 50);
    report("the same by a Redis server, in ms", await overhead(server.near, 1000), 50);
    report("the same with 50 ms to the server and back, in ms", await overhead(server.far, 200));
    for (const [said, queue] of [
      ["by a Redis server", server.near],
      ["with 50 ms to it and back", server.far],
    ])
      report(
        `${count} clients by two workers, as a share of one, ${said}`,
        (await drawn(2, queue)) / (await drawn(1, queue)),
      );
  } finally {
    server.stop();
  }
}
