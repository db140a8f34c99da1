/**
 * The shape of a JSON value as the docs write it: `{ clients: [ { client, place?: { file }, values: { <field>: <text>
 * } } ], … }`.
 */
export type Shape =
  | { kind: "any" }
  | { kind: "list"; of: Shape }
  | { kind: "object"; keys: Readonly<Record<string, { optional: boolean; shape: Shape }>>; each?: Shape };

const any: Shape = { kind: "any" };

export function parseShape(text: string): Shape {
  const tokens = text.match(/[{}[\],:]|<[a-z]+>\??|[a-zA-Z][a-zA-Z0-9]*\??|…/g) ?? [];
  let at = 0;
  const take = (token: string) => {
    if (tokens[at] !== token) throw new Error(`${token} was expected at ${tokens.slice(at).join(" ")}`);
    at++;
  };
  const shape = (): Shape => {
    if (tokens[at] === "{") return object();
    if (tokens[at] !== "[") {
      at++;
      return any;
    }
    take("[");
    const of = shape();
    take("]");
    return { kind: "list", of };
  };
  const object = (): Shape => {
    const keys: Record<string, { optional: boolean; shape: Shape }> = {};
    let each: Shape | undefined;
    take("{");
    while (tokens[at] !== "}") {
      const key = tokens[at++] ?? "";
      const has = tokens[at] === ":";
      if (has) at++;
      const value = has ? shape() : any;
      if (key.startsWith("<") || key === "…") each = value;
      else keys[key.replace("?", "")] = { optional: key.endsWith("?"), shape: value };
      if (tokens[at] !== "}") take(",");
    }
    take("}");
    return { kind: "object", keys, ...(each ? { each } : {}) };
  };
  return shape();
}

/** Where a value is not of a shape. What the docs say of a key everywhere, such as `place`, is given by its name. */
export function unlike(shape: Shape, value: unknown, everywhere: Readonly<Record<string, Shape>>, at = ""): string[] {
  if (shape.kind === "any") return [];
  if (shape.kind === "list") {
    if (!Array.isArray(value)) return [`${at} is no list`];
    return value.flatMap((each, index) => unlike(shape.of, each, everywhere, `${at}[${index}]`));
  }
  if (typeof value !== "object" || value === null || Array.isArray(value)) return [`${at} is no object`];
  const found = Object.entries(value);
  const missing = Object.entries(shape.keys)
    .filter(([key, { optional }]) => !optional && !(key in value))
    .map(([key]) => `${at}.${key} is missing`);
  const wrong = found.flatMap(([key, inner]) => {
    const own = shape.keys[key]?.shape ?? shape.each;
    if (!own) return [`${at}.${key} is not documented`];
    const known = own.kind === "any" ? everywhere[key] : own;
    return known && inner !== null ? unlike(known, inner, everywhere, `${at}.${key}`) : [];
  });
  return [...missing, ...wrong];
}
