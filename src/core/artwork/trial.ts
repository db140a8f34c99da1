import { spawn } from "node:child_process";
import { createRequire } from "node:module";
import type { Place } from "../files/source.ts";
import { refuse } from "../problems/problem.ts";

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

/**
 * Draws an SVG once, out of harm's way: for those of which no counting can tell what they cost.
 * @throws Refusal art-too-large where it takes more than the limits; art-unreadable where it cannot be drawn.
 */
export async function tryDrawing(svg: string, file: string, place: Place): Promise<void> {
  const said = await drawApart(svg);
  if (said === "drawn") return;
  if (said !== "") refuse("art-unreadable", `${file} cannot be drawn (${said}).`, { place });
  const { side, processorSeconds, kibibytes } = trialLimits;
  refuse(
    "art-too-large",
    `${file} takes more than ${processorSeconds} seconds, or ${Math.round(kibibytes / 1e6)} GB of memory, to draw at ${side} pixels.`,
    { place },
  );
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
