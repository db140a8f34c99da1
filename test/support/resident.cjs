// The built program, kept in one process: each call has its own folder, arguments and environment, and gives what it
// would give alone. What it holds from one call to the next is what the engine has made of its code.
const { openSync, readSync, writeSync } = require("node:fs");

const [, script, program, questions, answers] = process.argv;
const asked = openSync(questions, "r");
const answered = openSync(answers, "w");
const { start } = require(program);

/** What the call now running has printed; undefined between calls. */
let printed;

for (const name of ["stdout", "stderr"]) {
  const stream = process[name];
  const write = stream.write.bind(stream);
  stream.write = (piece, ...more) => {
    if (!printed) return write(piece, ...more);
    printed[name].push(Buffer.from(piece));
    more.find((each) => typeof each === "function")?.();
    return true;
  };
}

function answer(code) {
  const [out, err] = [printed.stdout, printed.stderr].map((pieces) => Buffer.concat(pieces).toString());
  printed = undefined;
  const bytes = Buffer.from(`${JSON.stringify({ code, out, err, bytes: process.memoryUsage.rss() })}\n`);
  for (let at = 0; at < bytes.length; ) at += writeSync(answered, bytes, at);
}

// A call that ends its process has ended this one.
process.on("exit", (code) => printed && answer(code));

/** The next call: a line of JSON. */
function next() {
  const pieces = [];
  const room = Buffer.alloc(65_536);
  while (pieces.at(-1)?.at(-1) !== 10) {
    const length = readSync(asked, room);
    if (length === 0) process.exit(); // whoever asks is gone
    pieces.push(Buffer.from(room.subarray(0, length)));
  }
  return JSON.parse(Buffer.concat(pieces).toString());
}

async function call({ folder, args, environment }) {
  for (const name of Object.keys(process.env)) if (!(name in environment)) delete process.env[name];
  Object.assign(process.env, environment);
  process.chdir(folder);
  process.exitCode = undefined;
  printed = { stdout: [], stderr: [] };
  await start([process.execPath, script, ...args]);
  answer(process.exitCode ?? 0);
}

(async () => {
  for (;;) await call(next());
})();
