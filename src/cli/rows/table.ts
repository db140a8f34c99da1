import { layouts } from "../../core/ground/values/layout.ts";
import { platforms } from "../../core/ground/values/platform.ts";
import { buildRows } from "./builds.ts";
import { keyRows } from "./keys.ts";
import { machineRows } from "./machines.ts";
import { passageRows } from "./passages.ts";
import { recordRows } from "./records.ts";
import type { Row } from "./row.ts";
import { atStage, client, clients, inWorkspace, ofClients, pageLanguage, report, told } from "./shared.ts";
import { versionRows } from "./versions.ts";

/** Every command. */
export const rows = {
  demo: {
    says: "write a full example into a new folder: an agency, its template, eight clients",
    arguments: { folder: { says: "a folder that is not there yet, or is empty", needed: "required" } },
    options: {
      story: {
        kind: "flag",
        says: "with what has happened to it in stores: one client live, one refused, one out for a share, one waiting",
      },
    },
  },
  init: {
    says: "survey a shared app, say what is found where, and write a workspace around it",
    arguments: { folder: { says: "where the workspace is to be", needed: "optional", standard: "." } },
    options: {
      template: {
        kind: "text",
        value: "<dir>",
        required: true,
        says: "the shared app: any folder, also a git checkout",
      },
      agency: { kind: "text", value: "<name>", says: "the agency's name; otherwise the folder's" },
      dryRun: { kind: "flag", says: "say what is found, and write nothing" },
      json: told.json,
      quiet: { ...told.quiet, says: "only what is left to decide" },
      verbose: { ...told.verbose, says: "more: every place" },
    },
  },
  import: {
    says: "take a roster in: new clients are made, known ones updated field by field",
    arguments: { file: { says: "a sheet: CSV or XLSX", needed: "required" } },
    options: {
      ...inWorkspace,
      map: {
        kind: "texts",
        value: "<heading=field>",
        says: "which field a column holds; may be given several times, and is remembered",
      },
      same: {
        kind: "texts",
        value: "<name=client>",
        says: "whose row it is, of a client under another name; may be given several times, and is remembered",
      },
      new: {
        kind: "texts",
        value: "<name>",
        says: "that a row is somebody new, whatever a client there is has in common with it",
      },
      collection: {
        kind: "text",
        value: "<name>",
        names: "collections",
        says: "the sheet holds the items of this collection, one a row",
      },
      conflicts: {
        kind: "choice",
        value: "<whose>",
        of: ["brief", "sheet"],
        says: "whose word counts where a field was changed in its brief and in the sheet",
      },
      pictures: {
        kind: "text",
        value: "<folder>",
        says: "where the clients' pictures lie: each is found, looked at, and copied in",
      },
      encoding: {
        kind: "text",
        value: "<name>",
        says: "what a CSV file is written in, where that cannot be told",
      },
      strict: { kind: "flag", says: "take nothing where a cell or a row cannot be taken" },
      dryRun: { kind: "flag", says: "show what would change, and write nothing" },
    },
  },
  export: {
    says: "write the roster: every field as given and as worked out",
    arguments: { file: { says: "where to write it: .csv or .xlsx", needed: "required" }, clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      collection: {
        kind: "text",
        value: "<name>",
        names: "collections",
        says: "only the items of this collection",
      },
    },
  },
  clients: {
    says: "list the clients with their names, identifiers and versions",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      csv: { kind: "flag", says: "print the list as CSV" },
    },
  },
  explain: {
    says: "show where each value of a client came from",
    arguments: {
      client,
      field: { says: "a field, such as identifiers.android; none for all", needed: "optional", names: "fields" },
    },
    options: {
      ...atStage,
      pattern: {
        kind: "text",
        value: "<pattern>",
        says: "try a pattern on the client, and show what it gives",
      },
    },
  },
  art: {
    says: "list every picture a platform wants: size, source, safe zone, rule",
    arguments: {},
    options: {
      ...inWorkspace,
      platform: {
        kind: "choice",
        value: "<platform>",
        of: platforms,
        says: "only pictures of this platform",
      },
      role: { kind: "text", value: "<role>", names: "roles", says: "only pictures of this role, such as maskable" },
      csv: { kind: "flag", says: "print the list as CSV" },
      guide: { kind: "text", value: "<file.html>", says: "write the page for a client's designer" },
      language: { ...pageLanguage, says: "of the designer's page; otherwise the agency's" },
    },
  },
  check: {
    says: "look at all inputs before anything is made: what is missing or wrong, for whom",
    arguments: { clients },
    options: {
      ...atStage,
      ...ofClients,
      strict: { kind: "flag", says: "end with 1 for warnings too" },
      report,
    },
  },
  generate: {
    says: "make the variants; only what changed is made again",
    arguments: { clients },
    options: {
      ...atStage,
      ...ofClients,
      queue: { kind: "flag", says: "let other machines draw: `oxalis worker` on each" },
      dryRun: { kind: "flag", says: "say what would be done, and do nothing" },
      layout: {
        kind: "choice",
        value: "<layout>",
        of: layouts,
        says: "whole projects, or only what differs from the template",
      },
      smallest: { kind: "flag", says: "press every picture as small as it goes; takes longer" },
      settled: { kind: "flag", says: "fail, and write nothing, where a ledger would have to change" },
    },
  },
  audit: {
    says: "prove that the variants are whole, and that nothing of the template's identity is left in them",
    arguments: { clients },
    options: {
      ...atStage,
      ...ofClients,
      report,
    },
  },
  ...recordRows,
  ...versionRows,
  ...buildRows,
  ...passageRows,
  ...keyRows,
  ...machineRows,
  clean: {
    says: "empty the cache of pictures that were drawn before; or remove what was made for nobody",
    arguments: {},
    options: {
      ...inWorkspace,
      variants: {
        kind: "flag",
        says: "remove the variants of clients and stages that are gone, and not the cache",
        conflicts: ["lock"],
      },
      lock: {
        kind: "flag",
        says: "take the hold on the workspace away from a run on a machine that is no more",
      },
    },
  },
  "stand-in": {
    says: "serve, on this machine alone, a stand-in for a service that cannot be had here: for tries and tests",
    arguments: { what: { says: "which one", needed: "required", of: ["authority", "store"] } },
    options: {
      ...told,
      port: { kind: "text", value: "<number>", standard: "4100", says: "where it listens; 0 for any that is free" },
      folder: {
        kind: "text",
        value: "<dir>",
        standard: ".oxalis/stand-in-store",
        says: "where stores keep what they know, and the credentials that they show once",
      },
      owner: { kind: "text", value: "<name>", standard: "The studio", says: "whose accounts the stores have" },
      rate: { kind: "text", value: "<times>", standard: "1", says: "how much faster than time the stores' clock goes" },
      accepts: { kind: "flag", says: "whatever waits for review is accepted in time; otherwise a person decides" },
      seed: {
        kind: "text",
        value: "<text>",
        standard: "",
        says: "what chance follows from, where it is to be the same",
      },
    },
  },
  schema: {
    says: "print the JSON Schema of a file, for editors",
    arguments: {
      file: {
        says: "the kind of file",
        needed: "required",
        of: ["brief", "oxalis", "template", "ledger"],
      },
    },
    options: {},
  },
  completion: {
    says: "print what makes a shell complete commands, options and names",
    arguments: {
      shell: {
        says: "the shell; words is for its script alone",
        needed: "required",
        of: ["bash", "zsh", "fish", "words"],
      },
      words: { says: "what is on the line so far", needed: "many" },
    },
    options: {},
  },
} as const satisfies Record<string, Row>;

export type CommandName = keyof typeof rows;
