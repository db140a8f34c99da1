import { createRequire } from "node:module";
import { tmpdir } from "node:os";

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

/** What the process said of it; nothing where it was ended. It knows nothing of this one's environment. */
async function drawApart(svg: string): Promise<string> {
  const { processorSeconds, seconds, kibibytes } = trialLimits;
  const sharp = createRequire(import.meta.url).resolve("sharp");
  const { run } = await import("../../ground/processes/run.ts");
  const ran = await run({
    command: process.execPath,
    args: ["--max-old-space-size=256", "-e", program(sharp)],
    folder: tmpdir(),
    input: svg,
    limits: { seconds, processorSeconds, memory: kibibytes * 1024, output: longestSaid },
  });
  return ran.ok ? ran.value.out : "";
}

/** So much of what the process says is kept, in bytes. */
const longestSaid = 2000;
