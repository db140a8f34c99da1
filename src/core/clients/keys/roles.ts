import type { Platform } from "../../ground/values/platform.ts";

/** What a client's key is for. */
export const keyRoles = ["android-upload", "windows-package", "web-push"] as const;

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
  /** What a new one is made as. */
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

export const keyRoleFacts: Readonly<Record<KeyRole, KeyRoleFact>> = {
  "android-upload": {
    title: "upload key",
    platform: "android",
    says: "Signs every bundle that is uploaded to Google Play, which signs again what people get.",
    loss: "No update can be uploaded until the store has taken another one: the account's owner asks for that.",
    form: "store",
    algorithm: { rsa: 3072 },
    leastBits: 2048,
    years: 25,
    beyond: "2033-10-22",
    source: 'Android, "Sign your app"; Google Play, "Use Play App Signing"',
    asOf: "2026-11-01",
  },
  "windows-package": {
    title: "package certificate",
    platform: "windows",
    says: "Signs packages that are installed by hand, outside the store; the store signs its own.",
    loss: "Whoever has installed by hand has to trust another certificate before the next update.",
    form: "store",
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

/** Where the password of a key store lies there. */
export const passwordFile = (client: string, name: string): string => `${client}/${name}.password.age`;
