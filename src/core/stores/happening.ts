/** What can happen to an app in a store, whoever did it; the words of its history. */
interface HappeningFact {
  /** What happened, for a producer; what is in braces is put in. */
  says: string;
  /** Whose turn it is from then on; nobody's where it goes on by itself. */
  turn?: "producer" | "store";
}

const facts = {
  created: { says: "the record was created" },
  "name-lapsed": { says: "the store let go of the name", turn: "producer" },
  "agreement-open": { says: "an agreement is to be signed: {says}", turn: "producer" },
  "agreement-signed": { says: "an agreement was signed: {says}" },
  told: { says: "the record was told: {says}" },
  "build-sent": { says: "build {build} was sent", turn: "store" },
  "build-ready": { says: "build {build} can be used" },
  "build-refused": { says: "build {build} was refused: {says}", turn: "producer" },
  "build-ended": { says: "build {build} can no longer be tried", turn: "producer" },
  attached: { says: "build {build} stands for version {version}" },
  "testing-sent": { says: "build {build} was sent to be tried by people outside", turn: "store" },
  "testing-allowed": { says: "build {build} may be tried" },
  "testing-refused": { says: "build {build} may not be tried: {says}", turn: "producer" },
  submitted: { says: "version {version} was sent for review", turn: "store" },
  withdrawn: { says: "version {version} was taken back", turn: "producer" },
  "review-began": { says: "version {version} is looked at", turn: "store" },
  asked: { says: "the store asks: {says}", turn: "producer" },
  refused: { says: "version {version} was refused: {says}", turn: "producer" },
  answered: { says: "the store was answered", turn: "store" },
  approved: { says: "version {version} was approved", turn: "producer" },
  out: { says: "version {version} goes out to {share} %" },
  paused: { says: "version {version} was halted at {share} %", turn: "producer" },
  live: { says: "version {version} is out for everybody" },
} as const satisfies Record<string, HappeningFact>;

export type HappeningKind = keyof typeof facts;

export const happenings: Readonly<Record<HappeningKind, HappeningFact>> = facts;

export const happeningKinds = Object.keys(facts) as [HappeningKind, ...HappeningKind[]];

/** Something that has happened to an app in a store. */
export interface Happening {
  kind: HappeningKind;
  /** When, as the store says it (ISO 8601, UTC). */
  at: string;
  version?: string | undefined;
  build?: number | undefined;
  /** Percent of the people who have the app. */
  share?: number | undefined;
  /** In the store's words, or those of whoever noted it. */
  says?: string | undefined;
  /** The store's rule that it names, and where in the record or the app it applies. */
  rule?: string | undefined;
  place?: string | undefined;
  /** What the store calls the app: it is known by that from then on. */
  app?: string | undefined;
}

/** The same as a sentence. */
export const happeningSaid = (of: Happening): string =>
  happenings[of.kind].says.replace(/\{(\w+)\}/g, (_, name: "version" | "build" | "share" | "says") =>
    String(of[name] ?? "–"),
  );
