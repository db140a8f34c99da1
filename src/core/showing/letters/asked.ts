import type { Letter } from "../../agency/history/letters.ts";
import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import type { ClientView } from "../../clients/record/read.ts";
import type { Word } from "../../pages/words/en/letter.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { ClientStanding } from "../../proving/standing/clients.ts";

/** One thing that a client is asked for. */
export interface Thing {
  /** In which part of the letter it stands. */
  group: Word;
  /** What it goes into, as a brief has it; none for what is no field. */
  at?: string | undefined;
  /** In the client's words. */
  label: string;
  hints: readonly string[];
  /** What is there and does not do. */
  now?: string | undefined;
  /** What may be chosen. */
  choices?: readonly string[] | undefined;
}

/** A thing as it stands in a letter. */
export interface AskedThing extends Pick<Thing, "label" | "hints"> {
  /** The roster's column that takes it. */
  heading?: string;
  /** As the sheet shows it: what stands there now, hints without that, and what may be chosen. */
  inSheet: { now: string; hints: readonly string[]; choices: readonly string[] };
  /** By what it is remembered. */
  name: string;
  /** Asked for before. */
  isStill: boolean;
}

/** What a client is asked for, in its own language. */
export interface Asked {
  client: string;
  name: string;
  owner: string;
  /** Who may be asked about the app, where that is known. */
  person?: string;
  to: string | undefined;
  /** BCP 47 tag. */
  language: string;
  until: string;
  /** The day of the letter before. */
  before?: string;
  groups: readonly { word: Word; things: readonly AskedThing[] }[];
}

/** What a letter is made from. */
export interface LetterFrom {
  view: ClientView;
  standing: ClientStanding | undefined;
  before: Letter | undefined;
  agency: { name: string; email?: string | undefined };
  notes: TemplateNotes;
  /** The letter's language, and its words. */
  language: string;
  say: Say;
}
