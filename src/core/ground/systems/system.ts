import { join } from "node:path";

/** Systems that Oxalis works on, and that the steps of a build may want. */
export const systems = ["linux", "mac", "windows"] as const;

export type System = (typeof systems)[number];

/** What differs between them: whatever does has its row here. */
interface SystemFacts {
  /** What it is called behind "It wants". */
  title: string;
  /** How a command is typed: the shell, and what stands before the command. */
  shell: readonly [command: string, ...args: string[]];
  /** Variables that programs find themselves, their libraries and their folders by. */
  passes: readonly string[];
  /** Whether programs form groups that end as one (POSIX). */
  hasGroups: boolean;
  /** Whether a shell can limit what a program takes of memory and processor (POSIX, ulimit). */
  hasLimits: boolean;
  /** How it is known what runs, since when, and with which environment. */
  tells: "proc" | "ps" | "nothing";
  /** Marks that no part of a path may have: they would lead elsewhere. */
  misleading: RegExp;
  /** Where caches of the user's own lie. */
  caches(home: string, environment: (name: string) => string | undefined): string;
}

const everywhere = ["PATH", "LANG", "LC_ALL", "TZ", "JAVA_HOME", "ANDROID_HOME", "ANDROID_SDK_ROOT", "NODE_OPTIONS"];

const posix = {
  shell: ["/bin/sh", "-c"],
  passes: [...everywhere, "HOME", "USER", "LOGNAME", "TMPDIR", "SHELL", "GRADLE_USER_HOME", "SOURCE_DATE_EPOCH"],
  hasGroups: true,
  hasLimits: true,
  misleading: /\0/,
  caches: (home, environment) => environment("XDG_CACHE_HOME") || join(home, ".cache"),
} as const satisfies Partial<SystemFacts>;

export const systemFacts: Readonly<Record<System, SystemFacts>> = {
  linux: { ...posix, title: "Linux", tells: "proc" },
  mac: { ...posix, title: "a Mac", passes: [...posix.passes, "DEVELOPER_DIR"], tells: "ps" },
  windows: {
    title: "Windows",
    shell: ["cmd.exe", "/d", "/s", "/c"],
    passes: [
      ...everywhere,
      ...["Path", "PATHEXT", "SystemRoot", "ComSpec", "TEMP", "TMP", "USERPROFILE", "APPDATA", "LOCALAPPDATA"],
      ...["ProgramData", "ProgramFiles", "ProgramFiles(x86)", "VSINSTALLDIR"],
    ],
    hasGroups: false,
    hasLimits: false,
    tells: "nothing",
    // A backslash divides folders, a colon names another stream of a file.
    misleading: /[\0\\:]/,
    caches: (home, environment) => environment("LOCALAPPDATA") ?? home,
  },
};

/** The system that this is. */
export const thisSystem = (): System =>
  process.platform === "win32" ? "windows" : process.platform === "darwin" ? "mac" : "linux";

/** The row of the system that this is. */
export const hereFacts = (): SystemFacts => systemFacts[thisSystem()];

/** Names that Windows keeps for itself, whatever stands behind a full stop (Microsoft, "Naming Files"). */
export const keptByWindows = /^(con|prn|aux|nul|com\d|lpt\d)(\.|$)/i;
