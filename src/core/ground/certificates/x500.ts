import type { NamePart } from "./self-signed.ts";

/**
 * The parts of an X.500 name as people write it (RFC 4514): CN=Hill Farm Ltd, O="Hill, Farm", C=GB. Undefined for
 * what is none.
 */
export function nameParts(text: string): NamePart[] | undefined {
  const parts: NamePart[] = [];
  let rest = text.trim();
  while (rest !== "") {
    const [all, shortName = "", quoted, plain = ""] =
      /^\s*([A-Za-z][A-Za-z0-9.]*)\s*=\s*(?:"((?:[^"\\]|\\.)*)"|((?:[^,\\"]|\\.)*))\s*(?:,|$)/.exec(rest) ?? [];
    if (all === undefined) return undefined;
    const value = (quoted ?? plain).trim().replace(/\\(.)/g, "$1");
    if (value === "") return undefined;
    parts.push({ shortName: shortName.toUpperCase(), value });
    rest = rest.slice(all.length);
  }
  return parts.length > 0 ? parts : undefined;
}

/** A name as people write it, from its parts. */
export const nameText = (parts: readonly NamePart[]): string =>
  parts
    .map(
      ({ shortName, value }) =>
        `${shortName}=${/[,"\\=+<>;#]/.test(value) ? `"${value.replace(/["\\]/g, "\\$&")}"` : value}`,
    )
    .join(", ");

/** Whether two names are the same, however their blanks and quotes are set. */
export function isSameName(one: string | undefined, other: string | undefined): boolean {
  if (one === undefined || other === undefined) return one === other;
  const [a, b] = [nameParts(one), nameParts(other)];
  if (!a || !b) return one === other;
  return (
    a.length === b.length &&
    a.every(({ shortName, value }, at) => shortName === b[at]?.shortName && value === b[at]?.value)
  );
}
