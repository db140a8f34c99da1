import type { PackageFiles } from "../../formats/archives/files.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { ProfileFacts } from "../platforms/apple/profile.ts";

/** A kind of package: what it is called, on which platforms it is one, and what it is for. */
interface PackageKindFacts {
  title: string;
  platforms: readonly Platform[];
  use: string;
  /** Whether it says whose app it is. */
  isNamed: boolean;
}

/** Kinds of packages that are looked into. */
export const packageKinds = {
  apk: {
    ...{ title: "Android package", platforms: ["android"], isNamed: true },
    use: "to be installed, by hand or by a test service",
  },
  aab: {
    ...{ title: "Android bundle", platforms: ["android"], isNamed: true },
    use: "for the store; nobody can install it as it is",
  },
  ipa: {
    ...{ title: "iOS package", platforms: ["ios"], isNamed: true },
    use: "for the store or for testers, as its profile says",
  },
  msix: {
    ...{ title: "Windows package", platforms: ["windows"], isNamed: true },
    use: "for the store, or to be installed where its signer is trusted",
  },
  msixbundle: {
    ...{ title: "Windows bundle", platforms: ["windows"], isNamed: true },
    use: "for the store, or to be installed where its signer is trusted: systems take the part that fits them",
  },
  program: {
    ...{ title: "Windows program", platforms: ["windows", "desktop"], isNamed: false },
    use: "to be started by hand: the app, or what installs it",
  },
  mac: { title: "Mac app", platforms: ["desktop"], isNamed: true, use: "to be installed by hand" },
  installer: {
    ...{ title: "Mac installer", platforms: ["desktop"], isNamed: true },
    use: "for the store, or to be installed by hand, as its signer says",
  },
  debian: {
    ...{ title: "Debian package", platforms: ["desktop"], isNamed: false },
    use: "to be installed on Debian and its kin",
  },
  linux: { title: "Linux archive", platforms: ["desktop"], isNamed: false, use: "to be unpacked on Linux" },
  web: { title: "web archive", platforms: ["web"], isNamed: true, use: "to be unpacked on a web server" },
} as const satisfies Record<string, PackageKindFacts>;

export type PackageKind = keyof typeof packageKinds;

/** Whether a kind has a manifest of Windows, whose version has four parts and whose publisher is a certificate's. */
export const hasWindowsManifest = (kind: PackageKind): boolean => kind === "msix" || kind === "msixbundle";

/** The certificate that a package names as its signer's. */
export interface PackageSigner {
  subject: string;
  sha256: string;
  by: string;
  /** Whether the package is as it was signed; absent where that cannot be told here. */
  holds?: boolean;
}

/** What a package says of itself, read from the package alone. */
export interface PackageFacts {
  kind: PackageKind;
  /** Empty of kinds that do not say whose they are. */
  identifier: string;
  /** What it is called, by language; the one for all under "". */
  labels: Readonly<Record<string, string>>;
  version: string;
  /** Empty of kinds that have none. */
  build: string;
  permissions: readonly string[];
  schemes: readonly string[];
  /** The least system that it runs on, and the one it is made for, as it writes them. */
  minimum?: string | undefined;
  target?: string | undefined;
  /** Whoever has it can look into it while it runs. */
  isDebuggable: boolean;
  signer?: PackageSigner;
  /** Whether a Mac app brings the notary's ticket: without, a Mac asks for it over the network at the first start. */
  ticket?: boolean;
  profile?: ProfileFacts;
  /** What its code is signed to be allowed. */
  entitlements?: Readonly<Record<string, unknown>>;
  publisher?: string;
  /** Extensions and the like that it brings. */
  parts?: readonly { identifier: string; version: string; build: string }[];
  /** What its compiled catalog of assets holds, and in which sizes its icon. */
  catalog?: { assets: number; pictures: number; icon: readonly string[] } | undefined;
  /** What makes crashes readable, where it lies within. */
  symbols: readonly string[];
  /** What keeps it from being installed, or from being taken by the store: sentences without their subject. */
  unfit: readonly string[];
  /** Files of it that do not fit its own lists, or that no package should have. */
  odd: readonly string[];
  /** Files that are packed in a way that cannot be looked into here. */
  closed: readonly string[];
  files: number;
}

/** A package, looked into: what it says of itself, its files, and the pictures that stand for it. */
export interface OpenedPackage {
  facts: PackageFacts;
  files: PackageFiles;
  /** By their paths within. */
  icons: ReadonlyMap<string, Uint8Array>;
}

/** What nobody has said of a package. */
export const unsaid = {
  ...{ identifier: "", labels: {}, version: "", build: "", isDebuggable: false },
  ...{ permissions: [], schemes: [], symbols: [], unfit: [], closed: [] },
} as const;
