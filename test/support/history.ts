import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

type Entry = Record<string, unknown> & { on: string; build: number; version: string };

/** What has been noted of a client, file by file, as it lies there; by names without their kind. */
export function historyOf(folder: string, key: string) {
  const at = join(folder, "clients", key, "history");
  const files = existsSync(at) ? readdirSync(at).sort() : [];
  const ofKind = (kind: string): Record<string, Entry> =>
    Object.fromEntries(
      files
        .filter((file) => file.startsWith(`${kind}-`))
        .map((file) => {
          const { form, ...entry } = JSON.parse(readFileSync(join(at, file), "utf8"));
          if (form !== 1) throw new Error(`${file} is of form ${form}`);
          return [file.slice(kind.length + 1, -".json".length), entry];
        }),
    );
  const byBuild = (one: Entry, other: Entry) => one.build - other.build;
  return {
    identifiers: ofKind("identifier"),
    releases: Object.values(ofKind("build")).sort(byBuild),
    letters: Object.values(ofKind("letter")),
    approved: ofKind("approved"),
  };
}
