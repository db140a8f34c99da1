import type { Source } from "../../values/source.ts";
import type { Site } from "../site.ts";

/** A string as CSS writes it, in either kind of quotes (CSS Syntax, consume a string token). */
const quoted = `"(?:[^"\\\\]|\\\\.)*"|'(?:[^'\\\\]|\\\\.)*'`;

/** Names of the custom properties that a style sheet sets, each once. */
export const cssProperties = ({ text }: Source): string[] => [
  ...new Set([...text.matchAll(/(?<=[\s{;])--[\w-]+(?=\s*:)/g)].map(([name]) => name)),
];

/** The site of a custom property's value; with "dark" in front of its name, within the rules for dark screens. */
export function cssSite(file: string, { text }: Source, at: string): Site | undefined {
  const [, dark, name] = /^(dark )?(--[\w-]+)$/.exec(at) ?? [];
  if (!name) return undefined;
  const rules = darkRules(text);
  const declaration = new RegExp(`(?:^|[\\s{;])${name}\\s*:\\s*((?:${quoted}|[^;}"'])*?)\\s*[;}]`, "gs");
  for (const { 0: whole, 1: written, index } of text.matchAll(declaration)) {
    const isDark = rules.some(({ start, end }) => start <= index && index < end);
    if (!written || isDark !== (dark !== undefined)) continue;
    const start = index + whole.lastIndexOf(written);
    return { file, start, end: start + written.length, ...read(written) };
  }
  return undefined;
}

/** A value that is one string is what that string says. */
function read(written: string): Pick<Site, "value" | "form"> {
  if (!new RegExp(`^(?:${quoted})$`, "s").test(written)) return { value: written, form: "css" };
  const value = written
    .slice(1, -1)
    .replace(/\\(?:([0-9a-f]{1,6})\s?|\n|(.))/gis, (_, code?: string, same = "") =>
      code ? characterOf(Number.parseInt(code, 16)) : same,
    );
  return { value, form: written.startsWith('"') ? "css-double" : "css-single" };
}

const characterOf = (code: number): string =>
  String.fromCodePoint(code > 0 && code <= 0x10ffff ? code : 0xfffd);

/** Ranges of a style sheet that count on dark screens alone. */
function darkRules(text: string): { start: number; end: number }[] {
  return [...text.matchAll(/@media[^{]*prefers-color-scheme\s*:\s*dark[^{]*\{/g)].map((match) => {
    const start = match.index + match[0].length;
    let depth = 1;
    let end = start;
    for (; end < text.length && depth > 0; end++) depth += text[end] === "{" ? 1 : text[end] === "}" ? -1 : 0;
    return { start, end };
  });
}
