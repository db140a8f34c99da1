import type { StoreKey } from "../../../core/ground/values/store.ts";
import type { Station } from "../../../core/making/submitting/wire.ts";
import type { TrackKind } from "../../../core/stores/conduct.ts";
import type { Happening } from "../../../core/stores/happening.ts";

/** Times are milliseconds since 1970, by the stand-in's own clock. */
type Time = number;

/** Who works in a store. */
export interface Account {
  account: string;
  store: StoreKey;
  owner: string;
  /** Agreements, and since when each is signed; null where it is not. */
  agreements: Readonly<Record<string, Time | null>>;
  /** How its programs show who they are: an interface key's public half, or credentials of which the sum is kept. */
  key?: { keyId: string; issuer: string; publicKey: string };
  credentials?: { client: string; secretSum: string };
  /** Where it is told what happens, and what signs that. */
  hook?: { address: string; secret: string };
}

/** What a record says: what is worked on, or what people see. */
export interface Parts {
  texts: Readonly<Record<string, Readonly<Record<string, string>>>>;
  facts: Readonly<Record<string, string>>;
  answers: Readonly<Record<string, string>>;
  pictures: readonly KeptPicture[];
  goods: readonly { id: string; name: string; kind: string; price: string }[];
}

interface KeptPicture {
  slot: string;
  language?: string | undefined;
  position: number;
  sum: string;
}

export interface KeptBuild {
  version: string;
  build: number;
  sum: string;
  state: "processing" | "ready" | "refused" | "ended";
  why?: string;
  since: Time;
  /** When the processing is over. */
  readyAt: Time;
  /** When it can no longer be tried. */
  until?: Time;
  /** SHA-256 of the certificate that signs it, where the package says so, and what its manifest asks for. */
  signer?: string;
  permissions: readonly string[];
  /** What the package calls itself, where version and number are one. */
  packageVersion?: string;
}

export interface KeptVersion {
  version: string;
  build?: number;
  station: Station;
  since: Time;
  refusal?: { rule: string; where?: string | undefined; says: string };
  /** As whom the people who review sign in; the password that came along is not kept. */
  access?: string;
  /** When the people who review begin, and when they decide where nobody does it on the page. */
  beginsAt?: Time;
  decidesAt?: Time;
}

/** Somebody who tries it, and since when they take part. */
export interface KeptTester {
  address: string;
  group: string;
  came?: Time;
}

interface KeptTesting {
  track: TrackKind;
  build: number;
  state: "waiting" | "allowed" | "refused";
  why?: string;
  decidesAt?: Time;
}

/** An app as the stand-in keeps it. */
export interface KeptApp {
  app: string;
  store: StoreKey;
  account: string;
  /** Rises with every change: its tag. */
  revision: number;
  identifier: string;
  name: string;
  language: string;
  created: Time;
  heldUntil?: Time;
  hasLapsed?: true;
  draft: Parts;
  shown?: Parts;
  builds: readonly KeptBuild[];
  version?: KeptVersion;
  live?: { version: string; build: number; since: Time };
  out?: { share: number; isPhased: boolean; isPaused: boolean; since: Time; nextAt?: Time };
  testers: Readonly<Partial<Record<TrackKind, readonly KeptTester[]>>>;
  testing: readonly KeptTesting[];
  /** The signer of the first build that it took. */
  signer?: string;
  happened: readonly KeptHappened[];
}

/** What has happened, counted from 1. */
export interface KeptHappened extends Happening {
  number: number;
}

/** A file on its way, or there. */
export interface KeptUpload {
  sum: string;
  size: number;
  kind: "package" | "picture";
  received: number;
  isWhole: boolean;
}

/** What a store does not take, as it goes over the wire. */
export interface Wrong {
  status: 403 | 404 | 409 | 412 | 422;
  wrong: string;
  rule?: string;
  where?: string;
  lacks?: readonly string[];
}

/** An act's outcome: the app as it is then, or why it is not done. */
export type Outcome = { app: KeptApp } | Wrong;

export const wrong = (status: Wrong["status"], text: string, more: Omit<Wrong, "status" | "wrong"> = {}): Wrong => ({
  ...{ status, wrong: text },
  ...more,
});

/** An app to which something has happened. */
export function happen(app: KeptApp, at: Time, of: Omit<Happening, "at">): KeptApp {
  const happened = { ...of, at: new Date(at).toISOString(), number: app.happened.length + 1 };
  return { ...app, revision: app.revision + 1, happened: [...app.happened, happened] };
}

/** An app of which something else is so now, without anything to tell. */
export const changed = (app: KeptApp, of: Partial<KeptApp>): KeptApp => ({
  ...app,
  ...of,
  revision: app.revision + 1,
});
