import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, openSync, readSync, rmSync, writeSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";

/** One call of the program. */
export interface Call {
  folder: string;
  args: readonly string[];
  environment: NodeJS.ProcessEnv;
}

export interface Answer {
  code: number;
  out: string;
  err: string;
}

interface Resident {
  call(given: Call): Answer & { bytes: number };
  end(): void;
}

let resident: Resident | undefined;

/** Ends the program's process, so that the next call has a new one. */
function endResident(): void {
  resident?.end();
  resident = undefined;
}

/** Bytes of memory beyond which the next call has a process of its own. */
const most = 1_500_000_000;

/**
 * Calls the built program, kept in one process for all calls of a worker: the engine compiles it once, not for each. It
 * ends with the worker.
 * @param program the built script
 */
export function callResident(program: string, given: Call): Answer {
  resident ??= openResident(program);
  // Its own folder is that of the call before.
  const { bytes, ...answer } = resident.call({ ...given, folder: resolve(given.folder) });
  if (bytes > most || answer.code > 2) {
    endResident();
  }
  return answer;
}

/** Questions and answers go by pipes with names: whoever asks stands still until it is answered. */
function openResident(program: string): Resident {
  const folder = mkdtempSync(join(tmpdir(), "oxalis-resident-"));
  const [questions, answers] = [join(folder, "questions"), join(folder, "answers")];
  execFileSync("mkfifo", [questions, answers]);
  const child = spawn(process.execPath, [join(import.meta.dirname, "resident.cjs"), program, questions, answers], {
    stdio: ["ignore", "inherit", "inherit"],
  });
  child.unref();
  const asked = openSync(questions, "r+");
  const answered = openSync(answers, "r");
  return {
    call(given) {
      const line = Buffer.from(`${JSON.stringify(given)}\n`);
      for (let at = 0; at < line.length; ) at += writeSync(asked, line, at);
      return JSON.parse(lineFrom(answered));
    },
    end() {
      child.kill("SIGKILL"); // it stands still until it is asked
      rmSync(folder, { recursive: true });
    },
  };
}

function lineFrom(file: number): string {
  const pieces: Buffer[] = [];
  const room = Buffer.alloc(65_536);
  while (pieces.at(-1)?.at(-1) !== 10) {
    const length = readSync(file, room);
    if (length === 0) throw new Error("the program's process has ended without an answer");
    pieces.push(Buffer.from(room.subarray(0, length)));
  }
  return Buffer.concat(pieces).toString();
}
