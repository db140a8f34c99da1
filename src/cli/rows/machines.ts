import type { Row } from "./row.ts";
import { inWorkspace, told, withPassPhrase } from "./shared.ts";

/** Commands about several machines that work for one workspace. */
export const machineRows = {
  worker: {
    says: "draw and build on this machine what others put into a queue, until it is ended",
    arguments: {},
    options: {
      ...inWorkspace,
      ...withPassPhrase,
      queue: {
        kind: "text",
        value: "<place>",
        says: "where jobs wait: a folder, a Redis server's address, env:NAME; otherwise what oxalis.yaml says",
      },
      contents: {
        kind: "text",
        value: "<place>",
        says: "where their inputs lie: a shared folder, or an address; otherwise what oxalis.yaml says",
      },
      token: { kind: "text", value: "<env:NAME>", says: "the variable that has the token of that address" },
      platforms: { kind: "text", value: "<list>", says: "build for these only, such as android,web" },
      onlyBuilds: { kind: "flag", says: "draw nothing" },
      name: { kind: "text", value: "<name>", says: "what it is called; the machine's name otherwise" },
      folder: { kind: "text", value: "<dir>", says: "where it works", standard: ".oxalis/workers" },
      lease: {
        kind: "text",
        value: "<seconds>",
        says: "how long it keeps a job without a word, before another machine gets it",
        standard: "60",
      },
      once: { kind: "flag", says: "end where nothing waits" },
    },
  },
  queue: {
    says: "show what waits, runs and was given up, and on which machine",
    arguments: {},
    options: {
      ...inWorkspace,
      again: { kind: "texts", value: "<job>", says: "let a job that was given up be tried anew" },
      drop: { kind: "texts", value: "<job>", says: "take a job out that no machine has in hand" },
    },
  },
  "serve-contents": {
    says: "serve a folder of files by their sums to the machines that work for others, until it is ended",
    arguments: {},
    options: {
      ...told,
      folder: { kind: "text", value: "<dir>", says: "where they lie", standard: ".oxalis/contents" },
      token: {
        kind: "text",
        value: "<env:NAME>",
        says: "the variable that has the token which machines have to know",
        required: true,
      },
      port: { kind: "text", value: "<port>", says: "the port; any that is free where it is 0", standard: "0" },
      host: { kind: "text", value: "<address>", says: "the address it listens at", standard: "127.0.0.1" },
    },
  },
} as const satisfies Record<string, Row>;
