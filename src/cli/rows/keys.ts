import { keyRoles } from "../../core/clients/keys/roles.ts";
import type { Row } from "./row.ts";
import { clients, inWorkspace, ofClients } from "./shared.ts";

/** How the pass phrase of a vault is given, beside OXALIS_PASSPHRASE and a prompt. */
const withPassPhrase = {
  ...inWorkspace,
  passphraseFd: {
    kind: "text",
    value: "<number>",
    says: "read the pass phrase from this file descriptor; otherwise from OXALIS_PASSPHRASE, or it is asked for",
  },
} as const;

const dryRun = { kind: "flag", says: "say what would be done, and write nothing" } as const;

const archive = { says: "the archive, such as keys.zip.age", needed: "required" } as const;

/** Commands about keys: what signs clients' apps. */
export const keyRows = {
  keys: {
    says: "list the keys that sign clients' apps: what is missing, ends, or is shared",
    arguments: { clients },
    options: {
      ...inWorkspace,
      ...ofClients,
      within: { kind: "text", value: "<days>", says: "tell of what ends within so many days; otherwise 60" },
    },
  },
  "keys make": {
    says: "make the keys that clients' apps want and do not have",
    arguments: { clients },
    options: { ...withPassPhrase, ...ofClients, dryRun },
  },
  "keys adopt": {
    says: "take in a key that there is: a key store, or a push key",
    arguments: { file: { says: "a key store (PKCS#12), or a private key as PEM", needed: "required" } },
    options: {
      ...withPassPhrase,
      client: { kind: "text", value: "<client>", names: "clients", says: "whose it is; otherwise who its names say" },
      role: { kind: "choice", value: "<role>", of: keyRoles, says: "what it is for; otherwise what it looks like" },
      alias: { kind: "text", value: "<alias>", says: "which key, of a store with several" },
      insteadOf: {
        kind: "text",
        value: "<fingerprint>",
        says: "in place of this one, which is lost; the beginning of its fingerprint",
      },
      dryRun,
    },
  },
  "keys prove": {
    says: "open every key, and have it sign something that its public half verifies",
    arguments: { clients },
    options: { ...withPassPhrase, ...ofClients },
  },
  "keys export": {
    says: "write all keys into one locked file, for a safe",
    arguments: { file: archive },
    options: withPassPhrase,
  },
  "keys restore": {
    says: "bring keys back from such a file, where there is no vault",
    arguments: { file: archive },
    options: withPassPhrase,
  },
} as const satisfies Record<string, Row>;
