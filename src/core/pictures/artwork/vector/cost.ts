/** Limits on what drawing an SVG may cost, checked before any renderer sees it. Stated in docs/files.md. */
export const costLimits = {
  bytes: 4 * 1024 * 1024,
  elements: 20_000,
  depth: 64,
  /** Elements drawn, with every reference followed: a <use> of a <use> of a <use> multiplies. */
  drawn: 200_000,
  /** Filter steps over the whole picture, with every reference followed. */
  filters: 60,
  /** Characters of data in one attribute: an embedded picture. */
  attribute: 2 * 1024 * 1024,
};

/**
 * What makes an SVG's cost unknowable by counting: drawn over large areas, again and again, or by libraries of their
 * own.
 */
export const unknowable = {
  elements: /^(filter|mask|pattern|marker|image|feImage|text|use)$/,
  attributes: /(^|[\s;"'])(stroke-dasharray|filter|mask|marker(-\w+)?|mix-blend-mode)\s*[:=]/,
  /** Elements drawn. */
  drawn: 300,
  /** Points of all outlines, each two numbers: a stroke goes around every one of them. */
  points: 2_000,
  /** Characters of the whole. */
  length: 200_000,
};

/** One element, as far as its cost goes. */
export interface Weighed {
  id: string | undefined;
  name: string;
  /** Ids it refers to: by href, or by url(#…) in an attribute or its style. */
  refers: string[];
  children: Weighed[];
}

const filterStep = /^fe[A-Z]/;

/** Ids that an element's attributes refer to. */
export const referencesIn = (attributes: Readonly<Record<string, string>>): string[] =>
  Object.entries(attributes).flatMap(([key, value]) => {
    if (/(^|:)href$/i.test(key)) return value.trim().startsWith("#") ? [value.trim().slice(1)] : [];
    return [...value.matchAll(/url\(\s*['"]?#([^)'"]+)/g)].map((match) => match[1]?.trim() ?? "");
  });

/** What drawing costs once every reference is followed; `endless` where one leads back to itself. */
export function weigh(root: Weighed): { drawn: number; filters: number; endless: boolean } {
  const byId = new Map<string, Weighed>();
  const collect = (element: Weighed) => {
    if (element.id !== undefined && !byId.has(element.id)) byId.set(element.id, element);
    for (const child of element.children) collect(child);
  };
  collect(root);
  const known = new Map<Weighed, { drawn: number; filters: number }>();
  const open = new Set<Weighed>();
  let endless = false;
  const cost = (element: Weighed): { drawn: number; filters: number } => {
    const before = known.get(element);
    if (before) return before;
    if (open.has(element)) {
      endless = true;
      return { drawn: 0, filters: 0 };
    }
    open.add(element);
    const total = { drawn: 1, filters: filterStep.test(element.name) ? 1 : 0 };
    const referred = element.refers.flatMap((id) => byId.get(id) ?? []);
    for (const each of [...element.children, ...referred]) {
      const { drawn, filters } = cost(each);
      total.drawn += drawn;
      total.filters += filters;
    }
    open.delete(element);
    known.set(element, total);
    return total;
  };
  return { ...cost(root), endless };
}
