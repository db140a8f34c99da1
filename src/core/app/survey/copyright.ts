import type { Fill } from "../template/found.ts";

/** A sign or a word before the years, the years themselves, and what is said of rights behind them. */
const line = /^(.*?(?:©|\(c\)|copyright)\s*)((?:19|20)\d\d\b.*?)([.,]?\s*all rights reserved\.?)?$/is;

/** A copyright line keeps its sign and what it says of rights: only years and owner are the client's. */
export function aroundCopyright(fill: Fill): Fill {
  if (fill.holds !== "copyright" || fill.before || fill.after) return fill;
  const [, before = "", , after = ""] = line.exec(fill.site.value) ?? [];
  return { ...fill, ...(before ? { before } : {}), ...(after ? { after } : {}) };
}
