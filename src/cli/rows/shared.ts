import { clientStates } from "../../core/ground/values/client-states.ts";
import { pageLanguages } from "../../core/ground/values/page-language.ts";
/** Options of every command that tells something. */
export const told = {
  json: { kind: "flag", says: "print the result as JSON (docs/commands.md has the shape)" },
  quiet: { kind: "flag", short: "-q", says: "only what is wrong", conflicts: ["verbose"] },
  verbose: { kind: "flag", short: "-v", says: "more: every file, every step" },
} as const;

/** Options of every command that works in a workspace. */
export const inWorkspace = {
  workspace: {
    kind: "text",
    short: "-C",
    value: "<dir>",
    says: "the workspace; otherwise the nearest folder upward that holds oxalis.yaml",
  },
  ...told,
} as const;

/** How the pass phrase of a vault is given, beside OXALIS_PASSPHRASE and a prompt. */
export const withPassPhrase = {
  passphraseFd: {
    kind: "text",
    value: "<number>",
    says: "read the pass phrase from this file descriptor; otherwise from OXALIS_PASSPHRASE, or it is asked for",
  },
} as const;

/** And of those that can look at another form of the apps than the store's. */
export const atStage = {
  ...inWorkspace,
  stage: {
    kind: "text",
    value: "<name>",
    names: "stages",
    says: "not the store's form of the app, but this one of oxalis.yaml",
  },
} as const;

export const clients = {
  says: "keys of clients, or patterns such as north-*; none for all",
  needed: "many",
  names: "clients",
} as const;
export const client = { says: "key of a client", needed: "required", names: "clients" } as const;

export const report = {
  kind: "text",
  value: "<file>",
  says: "also write the findings for a build server: .sarif, or .xml for JUnit's form",
} as const;

/** Options of every command that takes clients. */
export const ofClients = {
  group: { kind: "text", value: "<group>", names: "groups", says: "only clients of this group" },
  state: { kind: "choice", value: "<state>", of: clientStates, says: "only clients in this state" },
} as const;

/** The language of a page for people. */
export const pageLanguage = {
  kind: "choice",
  value: "<language>",
  of: pageLanguages,
  says: "of the page; otherwise the only client's, or the agency's",
} as const;
