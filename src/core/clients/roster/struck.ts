import { attribute, type WorkbookParts } from "./opened.ts";

/** Rows, from 0, in which everything that is written is struck out; sheet by sheet in the workbook's order. */
export function struckRows({ sheets, styles }: WorkbookParts): number[][] {
  const struck = struckStyles(styles);
  if (struck.size === 0) return sheets.map(() => []);
  return sheets.map((text) =>
    [...text.matchAll(/<row\b([^>]*[^/])>([\s\S]*?)<\/row>/g)].flatMap(([, row = "", inner = ""]) => {
      const filled = [...inner.matchAll(/<c\b([^>]*[^/])>(?=\s*<(?:v>[^<]|is>|f\b))/g)].map(([, cell = ""]) => cell);
      const isStruck = filled.length > 0 && filled.every((cell) => struck.has(Number(attribute(cell, "s"))));
      return isStruck ? [Number(attribute(row, "r")) - 1] : [];
    }),
  );
}

/** Positions of the cells' styles whose font has a line through it. */
function struckStyles(styles: string): Set<number> {
  const within = (name: string) => new RegExp(`<${name}\\b[^>]*>([\\s\\S]*?)</${name}>`).exec(styles)?.[1] ?? "";
  const fonts = (within("fonts").match(/<font\b[^>]*\/>|<font\b[^>]*>[\s\S]*?<\/font>/g) ?? []).map((font) =>
    /<strike(?:\s*\/>|\s+val="(?:1|true)"\s*\/>|\s*>)/.test(font),
  );
  const forms = within("cellXfs").match(/<xf\b[^>]*>/g) ?? [];
  return new Set(forms.flatMap((form, at) => (fonts[Number(attribute(form, "fontId"))] ? [at] : [])));
}
