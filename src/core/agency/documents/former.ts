import { isMap, isPair, isScalar, type Pair, visit, type Document as YamlDocument } from "yaml";

/** Names that keys had before, by the key above them. */
const keys: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  art: { pattern: "repeat" },
  colors: { onSoft: "softText", onSoftDark: "softTextDark" },
};

/** Values that were called otherwise before, by the key above them: what a colour of the template's own is. */
const values: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  colors: {
    onBrand: "brandText",
    onBrandDark: "brandTextDark",
    onSoft: "softText",
    onSoftDark: "softTextDark",
  },
};

/** Reads what is written under a name from before as if it were written under today's; its place stays. */
export function inCurrentNames(document: YamlDocument): void {
  visit(document, {
    Pair(_, pair) {
      const above = nameOf(pair);
      if (!isMap(pair.value)) return;
      for (const each of pair.value.items) {
        const { key, value } = each as Pair;
        if (isScalar(key)) key.value = keys[above]?.[String(key.value)] ?? key.value;
        if (isScalar(value)) value.value = values[above]?.[String(value.value)] ?? value.value;
      }
    },
  });
}

const nameOf = (pair: unknown): string => (isPair(pair) && isScalar(pair.key) ? String(pair.key.value) : "");
