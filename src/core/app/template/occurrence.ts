import type { Field } from "../../ground/values/fields.ts";
import { longPattern } from "../../ground/values/long-pattern.ts";

/** What of a template's identity stands somewhere: its name, whose it is, what it is known by, where it is met. */
export type OccurrenceKind =
  | "name"
  | "identifier"
  | "email"
  | "host"
  | "scheme"
  | "owner"
  | "team"
  | "fingerprint"
  | "installer"
  | "color";

/** Why no line is given for a place, and it is asked about instead. */
export type Doubt = "code" | "page" | "file" | "part" | "person" | "given" | "unsafe" | "changed";

/** What may stand where a term stands: a pattern's expression, or why nobody knows. */
export type Occurrence = { expression: string } | { doubt: Doubt };

const doubt = (why: Doubt): Occurrence => ({ doubt: why });

/** Scripts that set no blanks between words, and their marks. */
const unspaced =
  "\\p{Script=Han}\\p{Script=Hiragana}\\p{Script=Katakana}\\p{Script=Thai}\\p{Script=Lao}\\p{Script=Khmer}" +
  "\\u3001-\\u3003\\u3008-\\u3011\\uff01-\\uff0f\\uff1a-\\uff20";

/**
 * What may stand on either side of a name in a text that people read; in menus, a mark before the letter that a key
 * goes to.
 */
const opens = new RegExp(`[\\s"'“„‘«([{>/|·–—${unspaced}-]$|(^|[\\s(])&$`, "u");
const closes = new RegExp(`^[\\s"'”“’»)\\]}<.,;:!?/|·–—…${unspaced}-]`, "u");
/** A mark before the letter of a menu's text that a key goes to; no entity of a page. */
const keyed = /(?:^|[\s(])&(?!\w+;)(?=\p{L})|\p{L}&(?!\w+;)(?=\p{Ll})/u;
/** Several words, or one text in a script that sets no blanks. */
const hasWords = new RegExp(`[\\s${unspaced}]`, "u");

/** A mark between two words without a blank beside it joins them to one that code or a file has. */
const joins = /[\p{L}\p{N}][/|·_.:@–-]$|[\p{L}\p{N}]::$/u;
const joined = /^[/|·_.:@–-][\p{L}\p{N}]|^::[\p{L}\p{N}]/u;

/** What stands behind a name that is a program's file, or one of its pictures. */
const fileEnding = /^\.(app|exe|apk|ipa|dmg|msi|lnk|desktop|png|svg|icns|ico)\b/i;

/** How a name is written where it is no text: its words with nothing, a hyphen or capitals between them. */
function asToken(found: string, text: string, field: Field): Occurrence {
  const hasBlank = /\s/.test(text);
  const isSlug = /^[a-z0-9]+(-[a-z0-9]+)+$/.test(found);
  if (found === text && !isSlug) return { expression: `{${field}}` };
  if (found.toLowerCase() === text.toLowerCase() && hasBlank)
    return found === found.toUpperCase() ? { expression: `{${field} upper}` } : { expression: `{${field}}` };
  // With blanks it is a text, however the template's own name is written elsewhere.
  if (/\p{L}\s+\p{L}/u.test(found)) return { expression: `{${field}}` };
  if (isSlug) return { expression: `{${field} hyphenated}` };
  if (/^[a-z0-9]+$/.test(found)) return { expression: `{${field} joined}` };
  // Written as a class or a variable is.
  return doubt("code");
}

/** A term in a value: how it stands there and where, as the template has it, and the field that goes there. */
interface Standing {
  found: string;
  at: number;
  text: string;
  field: Field;
}

/** A name within a text. */
function ofName(value: string, { found, at, text, field }: Standing): Occurrence {
  if (value.trim() === found) return asToken(found, text, field);
  const [before, after] = [value.slice(0, at), value.slice(at + found.length)];
  if (/^\s*(?:<|&lt;|\()\s*[^<>\s]+@/.test(after)) return doubt("person");
  if (/[a-z][a-z0-9+.-]*:\/\/\S*$/i.test(before)) return doubt("page");
  if (joins.test(before) || joined.test(after))
    return doubt(/[\\/]$/.test(before) || /^[\\/]/.test(after) || fileEnding.test(after) ? "file" : "part");
  const isText = (before === "" || opens.test(before)) && (after === "" || closes.test(after));
  if (!isText || !hasWords.test(value.trim())) return doubt("part");
  // Without its capitals, it may be the word itself that is meant: a recorder of sounds.
  if (found === found.toLowerCase() && found !== text) return doubt("part");
  return { expression: keyed.test(`${before}x${after}`) ? `{${field} menu}` : `{${field}}` };
}

/** A host: the client's own alone, and no page of it that nobody knows to be there. */
function ofHost(value: string, { found, at }: Standing): Occurrence {
  const [before, after] = [value.slice(0, at), value.slice(at + found.length)];
  if (/[\w-]\.$/.test(before) && !/(^|\/\/|\s|:)www\.$/.test(before)) return doubt("page");
  if (/@$/.test(before)) return doubt("page");
  return /^\/?(?:$|["'\s<>),;.!?\]}]|\*)/.test(after) ? { expression: "{domain}" } : doubt("page");
}

/** A television's package: ten letters and digits that its tools give, for each app another (Tizen, config.xml). */
const isGiven = /^(?=.*[A-Z])[A-Za-z0-9]{10}(\.[A-Za-z0-9]+)?$/;

/** An identifier: whole, or with what the template puts behind it or in front of it. */
function ofIdentifier(value: string, { found, at, field }: Standing): Occurrence {
  const [before, after] = [value.slice(0, at), value.slice(at + found.length)];
  // A word in a sentence is the program's name, as people say it.
  if (/^\w+$/.test(found) && /\s/.test(value.trim())) return doubt("part");
  if (isGiven.test(found)) return doubt("given");
  // With a class behind it, it is the code's own namespace.
  if (/^[.$/][A-Z]/.test(after) || /^\.R\b/.test(after)) return doubt("code");
  if (/[\\/]$/.test(before) && !/:\/\/$/.test(before)) return doubt("file");
  return { expression: `{${field}}` };
}

/** Settings by whose name a tool asks for code, a package or a folder, not for what people read. */
const ofCode = longPattern("i")`
  (^|[._-])((package|pkg|module|repo(sitory)?|slug|class|namespace|artifact)([._-]?(name|id))?
  |(output|binary|executable|exe)[._-]?(file)?[._-]?name)$
`;

/** Whether a tool asks for code, a package or a folder by what stands in a setting. @param key what leads to it */
export const isOfCode = (key: string): boolean => ofCode.test(key);

/** A term of a template, as it stands somewhere and as the template has it, and the field that goes there. */
export interface Term {
  kind: OccurrenceKind;
  found: string;
  text: string;
  field: Field;
}

/**
 * What may stand in a value where a term of a kind stands.
 * @param value as the file's format reads it
 * @param at where in it the term stands
 */
export function occurrenceIn(value: string, term: Term, at = value.indexOf(term.found)): Occurrence {
  const { kind, field } = term;
  // As the format reads it, it may stand there otherwise than in the file.
  if (at === -1) return doubt("unsafe");
  const standing = { ...term, at };
  if (kind === "name" || kind === "owner") return ofName(value, standing);
  if (kind === "host") return ofHost(value, standing);
  if (kind === "identifier") return ofIdentifier(value, standing);
  // Somebody's name stands before it.
  if (kind === "email" && /\p{L}[^<>]*[<([]+$/u.test(value.slice(0, at))) return doubt("person");
  return { expression: `{${field}}` };
}
