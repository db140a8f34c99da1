import { type AtRule, type ChildNode, type Container, type Declaration, type Document, parse } from "postcss";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** A custom property that a style sheet sets. */
interface Property {
  name: string;
  /** Within a rule that counts on dark screens alone. */
  isDark: boolean;
  start: number;
  value: string;
}

/** Every custom property that is set, in the order of the file; none of a style sheet that cannot be read. */
const propertiesOf = parsedOnce(({ text }: Source): readonly Property[] => {
  const found: Property[] = [];
  try {
    parse(text).walkDecls(/^--/, (declaration) => {
      const start = startOf(declaration);
      if (start !== undefined)
        found.push({
          name: declaration.prop,
          isDark: isForDark(declaration),
          start,
          value: writtenIn(declaration),
        });
    });
  } catch {
    return []; // whoever names one of its properties is told that it is not there
  }
  return found;
});

const writtenIn = ({ value, raws }: Declaration): string => (raws.value?.raw ?? value).trimEnd();

function startOf({ prop, raws, source }: Declaration): number | undefined {
  const at = source?.start?.offset;
  return at === undefined ? undefined : at + prop.length + (raws.between ?? ":").length;
}

function isForDark({ parent }: Declaration): boolean {
  let above: Container<ChildNode> | Document | undefined = parent;
  for (; above; above = above.parent)
    if (above.type === "atrule" && /prefers-color-scheme\s*:\s*dark/.test((above as AtRule).params)) return true;
  return false;
}

/** Names of the custom properties that a style sheet sets, each once. */
export const cssProperties = (source: Source): string[] => [...new Set(propertiesOf(source).map(({ name }) => name))];

/** The site of a custom property's value; with "dark" in front of its name, within the rules for dark screens. */
export function cssSite(file: string, source: Source, at: string): Site | undefined {
  const [, dark, name] = /^(dark )?(--[\w-]+)$/.exec(at) ?? [];
  const found = propertiesOf(source).find(
    (each) => each.name === name && each.isDark === (dark !== undefined) && each.value !== "",
  );
  if (!found) return undefined;
  const { start, value } = found;
  return { file, start, end: start + value.length, ...read(value) };
}

/** A string as CSS writes it, in either kind of quotes (CSS Syntax, consume a string token). */
const quoted = /^(?:"(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*')$/s;

/** A value that is one string is what that string says. */
function read(written: string): Pick<Site, "value" | "form"> {
  if (!quoted.test(written)) return { value: written, form: "css" };
  const value = written
    .slice(1, -1)
    .replace(/\\(?:([0-9a-f]{1,6})\s?|\n|(.))/gis, (_, code?: string, same = "") =>
      code ? characterOf(Number.parseInt(code, 16)) : same,
    );
  return { value, form: written.startsWith('"') ? "css-double" : "css-single" };
}

const characterOf = (code: number): string => String.fromCodePoint(code > 0 && code <= 0x10ffff ? code : 0xfffd);
