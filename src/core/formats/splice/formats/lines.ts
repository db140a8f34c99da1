import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Form } from "../forms.ts";
import type { Site } from "../site.ts";

/**
 * A format of one setting a line (ended by CR, LF or both, by nothing else): how a line is taken apart, and how its
 * value is written.
 */
interface LineFormat {
  /** Groups `key`, `before` (all up to the value) and `value`. */
  line: RegExp;
  form: Form;
  /** A key, and a value, as the format's own readers understand it. */
  readKey(written: string): string;
  read(written: string): string;
}

const asWritten = (written: string): string => written;

const formats = {
  /**
   * Java's Properties: a value runs over line ends that are escaped (Java SE, java.util.Properties, load). Keys with
   * blanks in them are other programs': such lines are none.
   */
  properties: {
    line: longPattern("g")`
      (?<![^\r\n])(?<before>[ \t\f]*(?<key>(?:\\[^\r\n]|[^\s:=#!\\])(?:\\[^\r\n]|[^\s:=\\])*)
      (?:[ \t\f]*[:=][ \t\f]*|[ \t\f]+(?![^\r\n]*=)))(?<value>(?:\\(?:\r\n|[\s\S])|[^\r\n\\])*)(?![^\r\n])
    `,
    form: "properties",
    readKey: readProperty,
    read: readProperty,
  },
  /** Xcode's configuration files: two slashes begin a comment wherever they stand (Apple, build settings reference). */
  xcconfig: {
    line: longPattern("g")`
      (?<![^\r\n])(?<before>[ \t]*(?<key>[A-Za-z_]\w*(?:\[[^\]\r\n]*\])*)[ \t]*=[ \t]*)(?<value>
      (?:(?!\/\/|[ \t]*(?:\/\/|(?![^\r\n])))[^\r\n])*)
    `,
    form: "xcconfig",
    readKey: asWritten,
    read: (written) => written.replaceAll("$()", ""),
  },
  /** Settings of an environment, as a shell reads them. */
  env: {
    line: longPattern("g")`
      (?<![^\r\n])(?<before>[ \t]*(?:export[ \t]+)?(?<key>[A-Za-z_]\w*)[ \t]*=[ \t]*)(?<value>"
      (?:\\[\s\S]|[^"\\])*"|'[^']*'|[^\s#"']*)
    `,
    form: "env",
    readKey: asWritten,
    read: readEnvironment,
  },
} as const satisfies Record<string, LineFormat>;

export type LineFormatName = keyof typeof formats;

/** Every key of a file with the site of its value, in order. */
export function lineSites(file: string, { text }: Source, format: LineFormatName): { key: string; site: Site }[] {
  const { line, form, readKey, read } = formats[format];
  const start = text.startsWith("\uFEFF") ? 1 : 0;
  return [...text.slice(start).matchAll(line)].map((match) => {
    const { before = "", value = "", key = "" } = match.groups ?? {};
    const from = start + match.index + before.length;
    const site: Site = { file, start: from, end: from + value.length, value: read(value), form };
    return { key: readKey(key), site };
  });
}

/** The site of a key's value; of several, the last, which is the one that counts. */
export const lineSite = (file: string, source: Source, format: LineFormatName, key: string): Site | undefined =>
  lineSites(file, source, format).findLast((each) => each.key === key)?.site;

const escapes: Readonly<Record<string, string>> = { n: "\n", r: "\r", t: "\t", f: "\f" };

function readProperty(written: string): string {
  return written.replace(/\\(?:u([0-9a-fA-F]{4})|(\r\n|\r|\n)[ \t\f]*|([\s\S]))/g, (_, code, lineEnd, other) =>
    code ? String.fromCharCode(Number.parseInt(code, 16)) : lineEnd ? "" : (escapes[other] ?? other),
  );
}

function readEnvironment(written: string): string {
  if (written.startsWith("'")) return written.slice(1, -1);
  if (!written.startsWith('"')) return written;
  return written.slice(1, -1).replace(/\\([\\"$`])/g, "$1");
}
