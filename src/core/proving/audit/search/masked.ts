import { furtherNames, type Variant } from "../../../app/variant/variant.ts";
import { withoutBuildEnding } from "../../../formats/splice/known-ending.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";

/** What the client itself is called, longest first. */
export const ownValues = ({ values, answers, names }: Pick<Variant, "values" | "names" | "answers">): string[] =>
  [
    ...Object.values(values),
    ...Object.values(answers),
    ...furtherNames({ names }).flatMap(({ name, label }) => [name, label]),
  ]
    .map((traced) => traced.value)
    .filter((value) => value.length > 3)
    .sort((a, b) => b.length - a.length);

export const blank = (part: string): string => " ".repeat(part.length);

/**
 * The same text with what is the client's own, the code's namespace, or a comment of a page, blanked out; offsets
 * stay as they are.
 */
export function maskCode(text: string, path: string, owned: readonly string[], namespaces: readonly string[]): string {
  const searched = owned.reduce((at, value) => (at.includes(value) ? at.replaceAll(value, blank) : at), text);
  const plain = commentedAsMarkup.test(withoutBuildEnding(path))
    ? searched.replace(/<!--[\s\S]*?-->/g, (part) => part.replace(/[^\n]/g, " "))
    : searched;
  if (!/\.(kt|java|pro|gradle|kts|xml|json|toml)$/.test(path)) return plain;
  return plain.replace(namespacePlaces, (part) =>
    namespaces.reduce((at, space) => (at.includes(space) ? at.replaceAll(space, blank) : at), part),
  );
}

/** Files whose comments stand between the marks of markup. */
const commentedAsMarkup = longPattern("i")`
  \.(html?|xml|svg|storyboard|xib|plist|appxmanifest|resw|resx|\w+proj|vue|svelte|ui|glade|a?xaml|docbook|page|kcfg
  |qrc|wx[sil])$
`;

/** Where a namespace is code's: packages and imports, classes of a manifest, what a script calls one. */
const namespacePlaces = longPattern("gm")`
  ^\s*(package|import)\s[^\n]*$|\b(android:name|tools:context|class
  |android:theme)\s*=\s*"[^"]*"|\b(namespace|testNamespace|PACKAGE_NAMESPACE)\b[^\n]*
`;
