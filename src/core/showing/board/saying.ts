import type { PlatformBuilt } from "../../agency/history/builds.ts";
import type { Passage, Whereabouts } from "../../clients/passage/passage.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { Who } from "../../ground/problems/who.ts";
import type { PageLanguage } from "../../ground/values/page-language.ts";
import { type Platform, platformNames } from "../../ground/values/platform.ts";
import { boardIn, fieldIn, foundIn, type SayOnBoard } from "../../pages/words/board.ts";
import type { BoardWord } from "../../pages/words/en/board.ts";
import { tables } from "../../pages/words/letter.ts";
import { speakingFrom } from "../../pages/words/speak.ts";
import type { Settles } from "../../proving/standing/settles.ts";
import type { Part } from "../../proving/standing/standing.ts";
import type { CaptureDevice } from "../../stores/capture-row.ts";
import { type RecordField, recordFields } from "../../stores/record-fields.ts";
import { matters } from "../letters/wording.ts";

/** A board's language, and its words in it. */
export interface Speaking {
  language: PageLanguage;
  say: SayOnBoard;
}

export const speakingOn = (language: PageLanguage): Speaking => ({ language, say: boardIn(language) });

/** Who acts. */
export const whoWords: Readonly<Record<Who, BoardWord>> = {
  client: "byClient",
  producer: "byProducer",
  designer: "byDesigner",
  developer: "byDeveloper",
};

/** Devices that pictures of the running app are of, as everybody calls them. */
const deviceNames: Readonly<Record<CaptureDevice, string>> = {
  phone: "Android",
  iphone: "iPhone",
  ipad: "iPad",
  mac: "Mac",
  desktop: "Windows",
  "tablet-7": "Android, 7″",
  "tablet-10": "Android, 10″",
  chromebook: "Chromebook",
  "android-tv": "Android TV",
  wear: "Wear OS",
  "apple-watch": "Apple Watch",
  "apple-tv": "Apple TV",
  vision: "Apple Vision Pro",
  xbox: "Xbox",
  hololens: "HoloLens",
};

/** What a finding is about, in a language: a field, a text in one of the app's languages, a device, a picture. */
function aboutSaid(about: readonly string[], { language, say }: Speaking): string {
  const letter = speakingFrom(tables[language]);
  const label = (field: string) => fieldIn(language, field as RecordField);
  const last = about.at(-1) ?? "";
  const [first, second, third] = about;
  if (first === "captures" || first === "previews")
    return say(first, { device: deviceNames[second as CaptureDevice] ?? second });
  if (first === "store" && Object.hasOwn(recordFields, last))
    return second === "texts" ? `${label(last)} (${third})` : label(last);
  if (Object.hasOwn(platformNames, last)) return platformNames[last as Platform];
  const matter = matters.find(({ at }) => at.test(about.join(".")));
  return matter ? letter(matter.word) : about.slice(first === "store" ? 1 : 0).join(".");
}

/** What was found, as the board says it; told as it is, in English, where its language has no words for it. */
export function findingSaid({ code, message, about = [], facts = {} }: Problem, speaking: Speaking): string {
  const { word = code, ...put } = facts;
  const said = foundIn(speaking.language, String(word), { what: aboutSaid(about, speaking), ...put });
  return said?.replace(aboutNothing, ".") ?? message;
}

/** What is left of a sentence where nobody says what it is about. */
const aboutNothing = /[ \u00a0]?: ?\.$/;

/** What settles something for several: in English as they all have it, otherwise as the finding of the first. */
export const settlesSaid = ({ what, of }: Pick<Settles, "what" | "of">, speaking: Speaking): string =>
  speaking.language === "en" ? what : findingSaid(of, speaking);

const places: Readonly<Record<Whereabouts, BoardWord>> = {
  nothing: "isNothing",
  created: "isCreated",
  sent: "isSent",
  ready: "isReady",
  unusable: "isUnusable",
  waiting: "isWaiting",
  "in-review": "isInReview",
  asked: "isAsked",
  refused: "isRefused",
  approved: "isApproved",
  "going-out": "isGoingOut",
  paused: "isPaused",
  live: "isLive",
};

/** Where an app is in a store, and what everybody has there meanwhile. */
export function placeSaid({ is, since, coming, share, live, build }: Passage, { say }: Speaking): string {
  const version = is === "live" ? live?.version : (coming?.version ?? build?.version);
  const put = { version, day: since?.slice(0, 10), share: share ?? 0, build: build?.build };
  const before = live && is !== "live" ? [say("isLive", { version: live.version })] : [];
  return [say(places[is], put).trim(), ...before].join(", ");
}

/** The builds of a client: "1.4.0 (12)", once where platforms are alike, of each where they differ. */
export function builtOnBoard(built: readonly PlatformBuilt[], { say }: Speaking): string[] {
  const each = built.map(({ platform, good, failed }) => {
    const parts = [good && `${good.version} (${good.build})`, failed && say("failed", { build: failed })];
    return { platform, said: parts.filter(Boolean).join(", ") };
  });
  const all = new Set(each.map(({ said }) => said));
  return all.size === 1 ? [...all] : each.map(({ platform, said }) => `${platformNames[platform]} ${said}`);
}

const kinds: Readonly<Record<Part["kind"], { one: BoardWord; more: BoardWord }>> = {
  texts: { one: "oneText", more: "texts" },
  answers: { one: "oneAnswer", more: "answers" },
  pictures: { one: "onePicture", more: "pictures" },
};

/** What of a kind is not there yet: "2 texts". */
export function lackingSaid({ kind, done, total }: Part, { say }: Speaking): string {
  const count = total - done;
  return count === 1 ? say(kinds[kind].one) : say(kinds[kind].more, { count });
}

/** So many clients. */
export const clientsSaid = (count: number, { say }: Speaking): string =>
  count === 1 ? say("oneClient") : say("clients", { count });
