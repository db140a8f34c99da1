import { lookAt } from "../files/door.ts";
import { readInside } from "../files/folder.ts";
import { sha256 } from "../files/hash.ts";
import { keepFile } from "../files/together.ts";
import type { Art } from "./judge.ts";
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
const form = 5;

/** Opens the record below .oxalis/; where that folder is not there yet, nothing is written. A record that cannot be read is empty. */
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
      const body = JSON.stringify({ form, pictures: Object.fromEntries(used) });
      keepFile(root, file, sha256(body) + body);
    },
  };
}

const file = ".oxalis/pictures.json";

/** What was kept, where the sum in front is that of all that follows. */
function read(root: string): Map<string, Looked> {
  try {
    const text = Buffer.from(readInside(root, file, file)).toString();
    const body = text.slice(64);
    if (text.slice(0, 64) !== sha256(body)) return new Map();
    const { form: written, pictures } = JSON.parse(body) as {
      form: number;
      pictures: Record<string, Looked>;
    };
    return new Map(written === form ? Object.entries(pictures) : []);
  } catch {
    return new Map();
  }
}
