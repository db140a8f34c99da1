import { spawn } from "node:child_process";
import { createRequire } from "node:module";

/** What drawing one SVG at the largest size may take. Stated in docs/files.md. */
export const trialLimits = { side: 2048, processorSeconds: 4, seconds: 30, kibibytes: 2_000_000 };

/** The drawing is done in a process of its own, which the system ends when it takes too much. */
const program = (sharp: string) => `
const sharp = require(${JSON.stringify(sharp)});
const { readFileSync, writeSync } = require("node:fs");
sharp.concurrency(1);
sharp(readFileSync(0)).raw().toBuffer().then(
  () => writeSync(1, "drawn"),
  (error) => writeSync(1, error.message.split("\\n")[0]),
);`;

/** What is wrong with a picture, as it goes on behind its file's name. */
export interface Unfit {
  code: "art-unreadable" | "art-too-large";
  says: string;
}

/**
 * Draws an SVG once in a process with limits, where counting cannot tell what drawing it would cost. Gives what is
 * wrong with it, if anything is.
 */
export async function tryDrawing(svg: string): Promise<Unfit | undefined> {
  const said = await drawApart(svg);
  if (said === "drawn") return undefined;
  if (said !== "") return { code: "art-unreadable", says: `cannot be drawn (${said})` };
  const { side, processorSeconds, kibibytes } = trialLimits;
  return {
    code: "art-too-large",
    says:
      `takes more than ${processorSeconds} seconds, or ${Math.round(kibibytes / 1e6)} GB of memory, to ` +
      `draw at ${side} pixels`,
  };
}

/** What the process said of it; nothing where it was ended. */
function drawApart(svg: string): Promise<string> {
  const { processorSeconds, seconds, kibibytes } = trialLimits;
  const sharp = createRequire(import.meta.url).resolve("sharp");
  const node = [process.execPath, "--max-old-space-size=256", "-e", program(sharp)];
  const limited = `ulimit -v ${kibibytes}; ulimit -t ${processorSeconds}; exec "$0" "$@"`;
  const [command = "", ...args] = process.platform === "win32" ? node : ["sh", "-c", limited, ...node];
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      stdio: ["pipe", "pipe", "ignore"],
      timeout: seconds * 1000,
      killSignal: "SIGKILL",
    });
    let said = "";
    child.stdout.on("data", (part) => {
      said += part;
    });
    child.on("error", reject);
    child.on("close", () => resolve(said));
    child.stdin.on("error", () => {}); // it was ended before it had read everything
    child.stdin.end(svg);
  });
}
