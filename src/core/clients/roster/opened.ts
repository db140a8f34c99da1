import { strFromU8, unzipSync } from "fflate";

/** What of a workbook says more than its values. */
export interface WorkbookParts {
  /** The XML of each sheet, in the workbook's order. */
  sheets: readonly string[];
  /** That of its styles; empty where there is none. */
  styles: string;
}

/** Opens a workbook that has been looked at, as far as its sheets and styles. */
export function workbookParts(bytes: Uint8Array): WorkbookParts {
  const parts = unzipSync(bytes, {
    filter: ({ name }) => /^xl\/(workbook|styles|_rels\/|worksheets\/[^/]+)/i.test(name),
  });
  const textOf = (path: string) => (parts[path] ? strFromU8(parts[path], true) : "");
  const targets = new Map(
    (textOf("xl/_rels/workbook.xml.rels").match(/<Relationship\b[^>]*>/g) ?? []).map((each) => [
      attribute(each, "Id"),
      attribute(each, "Target").replace(/^\/?(?:xl\/)?/, ""),
    ]),
  );
  const sheets = textOf("xl/workbook.xml").match(/<sheet\b[^>]*>/g) ?? [];
  return {
    sheets: sheets.map((each) => textOf(`xl/${targets.get(attribute(each, "r:id"))}`)),
    styles: textOf("xl/styles.xml"),
  };
}

/** An element's attribute; empty where it has none. */
export const attribute = (element: string, name: string): string =>
  new RegExp(`\\b${name}="([^"]*)"`).exec(element)?.[1] ?? "";
