import { lookAt } from "../../ground/files/writing/door.ts";
import { keepSummed, readSummed } from "../../ground/files/writing/summed.ts";
import type { Art } from "./art.ts";
import type { Unfit } from "./trial.ts";

/** What was measured of a picture, whatever it is called and wherever it lies. */
export type Measured = Omit<Art, "file" | "hash">;

/** What came of looking at a picture: its measures, or that it cannot be drawn. */
export type Looked = Measured | { unfit: Unfit };

/** What has been measured before, by content; so that a picture is looked at once, not at every command. */
export interface LookedAt {
  get(hash: string): Looked | undefined;
  set(hash: string, looked: Looked): void;
  /** Keeps what was asked for since it was opened, and forgets the rest. */
  save(): void;
}

/** Bumped when the same picture would be measured otherwise. */
const form = 9;

/**
 * Opens the record below .oxalis/; where that folder is not there yet, nothing is written. A record that cannot be
 * read is empty.
 */
export function openLookedAt(root: string): LookedAt {
  const before = read(root);
  const used = new Map<string, Looked>();
  let changed = false;
  return {
    get(hash) {
      const known = used.get(hash) ?? before.get(hash);
      if (known) used.set(hash, known);
      return known;
    },
    set(hash, looked) {
      used.set(hash, looked);
      changed = true;
    },
    save() {
      if (!changed || !lookAt(root, ".oxalis")) return;
      keepSummed(root, file, { form, pictures: Object.fromEntries(used) });
    },
  };
}

const file = ".oxalis/pictures.json";

function read(root: string): Map<string, Looked> {
  const kept = readSummed(root, file) as { form: number; pictures: Record<string, Looked> } | undefined;
  return new Map(kept?.form === form ? Object.entries(kept.pictures) : []);
}
