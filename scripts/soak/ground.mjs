// What the acts of a soak stand on: a workspace, a tree beside it that nothing may touch, a mail server, runs of the
// built program, and what has been found.
import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import {
  cpSync,
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { SMTPServer } from "smtp-server";

const program = resolve("dist/oxalis.js");
export const root = mkdtempSync(join(tmpdir(), "oxalis-soak-"));
export const workspace = join(root, "workspace");
export const sentinel = join(root, "sentinel");
export const at = (...parts) => join(workspace, ...parts);

/** Those that are released and drawn; the last also has drafts to approve, and things to be asked for. */
export const clients = ["3-acre", "saltmarsh", "ferme-duclos", "brennans-bothy"];
export const asked = "brennans-bothy";

/** The same numbers for the same seed (mulberry32). */
let state = 0;
export const seed = (number) => {
  state = number >>> 0;
};
export function random() {
  state = (state + 0x6d2b79f5) >>> 0;
  let t = Math.imul(state ^ (state >>> 15), 1 | state);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
}
export const below = (most) => Math.floor(random() * most);
export const oneOf = (all) => all[below(all.length)];

/** Bytes with a few of them changed. */
export const flipped = (bytes) => {
  const copy = Buffer.from(bytes);
  for (let i = 0; i <= below(4); i++) copy[below(copy.length)] = below(256);
  return copy;
};

/** Every file below a folder with a sum of its content; links by where they lead. */
export function sums(folder) {
  const found = {};
  const walk = (path) => {
    for (const name of readdirSync(join(folder, path)).sort()) {
      const file = path ? `${path}/${name}` : name;
      const stat = lstatSync(join(folder, file));
      if (stat.isDirectory()) walk(file);
      else if (stat.isFile())
        found[file] = createHash("sha256")
          .update(readFileSync(join(folder, file)))
          .digest("hex");
      else found[file] = "no file";
    }
  };
  if (existsSync(folder)) walk("");
  return found;
}

export const faults = [];
export const fault = (what, detail) => {
  faults.push({ what, detail });
  console.error(`FAULT ${what}\n${detail}`);
};

/** Letters that the server got, by client and day: each of them once. */
const letters = new Map();
let server;
export async function openServer() {
  server = new SMTPServer({
    disabledCommands: ["STARTTLS", "AUTH"],
    onData(stream, session, done) {
      let text = "";
      stream.on("data", (chunk) => {
        text += chunk;
      });
      stream.on("end", () => {
        const id = /^Message-ID: (\S+)/m.exec(text)?.[1];
        const known = `${session.envelope.rcptTo[0]?.address} ${id}`;
        letters.set(known, (letters.get(known) ?? 0) + 1);
        if (letters.get(known) > 1) fault("a letter came twice", known);
        // Now and then it says nothing, and the line is cut.
        if (random() < 0.2) for (const each of server.connections) if (each.id === session.id) each._socket.destroy();
        done();
      });
    },
  });
  server.on("error", () => {});
  await new Promise((ready) => server.listen(0, "127.0.0.1", ready));
}
export const closeServer = () => new Promise((closed) => server.close(closed));
export const lettersGot = () => letters.size;

/** Days go by, so that there is somebody to write to each time. */
let day = 0;
export const nextDay = () => {
  day++;
};
const environment = () => ({
  ...process.env,
  OXALIS_SMTP: `smtp://127.0.0.1:${server.server.address().port}`,
  SOURCE_DATE_EPOCH: String(1_790_000_000 + day * 86_400),
});

/** Longest that a command may take, in milliseconds. */
const hung = 120_000;

/** Starts a command; the promise gives its end. @param blocks most that a file may have, of 512 bytes each */
export function start(args, { blocks, user } = {}) {
  const command =
    blocks === undefined ? [process.execPath] : ["sh", "-c", `ulimit -f ${blocks}; exec "$0" "$@"`, process.execPath];
  const child = spawn(command[0], [...command.slice(1), program, ...args, "-C", workspace], {
    stdio: ["ignore", "pipe", "pipe"],
    env: environment(),
    ...(user === undefined ? {} : { uid: user, gid: user }),
  });
  const said = { out: "", err: "" };
  child.stdout.on("data", (part) => {
    said.out += part;
  });
  child.stderr.on("data", (part) => {
    said.err += part;
  });
  const ended = new Promise((done) => {
    const timer = globalThis.setTimeout(() => {
      fault("hung", args.join(" "));
      child.kill("SIGKILL");
    }, hung);
    child.on("close", (code, signal) => {
      clearTimeout(timer);
      if (said.err.includes("Oxalis itself has failed")) fault(`crashed: ${args.join(" ")}`, said.err.slice(0, 2000));
      done({ code, signal, said: said.out + said.err, out: said.out });
    });
  });
  return { child, ended };
}

/** Lays the workspace out, and makes its variants once. */
export async function layOut() {
  cpSync("demo", workspace, { recursive: true });
  for (const key of readdirSync(at("clients")))
    if (!clients.includes(key)) rmSync(at("clients", key), { recursive: true });
  mkdirSync(join(sentinel, "web"), { recursive: true });
  for (const file of ["a.txt", "web/index.html"]) writeFileSync(join(sentinel, file), "mine");
  await start(["generate"]).ended;
}
