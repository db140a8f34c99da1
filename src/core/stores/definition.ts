import type { Field } from "../ground/values/fields.ts";
import type { InEach } from "../ground/values/page-language.ts";
import type { Platform } from "../ground/values/platform.ts";
import type { StoreKey } from "../ground/values/store.ts";
import type { Slot } from "../pictures/slots/slot.ts";
import type { AccountCode } from "./account-code.ts";
import type { CaptureRow } from "./capture-row.ts";
import type { CategoryName } from "./categories.ts";
import type { Conduct } from "./conduct.ts";
import type { DataForm } from "./data-kinds.ts";
import type { PreviewRow } from "./preview-row.ts";
import type { StoreQuestion } from "./question.ts";
import type { SharedQuestion } from "./questions-in-common.ts";
import type { RecordField } from "./record-fields.ts";
import type { RecordRow } from "./record-row.ts";

/** What a client does to share its account, and which codes it sends; {email} and {agency} are put in. */
export interface Sharing extends InEach {
  /** What the text is called among the words of letters. */
  word: `share${string}`;
}

/** Languages of a store. */
export interface StoreLanguages {
  all: readonly string[];
  /** Which of several one without a country is. */
  usual: Readonly<Record<string, string>>;
  source: string;
  asOf: string;
}

/** A store as the rest of Oxalis walks it. One platform may have several, and one store may take several platforms. */
export interface StoreDefinition {
  /** What it is called in files, options and addresses. */
  key: StoreKey;
  /** How it is written for people. */
  title: string;
  takes: readonly Platform[];
  /** Whether what it takes goes into it without anybody saying so. */
  isUsual: boolean;
  /** Pictures that its record of an app wants. */
  pictures: readonly Slot[];
  /** What its record of an app wants, in the store's own order. */
  record: readonly RecordRow[];
  /** What has to be there for a record to be created, by the store's own form; all else may follow. */
  creates: readonly RecordField[];
  /** Of a full description, so many characters are seen before somebody asks for more. */
  seenFirst: number;
  /** Most characters that the notes of a release may have, in a language. */
  mostNotes: number;
  /** Pictures of the running app that it shows. */
  captures: readonly CaptureRow[];
  /** Films of it; none where the store takes none as files. */
  previews: readonly PreviewRow[];
  /** How it wants to be told which data the app collects. */
  data: DataForm;
  /** What it asks of every app, of what several stores ask. */
  asks: readonly SharedQuestion[];
  /** What it alone asks. */
  questions: readonly StoreQuestion[];
  /** What it knows an account by, and an app within it. */
  accounts: readonly AccountCode[];
  share: Sharing;
  /** How it behaves towards what it is given. */
  conduct: Conduct;
  /** What it calls each category; undefined where it has none that fits. */
  categories: Readonly<Record<CategoryName, string | undefined>>;
  /** Languages that its record may have, as it calls them (BCP 47); any where it does not say. */
  languages?: StoreLanguages;
  /** The level of the system that an upload has to be made for at least, and since when. */
  leastTarget?: { level: number; since: string; source: string };
  /** What it assigns to an app itself: nobody else can work it out. */
  assigned?: readonly { field: Field; title: string }[];
  /** What goods may be called in it. */
  goods?: { is: RegExp; says: string; isSure: boolean };
  /** Names of its own, and of its devices: another store takes no text with them. */
  ownNames: readonly RegExp[];
  /** What a designer would call them, by role. */
  titles: Readonly<Record<string, InEach>>;
}
