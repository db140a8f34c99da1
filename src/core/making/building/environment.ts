import type { BuildSteps } from "../../agency/workspace/schema/builds.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { fillPattern, readPattern } from "../../clients/derive/fields/pattern.ts";
import { unwrap } from "../../ground/problems/result.ts";
import type { System } from "../../ground/values/package.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { Place } from "../../ground/values/source.ts";

/** What differs between systems that steps run on. */
interface SystemFact {
  /** What it is called behind "It wants". */
  title: string;
  /** How a command is typed: the shell, and what stands before the command. */
  shell: readonly [command: string, ...args: string[]];
  /** Variables that programs find themselves, their libraries and their folders by. */
  passes: readonly string[];
}

const everywhere = ["PATH", "LANG", "LC_ALL", "TZ", "JAVA_HOME", "ANDROID_HOME", "ANDROID_SDK_ROOT", "NODE_OPTIONS"];
const posix = [...everywhere, "HOME", "USER", "LOGNAME", "TMPDIR", "SHELL", "GRADLE_USER_HOME", "SOURCE_DATE_EPOCH"];

export const systemFacts: Readonly<Record<System, SystemFact>> = {
  linux: { title: "Linux", shell: ["/bin/sh", "-c"], passes: posix },
  mac: { title: "a Mac", shell: ["/bin/sh", "-c"], passes: [...posix, "DEVELOPER_DIR"] },
  windows: {
    title: "Windows",
    shell: ["cmd.exe", "/d", "/s", "/c"],
    passes: [
      ...everywhere,
      "Path",
      "PATHEXT",
      "SystemRoot",
      "ComSpec",
      "TEMP",
      "TMP",
      "USERPROFILE",
      "APPDATA",
      "LOCALAPPDATA",
      "ProgramData",
      "ProgramFiles",
      "ProgramFiles(x86)",
      "VSINSTALLDIR",
    ],
  },
};

/** The system that this is. */
export const systemOf = (platform: NodeJS.Platform): System =>
  platform === "win32" ? "windows" : platform === "darwin" ? "mac" : "linux";

/** What steps are given of the machine that they run on: what programs need, and what template.yaml passes on. */
export const ofMachine = (
  system: System,
  passes: readonly string[],
  machine: (name: string) => string | undefined,
): Record<string, string> =>
  Object.fromEntries(
    [...systemFacts[system].passes, ...passes].flatMap((name) => {
      const value = machine(name);
      return value === undefined ? [] : [[name, value]];
    }),
  );

/**
 * What steps are given besides that and secrets: what template.yaml gives, and what is built.
 * @param place of the patterns in template.yaml
 */
export function environmentOf(
  { environment }: BuildSteps,
  variant: Variant,
  platform: Platform,
  { stage, place }: { stage: string; place: Place },
): Record<string, string> {
  const field = (name: keyof Variant["values"]) => variant.values[name]?.value;
  const filled = Object.entries(environment).map(([name, text]) => [
    name,
    fillPattern(unwrap(readPattern(text, place)), field) ?? "",
  ]);
  return {
    CLIENT: variant.key,
    STAGE: stage,
    VERSION: field("version") ?? "",
    BUILD: field("build") ?? "",
    IDENTIFIER: field(`identifiers.${platform}`) ?? "",
    ...Object.fromEntries(filled),
  };
}
