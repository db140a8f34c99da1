import { awaitedNames } from "../../core/clients/passage/awaited.ts";
import { passes } from "../../core/clients/release/passes.ts";
import { storeKeys } from "../../core/ground/values/store.ts";
import { stepNames } from "../../core/making/submitting/step-names.ts";
import type { Row } from "./row.ts";
import { client, clients, inWorkspace, ofClients, withPassPhrase } from "./shared.ts";

const store = {
  kind: "texts",
  value: "<store>",
  of: storeKeys,
  says: "only this one; may be given several times",
} as const;

const wait = {
  kind: "text",
  value: "<minutes>",
  standard: "30",
  says: "so long a store is waited for that takes a package in",
} as const;

/** Commands about the way of apps into stores. */
export const passageRows = {
  submit: {
    says: "bring apps into stores: record, texts, package, testers, review, release; only what differs is done",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      ...withPassPhrase,
      store,
      until: {
        kind: "choice",
        value: "<step>",
        of: stepNames,
        standard: "release",
        says: "go no further than this step",
      },
      wait,
      reply: { kind: "text", value: "<text>", says: "answer a refusal or a question, of one client and store" },
      out: {
        kind: "text",
        value: "<how>",
        says: "let an approved version out: everybody, a share such as 20%, phases; or halt, go-on",
      },
      takeBack: { kind: "flag", says: "take back a version that was sent, of one client and store" },
      dryRun: { kind: "flag", says: "say what would be done, and do nothing" },
      sheet: { kind: "flag", says: "write the store's own steps as a page, to be done by hand, and do nothing there" },
      output: {
        kind: "text",
        short: "-o",
        value: "<file>",
        says: "where that page goes, or the folder of several; among the variants otherwise",
      },
      done: { kind: "text", value: "<step>", says: "note a step of that page as done, or what the store has said" },
      because: {
        kind: "text",
        value: "<text>",
        says: "of what is noted: what the store says, its rule in front of a colon",
      },
      share: { kind: "text", value: "<percent>", says: "of what is noted: for which share of the people" },
      on: { kind: "text", value: "<day>", says: "of what is noted: the day, where that was not today" },
      app: { kind: "text", value: "<number>", says: "of a record that is noted: what the store calls the app" },
    },
  },
  update: {
    says: "bring the template as it is now to clients: numbers, builds, stores; a few first, then the others",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      ...withPassPhrase,
      except: {
        kind: "texts",
        value: "<client>",
        says: "not this one, or those of a pattern; may be given several times",
      },
      major: { kind: "flag", says: "the next version: 2.0.0 after 1.4.2", conflicts: ["minor", "patch"] },
      minor: { kind: "flag", says: "the next version: 1.5.0 after 1.4.2", conflicts: ["major", "patch"] },
      patch: { kind: "flag", says: "the next version: 1.4.3 after 1.4.2", conflicts: ["major", "minor"] },
      note: {
        kind: "texts",
        value: "<language=text>",
        says: "what is new, a pattern as in drafts; may be given several times",
      },
      first: { kind: "text", value: "<count>", standard: "3", says: "so many clients go first" },
      passes: {
        kind: "choice",
        value: "<when>",
        of: passes,
        standard: "submitted",
        says: "how far those have to come before the others follow",
      },
      until: {
        kind: "choice",
        value: "<step>",
        of: stepNames,
        standard: "review",
        says: "how far each goes into the stores",
      },
      wait,
      dryRun: { kind: "flag", says: "say what people will notice, and do nothing" },
    },
  },
  testers: {
    says: "list who tries which clients' apps: invited when, come or not, with which build",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      ...withPassPhrase,
      look: { kind: "flag", says: "ask the stores first who takes part" },
      csv: { kind: "flag", says: "print the list as CSV" },
    },
  },
  "testers import": {
    says: "take a sheet of testers in: name, address, language, platforms, group, clients, consent",
    arguments: { file: { says: "a sheet: CSV or XLSX", needed: "required" } },
    options: { ...inWorkspace, dryRun: { kind: "flag", says: "say what would be taken, and write nothing" } },
  },
  "testers export": {
    says: "write the testers as such a sheet",
    arguments: { file: { says: "where to write it: .csv or .xlsx", needed: "required" } },
    options: inWorkspace,
  },
  "testers invite": {
    says: "invite those who try clients' apps, each in their language, once a version",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      ...withPassPhrase,
      again: { kind: "flag", says: "also who was invited to this version before, or may have been" },
      dryRun: { kind: "flag", says: "show the letters, and send none" },
    },
  },
  "testers end": {
    says: "end that somebody tries apps; with --erase, take everything of them out",
    arguments: { address: { says: "their address", needed: "required" } },
    options: { ...inWorkspace, erase: { kind: "flag", says: "nothing of them stays in the workspace" } },
  },
  events: {
    says: "list what has happened to apps in stores; tell it on as a feed, by mail, or to an address",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      ...withPassPhrase,
      store,
      since: { kind: "text", value: "<day>", says: "only what has happened on that day or later" },
      look: { kind: "flag", says: "ask the stores first what is new" },
      jsonLines: { kind: "flag", says: "print a line of JSON an event" },
      feed: { kind: "text", value: "<file>", says: "also write them as an Atom feed" },
      mail: { kind: "text", value: "<address>", says: "send what nobody was told of there, as one letter" },
      hook: { kind: "text", value: "<address>", says: "send it there over HTTP, a signed message an event" },
      listen: { kind: "text", value: "<port>", says: "hear what stores tell, on this port, until it is ended" },
      knownAs: { kind: "text", value: "<address>", says: "of what listens: where stores reach it; they are told" },
    },
  },
  wait: {
    says: "wait until something has happened to an app in a store: 0 it has, 1 it will not, 3 the time is over",
    arguments: {
      client,
      event: { says: "what is waited for", needed: "required", of: awaitedNames },
    },
    options: {
      ...inWorkspace,
      ...withPassPhrase,
      store: {
        kind: "choice",
        value: "<store>",
        of: storeKeys,
        says: "in which; the only one that it wants otherwise",
      },
      within: { kind: "text", value: "<minutes>", standard: "60", says: "so long at most" },
    },
  },
} as const satisfies Record<string, Row>;
