import { type RecordField, recordFields } from "../stores/record-fields.ts";
import { list, text, word } from "./cells.ts";
import { type Column, column } from "./column.ts";

/** Fields of the stores' records that are no texts of a language. */
export const ofRecord: readonly Column[] = [
  column(["store", "category"], "Category in the stores", "shopping", word),
  column(["store", "subcategory"], "Second category", "food", word),
  column(["store", "kind"], "app or game", "app", word),
  column(["store", "audience"], "Who it is for: all, teenagers or adults", "all", word),
  column(["store", "support"], "Page where people find help", "https://hillfarm.example/help", text),
  column(["store", "marketing"], "The website", "https://hillfarm.example", text),
  column(["store", "privacy"], "Page of the privacy policy", "https://hillfarm.example/privacy", text),
  column(["store", "contact", "name"], "Who may be asked about the app", "Ann Hill", text),
  column(["store", "contact", "email"], "That person's e-mail", "ann@hillfarm.example", text),
  column(["store", "contact", "phone"], "That person's telephone", "+44 20 7946 0000", text),
  column(["store", "price"], "free, or an amount with its currency", "free", text),
  column(["store", "countries"], "all, or codes of countries with commas between them", "DE, AT", list),
  column(["store", "released"], "The day on which it is to appear, or at once", "2026-12-01", text),
  column(["store", "review", "notes"], "Notes for the people who review", "", text),
  column(["store", "review", "user"], "Sign-in for the people who review", "", text),
];

/** A text of the stores' records in a language. */
export const recordText = (tag: string, field: RecordField): Column =>
  column(
    ["store", "texts", tag, field],
    `${recordFields[field].says}, in ${tag}`,
    "",
    recordFields[field].list ? list : text,
  );
