import type { Compare } from "../../ground/files/reading/same.ts";
import type { Delivery, Mail, MailServer } from "../../ground/mail/send.ts";
import type { Result } from "../../ground/problems/result.ts";
import type { Program, Ran } from "../../ground/processes/run.ts";
import type { Secret } from "../../ground/values/secret.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { BuildStep } from "../../making/building/outcome.ts";
import type { Cache } from "../../making/jobs/cache.ts";
import type { MakingStep } from "../../making/make/generate.ts";

/** Told while the work goes on. */
export type Event =
  | MakingStep
  | BuildStep
  | WorkerStep
  | SubmittingStep
  /** No other machine is there to draw: it is done here. */
  | { what: "drawn-here" }
  /** A sheet was taken to be written in this encoding. */
  | { what: "encoding"; guessed: string }
  /** A quote within a cell of this line was taken as it stands. */
  | { what: "quote"; line: number };

/** Told while a machine works for others. */
export type WorkerStep =
  | { what: "present"; machine: string; version: string }
  | { what: "took"; job: string; says: string; attempt: number }
  /** How it went: it has ended, was given up, or came when another machine had it. */
  | { what: "carried"; job: string; how: "ended" | "given-up" | "late"; seconds: number; why?: string };

/** Told while something is done in a store. */
export type SubmittingStep = { what: "acting" | "acted" | "awaiting"; client: string; store: StoreKey; says: string };

/** What the world gives an operation: nothing else of it is asked for. */
export interface Ports {
  /** The folder that relative paths start from, absolute. */
  folder: string;
  /** The day, as 2026-03-01. */
  today(): string;
  /** Who works, as history notes it; undefined where nobody says. */
  user(): string | undefined;
  on(event: Event): void;
  /** Compares folders beside the work, where there are enough of them; undefined where that is no quicker. */
  openComparer(folders: number): Comparer | undefined;
  /** Pictures that were drawn before, kept for a workspace. */
  openCache(root: string): Cache;
  /** A variable of the environment, as a secret: what it says is asked for only where it is used. */
  secret(name: string): Secret | undefined;
  /** The same as it is, where nothing of it is secret; and the names of all of them. */
  variable(name: string): string | undefined;
  variables(): readonly string[];
  /** The vault's pass phrase, as somebody gives it; what for is said where they are asked. Stops: passphrase-missing */
  passPhrase(purpose: string): Promise<Secret>;
  /** The password of a key store that somebody brings, likewise. */
  storePassword(file: string): Promise<Secret>;
  /** The pass phrase of what is handed over to a client: never the vault's. Stops: passphrase-missing */
  handOverPhrase(): Promise<Secret>;
  /** Hands a letter to a mail server. */
  sendMail(server: MailServer, mail: Mail): Promise<Delivery>;
  /** What is wrong with an address when it is opened; undefined where it answers. */
  reach(address: string): Promise<string | undefined>;
  /** Asks an interface over HTTP. */
  fetch(request: Request): Promise<Response>;
  /** The time, in milliseconds since 1970: tokens go by it. */
  now(): number;
  /** Lets so many milliseconds pass. */
  pause(time: number): Promise<void>;
  /** What this machine is called where several work together. */
  machine(): string;
  /** Whether somebody has asked this run to end, once it has done what it is at. */
  isToEnd(): boolean;
  /** Runs another program. */
  run(program: Program): Promise<Result<Ran>>;
  /** The version of the program that says so in reports. */
  version: string;
}

/** Who works, for an entry of a history. */
export function noted(ports: Pick<Ports, "user">): { by?: string } {
  const by = ports.user();
  return by === undefined ? {} : { by };
}

export interface Comparer {
  compare: Compare;
  close(): void;
}
