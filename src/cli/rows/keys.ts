import { keyRoleFacts, keyRoles } from "../../core/clients/keys/roles.ts";
import type { Row } from "./row.ts";
import { client, clients, inWorkspace, ofClients, withPassPhrase as passPhrase } from "./shared.ts";

const withPassPhrase = { ...inWorkspace, ...passPhrase } as const;

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
  "keys request": {
    says: "ask for certificates: make their keys, and write the requests that an authority certifies",
    arguments: { clients },
    options: {
      ...withPassPhrase,
      ...ofClients,
      role: {
        kind: "choice",
        value: "<role>",
        of: keyRoles.filter((role) => keyRoleFacts[role].comes === "requested"),
        says: "which certificate; otherwise each that an app wants",
      },
      renew: { kind: "flag", says: "also where there is one: for one that ends" },
      dryRun,
    },
  },
  "keys accept": {
    says: "take in what came back: certificates that answer a request, and provisioning profiles",
    arguments: { files: { says: "certificates (PEM or DER) and profiles", needed: "some" } },
    options: {
      ...withPassPhrase,
      client: { kind: "text", value: "<client>", names: "clients", says: "whose a profile for many identifiers is" },
      dryRun,
    },
  },
  "keys adopt": {
    says: "take in a key that there is: a key store, or a private key alone",
    arguments: { file: { says: "a key store (PKCS#12, JKS), or a private key as PEM (.p8)", needed: "required" } },
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
      keyId: { kind: "text", value: "<id>", says: "what Apple calls it; otherwise what its file's name says" },
      issuer: { kind: "text", value: "<id>", says: "who issued an interface key, as Apple's page of keys shows it" },
      account: { kind: "choice", value: "<whose>", of: ["agency", "client"], says: "whose account it is of" },
      heldBy: { kind: "text", value: "<name>", says: "who else holds it" },
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
  "keys hand-over": {
    says: "write everything that signs one client's app into a locked archive, for when it leaves",
    arguments: { client },
    options: {
      ...withPassPhrase,
      output: {
        kind: "text",
        short: "-o",
        value: "<file>",
        says: "where to write it; otherwise <client>-keys.zip.age here",
      },
    },
  },
  "keys restore": {
    says: "bring keys back from such a file, where there is no vault",
    arguments: { file: archive },
    options: withPassPhrase,
  },
} as const satisfies Record<string, Row>;
