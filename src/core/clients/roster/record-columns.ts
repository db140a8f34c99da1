import { accountCodes } from "../../stores/all.ts";
import { placeInBrief, type RecordField, recordFieldNames, recordFields } from "../../stores/record-fields.ts";
import {
  address,
  type CellForm,
  choiceOf,
  countries,
  dayOf,
  line,
  list,
  page,
  price,
  sentences,
  text,
  word,
} from "./cells.ts";
import { type Column, column } from "./column.ts";

/** Cells that are not taken as they stand, by what a field is. */
const cells: Readonly<Partial<Record<(typeof recordFields)[RecordField]["form"], CellForm>>> = {
  choice: word,
  list,
  address: page,
  email: address,
  date: dayOf,
  price,
};

/** Of fields that have words of their own. */
const ownCells: Readonly<Partial<Record<RecordField, CellForm>>> = {
  category: choiceOf("category"),
  subcategory: choiceOf("subcategory"),
  audience: choiceOf("audience"),
  countries,
  subtitle: line,
  short: line,
  highlights: sentences,
};

/** A column of a field; none for what no brief has. */
function columnOf(field: RecordField, language: string): Column[] {
  const { says, takes, example = "", form, byLanguage } = recordFields[field];
  const path = placeInBrief(field, language);
  const told = [says, ...(takes ? [takes] : [])].join(": ") + (byLanguage ? `, in ${language}` : "");
  return path ? [column(path, told, example, ownCells[field] ?? cells[form] ?? text)] : [];
}

/** Fields of the stores' records that are no texts of a language, and no fields of the app itself. */
export const ofRecord: readonly Column[] = recordFieldNames
  .filter((field) => !recordFields[field].byLanguage && field !== "email")
  .flatMap((field) => columnOf(field, ""));

/** A code by which a store knows the client's account. */
export function accountCode(name: string): Column | undefined {
  const code = accountCodes.find((each) => each.name === name);
  return code && column(["store", "accounts", name], code.says, "", text);
}

/** A text of the stores' records in a language. */
export const recordText = (language: string, field: RecordField): Column[] => columnOf(field, language);
