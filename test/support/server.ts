import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";
import { connect, createServer, type Socket } from "node:net";
import { setTimeout } from "node:timers/promises";
import { temporaryFolder } from "./oxalis.ts";

/** A port that nobody listens at. */
async function freePort(): Promise<number> {
  const server = createServer().listen(0, "127.0.0.1");
  await once(server, "listening");
  const { port } = server.address() as { port: number };
  server.close();
  return port;
}

/** A Redis server that keeps what it has been told, and can be started again. */
export async function startRedis() {
  const [port, folder] = [await freePort(), temporaryFolder()];
  let server: ChildProcess;
  const start = async () => {
    server = spawn("redis-server", ["--port", `${port}`, "--dir", folder, "--appendonly", "yes", "--save", ""]);
    for (let tries = 0; !(await answers(port)); tries++) {
      if (tries > 100) throw new Error("redis-server does not answer");
      await setTimeout(50);
    }
  };
  const stop = async () => {
    const over = once(server, "exit");
    server.kill();
    await over;
  };
  await start();
  return { address: `redis://127.0.0.1:${port}`, port, start, stop };
}

const answers = (port: number): Promise<boolean> =>
  new Promise((said) => {
    const socket = connect(port, "127.0.0.1", () => socket.write("PING\r\n"));
    socket.once("data", (data) => {
      socket.destroy();
      said(data.toString().startsWith("+PONG"));
    });
    socket.once("error", () => said(false));
  });

/** A way to a port that can be cut. */
export async function openWay(to: number) {
  const sockets = new Set<Socket>();
  let isCut = false;
  const server = createServer((near) => {
    if (isCut) return near.destroy();
    const far = connect(to, "127.0.0.1");
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      sockets.add(one);
      one.on("error", () => other.destroy()).on("close", () => other.destroy());
      one.pipe(other);
    }
    return undefined;
  }).listen(0, "127.0.0.1");
  await once(server, "listening");
  return {
    port: (server.address() as { port: number }).port,
    cut() {
      isCut = true;
      for (const each of sockets) each.destroy();
      sockets.clear();
    },
    mend() {
      isCut = false;
    },
    close: () => server.close(),
  };
}
