import type { BuiltFile } from "../../agency/history/builds.ts";
import type { InstallWord } from "../../pages/words/en/install.ts";

/** How a kind of file is installed by hand. */
interface Installing {
  /** The system, as people call it. */
  system: string;
  /** What is done, one after the other. @param isAir it comes over the air: there is an address that serves it */
  steps(isAir: boolean): readonly InstallWord[];
  /** Whose documentation says so. */
  source: string;
}

const ofMac: Installing = {
  system: "macOS",
  steps: () => ["macOpen", "macWarned", "iconOld"],
  source: 'Apple support, "Safely open apps on your Mac"',
};

const ofExe: Installing = {
  system: "Windows",
  steps: () => ["exeOpen", "exeWarned", "iconOld"],
  source: 'Microsoft Learn, "Microsoft Defender SmartScreen"',
};

const ofMsix: Installing = {
  system: "Windows",
  steps: () => ["msixTrust", "msixOpen", "iconOld"],
  source: 'Microsoft Learn, "Create a certificate for package signing"; "Install a certificate"',
};

/** Kinds of files that people install, by what their names end in. */
const kinds: Readonly<Record<string, Installing>> = {
  apk: {
    system: "Android",
    steps: () => ["apkOpen", "apkAllow", "apkUnknown", "apkOther", "iconOld"],
    source: 'Android Developers, "Alternative distribution options"',
  },
  ipa: {
    system: "iPhone, iPad",
    steps: (isAir) => ["ipaKnown", isAir ? "ipaAir" : "ipaCable", "ipaMode", "ipaTrust", "ipaOnline", "iconOld"],
    source: 'Apple, "Distributing your app to registered devices"; support, "Install custom enterprise apps on iOS"',
  },
  msix: ofMsix,
  appx: ofMsix,
  msixbundle: ofMsix,
  exe: ofExe,
  msi: ofExe,
  dmg: ofMac,
  pkg: ofMac,
  deb: { system: "Linux", steps: () => ["debOpen", "iconOld"], source: "Debian, installing a package by hand" },
  appimage: { system: "Linux", steps: () => ["imageOpen", "iconOld"], source: "AppImage, running one" },
};

const endOf = ({ path }: BuiltFile): string => path.slice(path.lastIndexOf(".") + 1).toLowerCase();

/** The file of a build that is installed by hand, and how; undefined where none is. */
export function installableOf(files: readonly BuiltFile[]): { file: BuiltFile; how: Installing } | undefined {
  // What goes to a store may be of a kind that devices take as well; what was made to be installed comes first.
  const byKind = (kind: BuiltFile["kind"]) => files.filter((each) => each.kind === kind);
  for (const file of [...byKind("install"), ...byKind("store").filter((each) => endOf(each) !== "ipa")]) {
    const how = kinds[endOf(file)];
    if (how) return { file, how };
  }
  return undefined;
}

/** Whether it comes over the air by a list of its own, as Apple's devices want. */
export const wantsManifest = (file: BuiltFile): boolean => endOf(file) === "ipa";
