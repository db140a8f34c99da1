import { storeKeys } from "../../core/ground/values/store.ts";
import { stepNames } from "../../core/making/submitting/step-names.ts";
import type { Row } from "./row.ts";
import { clients, inWorkspace, ofClients, withPassPhrase } from "./shared.ts";

const store = {
  kind: "texts",
  value: "<store>",
  of: storeKeys,
  says: "only this one; may be given several times",
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
      wait: {
        kind: "text",
        value: "<minutes>",
        standard: "30",
        says: "so long a store is waited for that takes a package in",
      },
      reply: { kind: "text", value: "<text>", says: "answer a refusal or a question, of one client and store" },
      out: {
        kind: "text",
        value: "<how>",
        says: "let an approved version out: everybody, a share such as 20%, phases; or halt, go-on",
      },
      takeBack: { kind: "flag", says: "take back a version that was sent, of one client and store" },
      dryRun: { kind: "flag", says: "say what would be done, and do nothing" },
    },
  },
} as const satisfies Record<string, Row>;
