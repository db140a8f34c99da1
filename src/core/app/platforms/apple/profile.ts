import * as z from "zod";
import { readPropertyList } from "../../../formats/packages/property-list.ts";
import { certificateFacts } from "../../../ground/certificates/certificate.ts";
import { openSigned } from "../../../ground/certificates/signed-content.ts";
import type { Platform } from "../../../ground/values/platform.ts";

/** What a profile lets an app be installed by (Apple, "Inside Code Signing: Provisioning Profiles"). */
export const profileKinds = ["store", "testers", "development", "everywhere"] as const;

export type ProfileKind = (typeof profileKinds)[number];

/** What each kind is called in lists. */
export const profileKindNames: Readonly<Record<ProfileKind, string>> = {
  store: "for the store",
  testers: "for named devices",
  development: "for development",
  everywhere: "for all devices",
};

/** What a provisioning profile says. */
export interface ProfileFacts {
  kind: ProfileKind;
  platform: Platform;
  /** Its name, as the project's settings give it. */
  title: string;
  uuid: string;
  /** Ten letters and digits. */
  team: string;
  /** Without the prefix; one that ends in * is of all that begin so. */
  identifier: string;
  /** Days, as 2026-11-29. */
  from: string;
  until: string;
  /** SHA-256 of the certificates that may sign with it. */
  certificates: readonly string[];
  /** How many devices it names. */
  devices: number;
  entitlements: Readonly<Record<string, unknown>>;
  /** Who signed it, by the subject of their certificate. */
  signer: string;
}

const profileSchema = z.object({
  Name: z.string().min(1).max(500),
  UUID: z.string().min(1).max(100),
  TeamIdentifier: z.array(z.string()).min(1),
  CreationDate: z.date(),
  ExpirationDate: z.date(),
  Platform: z.array(z.string()).default(["iOS"]),
  DeveloperCertificates: z.array(z.instanceof(Uint8Array)).default([]),
  ProvisionedDevices: z.array(z.string()).default([]),
  ProvisionsAllDevices: z.boolean().default(false),
  Entitlements: z.record(z.string(), z.unknown()),
});

/**
 * Looks into a provisioning profile: a property list in a signed message. `changed` where its signature does not hold;
 * who has signed it is told, and not judged.
 */
export async function readProfile(bytes: Uint8Array): Promise<ProfileFacts | "no-profile" | "changed"> {
  const opened = await openSigned(bytes);
  if (opened === "changed") return "changed";
  const read = opened === "not-signed" ? undefined : profileSchema.safeParse(readPropertyList(opened.content));
  if (opened === "not-signed" || !read?.success) return "no-profile";
  const { Entitlements: entitlements, ...said } = read.data;
  const own = entitlements["application-identifier"] ?? entitlements["com.apple.application-identifier"];
  if (typeof own !== "string" || !own.includes(".")) return "no-profile";
  return {
    kind: kindOf(said.ProvisionsAllDevices, said.ProvisionedDevices, entitlements),
    platform: said.Platform.includes("OSX") ? "desktop" : "ios",
    title: said.Name,
    uuid: said.UUID,
    team: said.TeamIdentifier[0] ?? "",
    identifier: own.slice(own.indexOf(".") + 1),
    from: dayOf(said.CreationDate),
    until: dayOf(said.ExpirationDate),
    certificates: said.DeveloperCertificates.flatMap((each) => certificateFacts(each)?.sha256 ?? []),
    devices: said.ProvisionedDevices.length,
    entitlements: JSON.parse(JSON.stringify(entitlements)),
    signer: opened.signer,
  };
}

function kindOf(
  isForAll: boolean,
  devices: readonly string[],
  entitlements: Readonly<Record<string, unknown>>,
): ProfileKind {
  if (isForAll) return "everywhere";
  if (devices.length === 0) return "store";
  const mayDebug = entitlements["get-task-allow"] ?? entitlements["com.apple.security.get-task-allow"];
  return mayDebug === true ? "development" : "testers";
}

const dayOf = (date: Date): string => date.toISOString().slice(0, 10);

/** Whether a profile of an identifier is one of this app's. */
export const isProfileOf = (identifier: string, app: string): boolean =>
  identifier.endsWith("*") ? app.startsWith(identifier.slice(0, -1)) : identifier === app;

/** Entitlements that Apple puts into every profile, or that the build itself settles. */
const always: ReadonlySet<string> = new Set([
  "application-identifier",
  "com.apple.application-identifier",
  "com.apple.developer.team-identifier",
  "com.apple.security.get-task-allow",
  "get-task-allow",
  "keychain-access-groups",
  "beta-reports-active",
]);

/**
 * On a Mac what the sandbox grants needs no profile; what is a developer's to be given does (Apple, "Inside Code
 * Signing: Provisioning Profiles", entitlements).
 */
const isRestricted = (key: string, platform: Platform): boolean =>
  !always.has(key) && (platform !== "desktop" || /^(com\.apple\.developer\.|aps-environment$)/.test(key));

/** What of an app's entitlements a profile lacks, and what it has that the app does not ask for. */
export function againstProfile(
  asked: Readonly<Record<string, unknown>>,
  { entitlements, platform }: Pick<ProfileFacts, "entitlements" | "platform">,
): { lacks: string[]; exceeds: string[] } {
  const restricted = (all: Readonly<Record<string, unknown>>) =>
    Object.keys(all).filter((key) => isRestricted(key, platform));
  return {
    lacks: restricted(asked).filter((key) => !grants(key, entitlements[key], asked[key])),
    exceeds: restricted(entitlements).filter((key) => !Object.hasOwn(asked, key)),
  };
}

/** Whether what a profile grants holds what is asked for. Variables of the project are known to the build alone. */
function grants(key: string, granted: unknown, asked: unknown): boolean {
  if (granted === undefined) return false;
  // The environment follows the kind of build.
  if (key === "aps-environment" || granted === "*") return true;
  if (!Array.isArray(granted) || !Array.isArray(asked)) return true;
  const patterns = granted.filter((each) => typeof each === "string");
  const fits = (value: unknown) =>
    typeof value !== "string" ||
    /\$[({]/.test(value) ||
    patterns.some((each) => (each.endsWith("*") ? value.startsWith(each.slice(0, -1)) : each === value));
  return asked.every(fits);
}
