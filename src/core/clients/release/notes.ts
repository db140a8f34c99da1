import type { Variant } from "../../app/variant/variant.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { putOf, writeDraft } from "../record/drafts.ts";

/** Where a note stands that somebody has typed. */
const typed = { file: "--note", line: 1, column: 1, text: "" };

/**
 * The notes of a client's release: a text with braces is a pattern as drafts have it, so that a part may be for some
 * clients alone. @param notes by language
 */
export function notesFor(
  variant: Variant,
  notes: Readonly<Record<string, string>>,
): { notes: Readonly<Record<string, string>>; problems: readonly Problem[] } {
  const problems: Problem[] = [];
  const said = Object.entries(notes).flatMap(([language, text]): [string, string][] => {
    if (!text.includes("{")) return [[language, text]];
    const written = writeDraft(text, language, putOf(variant, language), typed);
    if (written.ok) return written.value === "" ? [] : [[language, written.value]];
    problems.push(...written.problems);
    return [];
  });
  return { notes: Object.fromEntries(said), problems };
}
