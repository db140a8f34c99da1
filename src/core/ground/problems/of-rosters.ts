import type { ProblemKind } from "./kind.ts";

/** What can be wrong with a roster that comes in. */
export const ofRosters = {
  "sheet-encoding": {
    title: "A sheet in an encoding that cannot be told",
    fix: "Save it as UTF-8, or say with --encoding what it is: the one in which the words read right.",
  },
  "sheet-unreadable": {
    title: "A sheet that cannot be read",
    fix: "Save it again as CSV or XLSX, with the headings in its first row.",
  },
  "sheet-unknown": {
    title: "A sheet in a form that is not taken",
    fix: "Save it as XLSX or CSV in the program that made it.",
  },
  "row-conflict": {
    title: "A field that was changed both in the brief and in the sheet",
    fix:
      "Look at both. With --conflicts brief the brief keeps its own from now on, with --conflicts sheet the " +
      "sheet's is taken.",
  },
  "collection-unknown": {
    title: "A collection that the template does not have",
    fix: "Correct the name; template.yaml has the collections.",
  },
  "map-invalid": {
    title: "A --map that cannot be read",
    fix:
      'Write it as --map "Heading in the sheet=field", such as --map "Firma=owner"; docs/commands.md lists ' +
      "the fields.",
  },
  "row-aside": {
    title: "An answer that goes into no field by itself",
    fix: "Read it, and work it in: a picture by --pictures, a reading into identifiers.base.",
  },
  "row-unsure": {
    title: "A row that may be of a client under another name",
    fix: "Say which it is: --same, or --new. What --same says is remembered in oxalis.yaml.",
  },
  "row-refused": {
    title: "A row that cannot be taken",
    fix: "Correct the cell and import again; the rest has been taken, unless --strict asked for all or nothing.",
  },
} satisfies Record<string, ProblemKind>;
