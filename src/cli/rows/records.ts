import { storeKeys } from "../../core/ground/values/store.ts";
import type { Row } from "./row.ts";
import { atStage, client, clients, inWorkspace, ofClients, pageLanguage } from "./shared.ts";

/** Commands about what stores are told of an app. */
export const recordRows = {
  proof: {
    says: "write the page to look at and sign off",
    arguments: { clients },
    options: {
      ...atStage,
      ...ofClients,
      output: {
        kind: "text",
        short: "-o",
        value: "<file>",
        says: "where to write the page; otherwise variants/proof.html, or beside it for some clients or a stage",
      },
      language: pageLanguage,
      oneFile: {
        kind: "flag",
        says: "all pictures within the page; otherwise those of a large one lie in a folder beside it",
      },
    },
  },
  board: {
    says: "show how complete each client's record is for each store, what is next, and who must act",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      reach: {
        kind: "flag",
        says: "also open every address of the records: the one time that Oxalis asks the network",
      },
      csv: { kind: "flag", says: "print the board as CSV" },
      page: { kind: "text", value: "<file.html>", says: "also write the board as a page" },
      language: { ...pageLanguage, says: "of the board; otherwise the agency's" },
    },
  },
  ask: {
    says: "write each client a letter that asks for what is still missing, with a sheet to fill in",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      into: { kind: "text", value: "<folder>", says: "where the letters go; otherwise letters/" },
      until: { kind: "text", value: "<day>", says: "the day by which it is needed; otherwise in two weeks" },
      language: {
        kind: "text",
        value: "<language>",
        says: "of the letters; otherwise each client's own, or the agency's",
      },
      designer: {
        kind: "flag",
        says: "instead, write one letter to whoever draws: every picture that is not right, and what is wrong with it",
        conflicts: ["send", "sent", "again"],
      },
      newWords: {
        kind: "text",
        value: "<language>",
        says: "only write the words of letters in one more language into words/, to be translated",
      },
      send: { kind: "flag", says: "also send them by mail, through the server that OXALIS_SMTP names" },
      sent: {
        kind: "flag",
        says: "only note that they were sent by hand, or that one which may have arrived did",
        conflicts: ["send", "again", "into"],
      },
      again: { kind: "flag", says: "with --send: also what was sent today, or may have arrived" },
      dryRun: { kind: "flag", says: "say what would be asked of whom, and write nothing" },
    },
  },
  approve: {
    says: "take drafts for good: who has read them, and when, is kept with the text",
    arguments: { clients: { ...clients, says: "keys of clients, or patterns" } },
    options: {
      ...inWorkspace,
      ...ofClients,
      by: { kind: "text", value: "<name>", says: "who has read them; wanted unless it is a dry run" },
      field: { kind: "texts", value: "<field>", says: "only these fields; may be given several times" },
      dryRun: { kind: "flag", says: "show the drafts, and approve nothing" },
    },
  },
  "copy-sheet": {
    says: "write a page with a client's record in a store's own order, to be copied field by field",
    arguments: {
      client: { ...client, says: "key of a client, or a pattern of keys" },
      store: { says: "which store; otherwise each that the client wants", needed: "optional", of: storeKeys },
    },
    options: {
      ...inWorkspace,
      output: {
        kind: "text",
        short: "-o",
        value: "<file>",
        says: "where to write the page, or the folder of several; otherwise variants/",
      },
      entered: {
        kind: "text",
        value: "<fields>",
        says: "keep with the record what stands in the store's form already, as the page says it",
      },
    },
  },
} as const satisfies Record<string, Row>;
