import type { Platform } from "../../ground/values/platform.ts";
import type { ProfileFacts } from "../platforms/apple/profile.ts";

/** Kinds of packages that are looked into. */
export const packageKinds = {
  apk: { title: "Android package", platform: "android", use: "to be installed, by hand or by a test service" },
  aab: { title: "Android bundle", platform: "android", use: "for the store; nobody can install it as it is" },
  ipa: { title: "iOS package", platform: "ios", use: "for the store or for testers, as its profile says" },
  msix: {
    title: "Windows package",
    platform: "windows",
    use: "for the store, or to be installed where its signer is trusted",
  },
} as const satisfies Record<string, { title: string; platform: Platform; use: string }>;

export type PackageKind = keyof typeof packageKinds;

/** What a package says of itself, read from the package alone. */
export interface PackageFacts {
  kind: PackageKind;
  identifier: string;
  /** What it is called, by language; the one for all under "". */
  labels: Readonly<Record<string, string>>;
  version: string;
  build: string;
  permissions: readonly string[];
  schemes: readonly string[];
  /** The least system that it runs on, and the one it is made for, as it writes them. */
  minimum?: string | undefined;
  target?: string | undefined;
  /** Whoever has it can look into it while it runs. */
  isDebuggable: boolean;
  /** The certificate that it names as its signer's. */
  signer?: { subject: string; sha256: string; by: string };
  profile?: ProfileFacts;
  publisher?: string;
  /** Files of it that do not fit its own lists, or that no package should have. */
  odd: readonly string[];
  files: number;
}
