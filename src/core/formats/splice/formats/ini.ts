import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** A setting of a section: a text, in quotes or without, or a number. */
export interface IniSetting {
  section: string;
  key: string;
  site: Site;
}

/** A section's head; a key with its text in quotes, which may run over lines, or with the rest of its line. */
const parts = longPattern("gm")`
  ^\[(?<section>[^\]\r\n]+)\]
  |^(?<before>(?<key>[\w./@-]+)[ \t]*=[ \t]*)(?<value>"(?:\\[\s\S]|[^"\\])*"|[^\s"](?:[^\r\n]*[^\s])?)
`;

/** Settings in sections, whose texts are written as JSON writes them. Whatever else stands there is passed over. */
export function iniSettings({ file, text }: Source): IniSetting[] {
  let section = "";
  return [...text.matchAll(parts)].flatMap(({ groups = {}, index }): IniSetting[] => {
    if (groups.section !== undefined) section = groups.section;
    const { before, key, value } = groups;
    if (before === undefined || key === undefined || value === undefined) return [];
    const start = index + before.length;
    const isText = value.startsWith('"');
    const read = isText ? unquoted(value) : value;
    if (read === undefined) return [];
    const form = isText ? "json" : /^[\d.]+$/.test(value) ? "raw" : "line";
    const site: Site = { file, start, end: start + value.length, value: read, form };
    return [{ section, key, site }];
  });
}

/** Undefined where it is written as JSON does not. */
function unquoted(value: string): string | undefined {
  try {
    return JSON.parse(value.replace(/\n/g, "\\n").replace(/\r/g, "\\r")) as string;
  } catch {
    return undefined;
  }
}
