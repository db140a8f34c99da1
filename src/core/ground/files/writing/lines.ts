import { basename, dirname } from "node:path";
import { append } from "./door.ts";
import { writeWhole } from "./whole.ts";

/** Begins a file that the user named anew, and gives what adds a line to it. Stops: write-failed */
export function openLines(file: string): (line: string) => void {
  writeWhole(file, "");
  return (line) => append(dirname(file), basename(file), `${line}\n`);
}
