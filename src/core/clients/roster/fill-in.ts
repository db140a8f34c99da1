import writeXlsxFile from "write-excel-file/node";
import {
  getCellAddress,
  getOrderOfSiblings,
  insertElementMarkupAccordingToOrderOfSiblings,
  sanitizeAttributeValue,
  sanitizeTextContent,
} from "write-excel-file/utility";
import { guard } from "./sheet.ts";

/** A question of a sheet that a client fills in: a line of its own. */
export interface Question {
  /** In the client's language. */
  asks: string;
  /** What stands there now; empty where nothing does. */
  now: string;
  /** Limits, an example, what is wrong. */
  hints: readonly string[];
  /** What may be chosen; anything may be written where there is nothing. */
  choices: readonly string[];
  /** The field that the answer goes into; none of what somebody has to work in. */
  field?: string | undefined;
}

/** The sheet that a client fills in. */
export interface FillIn {
  client: string;
  title: string;
  /** The sheet's own name, and that of the one with what may be chosen. */
  names: { answers: string; choices: string };
  heads: { asks: string; answer: string; now: string; hints: string };
  groups: readonly { title: string; questions: readonly Question[] }[];
}

/** Marks the column of answers, in whatever language its heading is. */
export const answerMark = "✎";

/** What stands behind a client's key in a line's code where the answer is nobody's field. */
export const noField = "-";

const colors = { band: "#e6eaef", answer: "#fff8e1", line: "#c9d0d8", aside: "#5d6775" };
const widths = [38, 44, 30, 38, 24];

/** How a field of the text is written: as it stands, over several lines. */
const cell = (value: string, more: object = {}) => ({
  value: guard(value),
  type: String,
  wrap: true,
  alignVertical: "top" as const,
  ...more,
});

/** Points that a row is high: of its longest cell, as the columns' widths break it. */
const heightOf = (texts: readonly string[], line = 15): number => {
  const linesIn = (text: string, at: number) =>
    text.split("\n").reduce((sum, each) => sum + Math.max(1, Math.ceil(each.length / (widths[at] ?? 1))), 0);
  return 6 + line * Math.max(...texts.map(linesIn));
};

const border = { borderColor: colors.line, borderStyle: "thin" as const };

/** As the bytes of a workbook: a line a question, drop-downs where there is something to choose. */
export async function fillInBytes({ client, title, names, heads, groups }: FillIn): Promise<Uint8Array> {
  const code = (field: string | undefined) => `${client}/${field ?? noField}`;
  const lists: string[][] = [];
  const validated: { row: number; list: number }[] = [];
  const rows: object[][] = [
    [cell(title, { fontWeight: "bold", fontSize: 14, wrap: false, height: 30, alignVertical: "center" })],
    [heads.asks, `${heads.answer} ${answerMark}`, heads.now, heads.hints, ""].map((head) =>
      cell(head, { fontWeight: "bold", height: 21, ...border, backgroundColor: colors.band }),
    ),
  ];
  for (const { title: group, questions } of groups) {
    rows.push([cell(group, { fontWeight: "bold", height: 21, backgroundColor: colors.band }), ...bands]);
    for (const { asks, now, hints, choices, field } of questions) {
      if (choices.length > 0) validated.push({ row: rows.length, list: lists.push([...choices]) - 1 });
      rows.push([
        cell(asks, { ...border, height: heightOf([asks, "", now, hints.join("\n")]) }),
        cell("", { ...border, backgroundColor: colors.answer }),
        cell(now, { ...border, textColor: colors.aside }),
        cell(hints.join("\n"), { ...border, textColor: colors.aside }),
        cell(code(field), { textColor: colors.line, fontSize: 8 }),
      ]);
    }
  }
  const answers = {
    data: rows,
    sheet: names.answers,
    stickyRowsCount: 2,
    showGridLines: false,
    columns: widths.map((width) => ({ width })),
    orientation: "landscape" as const,
  };
  const longest = Math.max(0, ...lists.map((list) => list.length));
  const chosen = Array.from({ length: longest }, (_, at) => lists.map((list) => cell(list[at] ?? "")));
  const sheets = lists.length > 0 ? [answers, { data: chosen, sheet: names.choices }] : [answers];
  const features = [dropDowns(names, validated, lists)];
  return await writeXlsxFile(sheets as Parameters<typeof writeXlsxFile>[0], { features }).toBuffer();
}

const bands = widths.slice(2).map(() => cell("", { backgroundColor: colors.band }));

/** Lists to choose from (ECMA-376, part 1, 18.3.1.33): anything else may be written all the same. */
function dropDowns(
  names: FillIn["names"],
  validated: readonly { row: number; list: number }[],
  lists: readonly (readonly string[])[],
) {
  const file = "xl/worksheets/sheet{id}.xml" as const;
  const each = validated.map(({ row, list }) => {
    const column = getCellAddress(0, list).replace(/\d+$/, "");
    const range = `'${names.choices.replace(/'/g, "''")}'!$${column}$1:$${column}$${lists[list]?.length}`;
    const at = sanitizeAttributeValue(getCellAddress(row, 1));
    return (
      `<dataValidation type="list" allowBlank="1" showErrorMessage="0" sqref="${at}">` +
      `<formula1>${sanitizeTextContent(range)}</formula1></dataValidation>`
    );
  });
  const all = `<dataValidations count="${each.length}">${each.join("")}</dataValidations>`;
  return {
    files: {
      transform: {
        [file]: {
          transform: (xml: string, _: unknown, { sheetIndex }: { sheetIndex: number }) =>
            sheetIndex === 0 && each.length > 0
              ? insertElementMarkupAccordingToOrderOfSiblings(
                  xml,
                  all,
                  getOrderOfSiblings(file, "worksheet") ?? [],
                  "worksheet",
                )
              : xml,
        },
      },
    },
  };
}
