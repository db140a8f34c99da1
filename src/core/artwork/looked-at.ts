import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import type { Art } from "./judge.ts";

/** What was measured of a picture, whatever it is called and wherever it lies. */
export type Measured = Omit<Art, "file" | "hash">;

/** What has been measured before, by content; so that a picture is looked at once, not at every command. */
export interface LookedAt {
  get(hash: string): Measured | undefined;
  set(hash: string, measured: Measured): void;
  /** Keeps what was asked for since it was opened, and forgets the rest. */
  save(): void;
}

/** Bumped when the same picture would be measured otherwise. */
const form = 4;

/** Opens the record below .oxalis/; where that folder is not there yet, nothing is written. A record that cannot be read is empty. */
export function openLookedAt(root: string): LookedAt {
  const file = join(root, ".oxalis", "pictures.json");
  const before = read(file);
  const used = new Map<string, Measured>();
  let changed = false;
  return {
    get(hash) {
      const known = used.get(hash) ?? before.get(hash);
      if (known) used.set(hash, known);
      return known;
    },
    set(hash, measured) {
      used.set(hash, measured);
      changed = true;
    },
    save() {
      if (!changed || !existsSync(dirname(file))) return;
      const beside = `${file}.${process.pid}`;
      try {
        writeFileSync(beside, JSON.stringify({ form, pictures: Object.fromEntries(used) }));
        renameSync(beside, file);
      } catch {
        // A record that cannot be kept costs time, nothing else.
      }
    },
  };
}

function read(file: string): Map<string, Measured> {
  try {
    const { form: written, pictures } = JSON.parse(readFileSync(file, "utf8")) as {
      form: number;
      pictures: Record<string, Measured>;
    };
    return new Map(written === form ? Object.entries(pictures) : []);
  } catch {
    return new Map();
  }
}
