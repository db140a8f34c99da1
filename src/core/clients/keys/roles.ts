import type { Platform } from "../../ground/values/platform.ts";

/** What a client's key is for. */
export const keyRoles = [
  "android-upload",
  "android-app",
  "apple-distribution",
  "apple-development",
  "mac-installer",
  "apple-push",
  "apple-interface",
  "windows-package",
  "web-push",
] as const;

export type KeyRole = (typeof keyRoles)[number];

/** What is known of a role, whoever's key it is. */
export interface KeyRoleFact {
  /** What it is called in lists. */
  title: string;
  platform: Platform;
  /** What it is for, in a producer's words. */
  says: string;
  /** What is lost with it. */
  loss: string;
  /** A key store with a certificate, or a key alone. */
  form: "store" | "key";
  /** Made here; asked for by a request, and certified by an authority; or fetched where a platform makes it. */
  comes: "made" | "requested" | "fetched";
  /** Kept once for a team: clients of one team have it in common. */
  isOfTeam?: true;
  /** No app is without it by itself: it is kept where somebody has it. */
  isOptional?: true;
  /** Extensions that its certificate has, by their object identifiers. */
  marks?: readonly string[];
  /** What a new one is made as, and what one that comes has to be. */
  algorithm: { rsa: number } | { ec: "P-256" };
  /** Bits that an RSA key has at least. */
  leastBits?: number;
  /** Years that a new certificate lasts. */
  years?: number;
  /** A day that a certificate has to last beyond. */
  beyond?: string;
  /** What its certificate is for, where that is said in it. */
  purpose?: "code";
  /** The field that its subject has to be, to the letter. */
  subject?: "windows.publisher";
  /** Wanted only where the app has this feature. */
  feature?: string;
  /** Whose documentation says so, and when that was so. */
  source: string;
  asOf: string;
}

/** What holds for every certificate of Apple's. */
const certificateOfApple = {
  form: "store",
  comes: "requested",
  isOfTeam: true,
  algorithm: { rsa: 2048 },
  leastBits: 2048,
  source: 'Apple, "Certificates overview"; Worldwide Developer Relations certification practice statement',
  asOf: "2026-11-01",
} as const;

export const keyRoleFacts: Readonly<Record<KeyRole, KeyRoleFact>> = {
  "android-upload": {
    title: "upload key",
    platform: "android",
    says: "Signs every bundle that is uploaded to Google Play, which signs again what people get.",
    loss: "No update can be uploaded until the store has taken another one: the account's owner asks for that.",
    form: "store",
    comes: "made",
    algorithm: { rsa: 3072 },
    leastBits: 2048,
    years: 25,
    beyond: "2033-10-22",
    source: 'Android, "Sign your app"; Google Play, "Use Play App Signing"',
    asOf: "2026-11-01",
  },
  "android-app": {
    title: "app key",
    platform: "android",
    says: "Signs what people install, where the agency does that itself and not the store.",
    loss: "The app can never be updated: people would have to remove it and install another one.",
    form: "store",
    comes: "made",
    isOptional: true,
    algorithm: { rsa: 3072 },
    leastBits: 2048,
    years: 25,
    beyond: "2033-10-22",
    source: 'Android, "Sign your app"',
    asOf: "2026-11-01",
  },
  "apple-distribution": {
    title: "distribution certificate",
    platform: "ios",
    says: "Signs what goes to the App Store, and to testers.",
    loss: "Nothing is uploaded until another one is there; what is in the store stays. A team has two or three.",
    ...certificateOfApple,
    marks: ["1.2.840.113635.100.6.1.4", "1.2.840.113635.100.6.1.7"],
  },
  "apple-development": {
    title: "development certificate",
    platform: "ios",
    says: "Signs what is tried on named devices while the app is developed.",
    loss: "Another one is asked for.",
    ...certificateOfApple,
    isOptional: true,
    marks: ["1.2.840.113635.100.6.1.2", "1.2.840.113635.100.6.1.12"],
  },
  "mac-installer": {
    title: "installer certificate",
    platform: "desktop",
    says: "Signs the installer that goes to the Mac App Store.",
    loss: "Nothing can be uploaded until another one is asked for; what is in the store stays.",
    ...certificateOfApple,
    isOptional: true,
    marks: ["1.2.840.113635.100.6.1.8"],
  },
  "apple-push": {
    title: "push key",
    platform: "ios",
    says: "Tells Apple's push service that a message is from the team's apps. Apple gives it out once only.",
    loss: "Messages stop until another one is made at Apple and put into the server; a team has two.",
    form: "key",
    comes: "fetched",
    isOfTeam: true,
    feature: "push",
    algorithm: { ec: "P-256" },
    source: 'Apple, "Communicate with APNs using authentication tokens"',
    asOf: "2026-11-01",
  },
  "apple-interface": {
    title: "interface key",
    platform: "ios",
    says: "Lets programs work in the store's pages under a role of the team. Apple gives it out once only.",
    loss: "Another one is made at Apple, and the lost one revoked.",
    form: "key",
    comes: "fetched",
    isOfTeam: true,
    isOptional: true,
    algorithm: { ec: "P-256" },
    source: 'Apple, "Creating API Keys for App Store Connect API"',
    asOf: "2026-11-01",
  },
  "windows-package": {
    title: "package certificate",
    platform: "windows",
    says: "Signs packages that are installed by hand, outside the store; the store signs its own.",
    loss: "Whoever has installed by hand has to trust another certificate before the next update.",
    form: "store",
    comes: "made",
    algorithm: { rsa: 3072 },
    leastBits: 2048,
    years: 3,
    purpose: "code",
    subject: "windows.publisher",
    source: 'Microsoft, "Create a certificate for package signing"',
    asOf: "2026-11-01",
  },
  "web-push": {
    title: "push key pair",
    platform: "web",
    says: "Tells the push services that a message is from this site (VAPID).",
    loss: "Everybody who has allowed messages has to allow them anew.",
    form: "key",
    comes: "made",
    algorithm: { ec: "P-256" },
    feature: "push",
    source: "RFC 8292",
    asOf: "2026-11-01",
  },
};

/**
 * What a client's key is called: told apart in a list of forty, and in a folder of downloads.
 * @param mark what tells it from one that it takes the place of
 */
export const keyName = (client: string, role: KeyRole, mark?: string): string =>
  [client, role, ...(mark === undefined ? [] : [mark])].join("-");

/** Where a key lies in the vault. */
export const keyFile = (client: string, role: KeyRole, name: string): string =>
  `${client}/${name}.${keyRoleFacts[role].form === "store" ? "p12" : "pem"}.age`;

/** Where a key lies there that waits for its certificate. */
export const waitingFile = (client: string, name: string): string => `${client}/${name}.request.age`;

/** Where a provisioning profile lies there. */
export const profileFile = (client: string, name: string): string => `${client}/${name}.profile.age`;

/** Where the password of a key store lies there. */
export const passwordFile = (client: string, name: string): string => `${client}/${name}.password.age`;
