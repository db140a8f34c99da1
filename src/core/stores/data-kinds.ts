/** Kinds of data that an app may take from a device, as stores tell them apart: for each, what it is. */
export const dataKinds = {
  "location-precise": "where somebody is, to some metres",
  "location-coarse": "where somebody is, to some kilometres",
  name: "a name",
  email: "an e-mail address",
  phone: "a telephone number",
  address: "a postal address",
  "contact-other": "another way to reach somebody",
  "user-id": "an account's name or number",
  "device-id": "an identifier of the device or of the installation",
  payment: "how somebody pays, where the app itself handles it",
  purchases: "what somebody has bought, where the history is kept outside the store",
  credit: "what credit somebody is given",
  "finance-other": "income, debts or other things of finance",
  health: "health or medical things",
  fitness: "steps, training",
  sensitive: "origin, beliefs, politics, sexual orientation and the like",
  contacts: "whom somebody knows",
  emails: "e-mails of somebody's",
  texts: "text messages of somebody's",
  messages: "messages that are written in the app",
  photos: "photos",
  videos: "videos",
  voice: "what somebody says",
  music: "music of somebody's",
  "audio-other": "other sounds",
  files: "files and documents",
  calendar: "dates in somebody's calendar",
  gameplay: "how somebody plays: scores, matches",
  support: "what somebody writes to those who help",
  "content-other": "other things that somebody has made",
  browsing: "which pages somebody has visited outside the app",
  searches: "what somebody has searched for in the app",
  interactions: "what somebody does in the app",
  "ads-seen": "which advertising somebody has seen",
  "installed-apps": "which other apps are there",
  "usage-other": "other things about how the app is used",
  crashes: "reports of crashes",
  performance: "how fast the app is, what it uses",
  "diagnostics-other": "other technical reports",
  surroundings: "a scan of the surroundings",
  body: "how somebody's hands or head move",
  "data-other": "anything else",
} as const;

export type DataKind = keyof typeof dataKinds;

export const dataKindNames = Object.keys(dataKinds) as DataKind[];

/** What data is collected for. */
export const purposes = {
  function: "so that the app does what it does",
  account: "to keep an account",
  messages: "to tell people of news and matters of the service",
  analytics: "to see how the app is used and whether it works",
  security: "against fraud, for security, or because a law says so",
  personal: "to show each person what fits",
  marketing: "for advertising or marketing of one's own",
  ads: "for advertising of others",
  other: "for something else",
} as const;

export type Purpose = keyof typeof purposes;

export const purposeNames = Object.keys(purposes) as Purpose[];

/** What else may be said of data that is collected. */
export const dataMarks = {
  linked: "it is kept with what says who somebody is",
  tracking: "it is joined with what others know, for advertising, or given to traders in data",
  shared: "it is given to others, beyond those who work for one",
  optional: "people can use the app without it",
  ephemeral: "it is kept in memory alone, and no longer than the request takes",
} as const;

export type DataMark = keyof typeof dataMarks;

export const dataMarkNames = Object.keys(dataMarks) as DataMark[];

/** A kind of data that leaves the device, as the template or a client says it. */
export interface Collected {
  kind: DataKind;
  marks: readonly DataMark[];
  purposes: readonly Purpose[];
}

/** How a store wants to be told of data. */
export type DataForm = {
  /** The heading of its form. */
  title: string;
  /** What is ticked where nothing is collected. */
  none: string;
  source: string;
  asOf: string;
} & (DataByKind | { byKind: false /** What is ticked where anything is. */; any: string });

/** Of a store that asks kind by kind. */
interface DataByKind {
  byKind: true;
  /** What it calls each kind; several names where it tells more kinds apart. */
  kinds: Readonly<Record<DataKind, readonly string[]>>;
  /** What it calls each purpose; undefined where it has none of that kind. */
  purposes: Readonly<Record<Purpose, string | undefined>>;
  /** What is ticked for one kind. @param purposes as it calls them */
  ticked(collected: Collected, purposes: readonly string[]): string;
}
