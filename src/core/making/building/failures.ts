import { longPattern } from "../../ground/values/long-pattern.ts";

/** Why a build failed, as its log says it. */
export interface Failure {
  /** What is wrong, in a producer's terms. */
  says: string;
  /** Where, as the tool names it: a file, and a line where it says one. */
  at?: string;
  /** It would stop every client's build. */
  isShared: boolean;
}

interface Pattern {
  /** The tool whose log it is. */
  tool: string;
  /** Groups: what, file, line. */
  form: RegExp;
  says: (groups: Readonly<Record<string, string>>) => string;
  isShared?: true;
}

/** What known tools write when they fail, the surest first. */
const patterns: readonly Pattern[] = [
  // The machine: it stops everybody.
  {
    tool: "system",
    form: /No space left on device|ENOSPC|There is not enough space on the disk/,
    says: () => "The disk is full",
    isShared: true,
  },
  {
    tool: "shell",
    form: longPattern()`
      (?:sh|bash|zsh): (?:\d+: |line \d+: )?(?<what>[\w./+-]+): (?:command )?not found
      |'(?<own>[\w.]+)' is not recognized
    `,
    says: ({ what, own }) => `${what ?? own} is not on this machine`,
    isShared: true,
  },
  {
    tool: "gradle",
    form: /SDK location not found|ANDROID_HOME.* (?:is not set|not defined)/,
    says: () => "The Android SDK is not found: ANDROID_HOME does not say where it is",
    isShared: true,
  },
  {
    tool: "gradle",
    form: /You have not accepted the license agreements|licen[cs]es? have not been accepted/,
    says: () => "Licences of the Android SDK have not been accepted on this machine",
    isShared: true,
  },
  {
    tool: "gradle",
    form: longPattern()`
      Could not (?:resolve|GET|download) (?<what>[^\s'"]+)
      |(?:Unable|Failed) to (?:load|resolve) .*\b(?<own>[\w.-]+:[\w.-]+:[\w.-]+)
    `,
    says: ({ what, own }) => `${(what ?? own ?? "a library").replace(/[.,]$/, "")} could not be fetched`,
    isShared: true,
  },
  {
    tool: "gradle",
    form: /JAVA_HOME is (?:not set|set to an invalid)|Unsupported class file major version (?<what>\d+)/,
    says: ({ what }) =>
      what ? `Java is of another version than the build wants (${what})` : "JAVA_HOME names no Java",
    isShared: true,
  },
  {
    tool: "xcodebuild",
    form: /xcode-select: error: .*|xcodebuild: error: SDK "(?<what>[^"]+)" cannot be located/,
    says: ({ what }) => (what ? `Xcode has no SDK ${what}` : "Xcode is not chosen on this machine"),
    isShared: true,
  },
  {
    tool: "npm",
    form: /npm (?:ERR!|error) code (?<what>ENOTFOUND|ETIMEDOUT|ECONNREFUSED|EAI_AGAIN)/,
    says: ({ what }) => `Packages could not be fetched (${what})`,
    isShared: true,
  },
  // Signing.
  {
    tool: "gradle",
    form: /Keystore file '(?<file>[^']+)' not found/,
    says: () => "The key store that signs it is not there",
  },
  {
    tool: "gradle",
    form: /Keystore was tampered with, or password was incorrect|keystore password was incorrect/,
    says: () => "The key store does not open by the password that was given",
  },
  {
    tool: "gradle",
    form: /No key with alias '(?<what>[^']+)' found in keystore/,
    says: ({ what }) => `The key store has no key called "${what}"`,
  },
  {
    tool: "xcodebuild",
    form: /error: (?:No profile(?:s)? for '(?<what>[^']+)' were found|No profiles? for '(?<other>[^']+)')/,
    says: ({ what, other }) => `No provisioning profile for ${what ?? other} is on this machine`,
  },
  {
    tool: "xcodebuild",
    form: /error: No signing certificate "(?<what>[^"]+)" found/,
    says: ({ what }) => `The certificate "${what}" is not in this machine's key chain`,
  },
  {
    tool: "xcodebuild",
    form: /error: Provisioning profile "(?<what>[^"]+)" doesn't (?:include|support) (?<more>[^.\n]+)/,
    says: ({ what, more }) => `The profile "${what}" does not hold ${more}`,
  },
  // What the app is made of.
  {
    tool: "aapt2",
    form: /(?<file>[^\s:]+\.(?:xml|png|9\.png|webp)):?(?<line>\d+)?:? error: (?<what>[^\n]+)/,
    says: ({ what }) => `A resource is not as Android wants it: ${what}`,
  },
  {
    tool: "manifest merger",
    form: /Manifest merger failed ?:? ?(?<what>[^\n]+)/,
    says: ({ what }) => `The manifests do not go together: ${what}`,
  },
  {
    tool: "kotlin",
    form: /^e: (?:file:\/\/)?(?<file>[^\s:]+\.kts?):(?<line>\d+):\d+:? (?<what>[^\n]+)/m,
    says: ({ what }) => `The code does not compile: ${what}`,
    isShared: true,
  },
  {
    tool: "javac",
    form: /(?<file>[^\s:]+\.java):(?<line>\d+): error: (?<what>[^\n]+)/,
    says: ({ what }) => `The code does not compile: ${what}`,
    isShared: true,
  },
  {
    tool: "xcodebuild",
    form: /^(?<file>\/[^\n:]+\.(?:swift|m|mm|h)):(?<line>\d+):\d+: (?:fatal )?error: (?<what>[^\n]+)/m,
    says: ({ what }) => `The code does not compile: ${what}`,
    isShared: true,
  },
  {
    tool: "actool",
    form: /(?<file>[^\s:]+\.xcassets)(?::[^\n]*)?: error: (?<what>[^\n]+)/,
    says: ({ what }) => `A picture of the asset catalog is not as it has to be: ${what}`,
  },
  {
    tool: "msbuild",
    form: longPattern()`
      (?<file>[^\s(]+\.(?:cs|csproj|vcxproj|xaml|appxmanifest|wapproj))\((?<line>\d+)(?:,\d+)?\)?:? ?
      error (?<code>[A-Z]+\d+): (?<what>[^\n[]+)
    `,
    says: ({ code, what = "" }) => `${what.trim()} (${code})`,
  },
  {
    tool: "typescript",
    form: /(?<file>[^\s(]+\.tsx?)\((?<line>\d+),\d+\): error (?<code>TS\d+): (?<what>[^\n]+)/,
    says: ({ code, what }) => `The code does not compile: ${what} (${code})`,
    isShared: true,
  },
  {
    tool: "bundler",
    form: longPattern()`
      (?:Could not resolve|Cannot find module|Module not found:(?: Error:)?(?: Can't resolve)?)
      (?: )["'](?<what>[^"']+)["']
    `,
    says: ({ what }) => `${what} is imported, and not there`,
    isShared: true,
  },
  {
    tool: "npm",
    form: /npm (?:ERR!|error) Missing script: "(?<what>[^"]+)"/,
    says: ({ what }) => `package.json has no script called "${what}"`,
    isShared: true,
  },
  {
    tool: "gradle",
    form: /\* What went wrong:\s*\n(?<what>[^\n]+)/,
    says: ({ what = "" }) => what.trim(),
  },
];

/** Finds why a build failed in its log; undefined where no tool that is known has said it. */
export function failureIn(log: string): Failure | undefined {
  for (const { form, says, isShared } of patterns) {
    const match = form.exec(log);
    if (!match) continue;
    const groups = Object.fromEntries(Object.entries(match.groups ?? {}).filter(([, value]) => value !== undefined));
    const { file, line } = groups;
    return {
      says: says(groups),
      ...(file === undefined ? {} : { at: line === undefined ? file : `${file}:${line}` }),
      isShared: isShared === true,
    };
  }
  return undefined;
}
