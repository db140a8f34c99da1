import { longPattern } from "../../../ground/values/long-pattern.ts";
import type { Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** A statement on a whole program: `[assembly: AssemblyProduct("Shop")]` (Microsoft, .NET, assembly attributes). */
const statement = longPattern("gim")`
  ^[ \t]*(?:\[|<|\[<)\s*assembly\s*:\s*(?:[\w.]+\.)?(?<key>Assembly\w+?)(?:Attribute)?\s*
  \(\s*(?<literal>"(?:""|\\.|[^"\\\r\n])*")\s*\)
`;

/** What a program's source says of the whole program; of C# and F# as they write strings, of Basic as it does. */
export function assemblyFacts(file: string, { text }: Source): { key: string; site: Site }[] {
  const isBasic = file.toLowerCase().endsWith(".vb");
  return [...text.matchAll(statement)].map(({ 0: whole, index, groups }) => {
    const { key = "", literal = "" } = groups ?? {};
    const start = index + whole.lastIndexOf(literal);
    const inner = literal.slice(1, -1);
    const value = isBasic ? inner.replaceAll('""', '"') : inner.replace(/\\(["\\])/g, "$1");
    return {
      key,
      site: { file, start, end: start + literal.length, value, form: isBasic ? "basic-string" : "c-string" },
    };
  });
}
