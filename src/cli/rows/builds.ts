import { platforms } from "../../core/ground/values/platform.ts";
import { receivers } from "../../core/ground/values/receiver.ts";
import type { Row } from "./row.ts";
import { atStage, clients, inWorkspace, ofClients, withPassPhrase } from "./shared.ts";

/** Commands about packages: how they are built. */
export const buildRows = {
  build: {
    says: "build what has changed, by the commands that template.yaml gives, each number once",
    arguments: { clients },
    options: {
      ...atStage,
      ...ofClients,
      ...withPassPhrase,
      platform: {
        kind: "texts",
        value: "<platform>",
        of: platforms,
        says: "only this one; may be given several times",
      },
      again: { kind: "flag", says: "also what has not changed since its last good build" },
      unsigned: { kind: "flag", says: "give the steps nothing to sign with" },
      adopt: {
        kind: "texts",
        value: "<file>",
        says: "take in what was built elsewhere: of one client and platform; may be given several times",
      },
      queue: { kind: "flag", says: "let other machines build: `oxalis worker` on each" },
      events: { kind: "text", value: "<file>", says: "also write what happens into it, a line of JSON an event" },
      keep: {
        kind: "text",
        value: "<count>",
        says: "so many good builds of each thing stay; what oxalis.yaml says otherwise",
      },
      dryRun: { kind: "flag", says: "say what would be built, and build nothing" },
    },
  },
  builds: {
    says: "list what has been built: for whom, of what state, where it lies",
    arguments: { clients },
    options: {
      ...atStage,
      ...ofClients,
      all: { kind: "flag", says: "every build, and not the last of each thing alone" },
      page: { kind: "text", value: "<file>", says: "also write them as a page that opens from disk" },
      givenTo: {
        kind: "choice",
        value: "<whom>",
        of: receivers,
        says: "note that testers, or the store, have a build: its files stay from then on",
      },
      platform: { kind: "texts", value: "<platform>", of: platforms, says: "the platform of the build that was given" },
      number: { kind: "text", value: "<number>", says: "its number; the last good one's otherwise" },
      keep: {
        kind: "text",
        value: "<count>",
        says: "remove the files of all but so many good builds of each thing, and those that somebody has",
      },
      dryRun: { kind: "flag", says: "say what would be removed, and remove nothing" },
    },
  },
  inspect: {
    says: "look into packages, whoever built them: whose each is, which version, signed by whom",
    arguments: { files: { says: "packages: .apk, .aab, .ipa, .msix; several stand side by side", needed: "some" } },
    options: inWorkspace,
  },
} as const satisfies Record<string, Row>;
