import { hasWindowsManifest, type PackageFacts, packageKinds } from "../../app/packages/facts.ts";
import { furtherNames, type Variant } from "../../app/variant/variant.ts";
import { isSameName } from "../../ground/certificates/x500.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { allStores } from "../../stores/all.ts";

/** What a package has to be. */
export interface ExpectedPackage {
  variant: Variant;
  platform: Platform;
  version: string;
  build: number;
  /** SHA-256 of the certificates that may sign it; none where that is not known. */
  signers: readonly string[];
  /** What is judged as of which day, as 2026-11-29. */
  today: string;
}

/** Whose certificate every developer's tools have: no store takes what it signs. */
const everybodys = /^(?:C=US, O=Android, )?CN=Android Debug|CN=Android Debug\b/;

type Code = "package-foreign" | "package-stale" | "package-unfit" | "package-signer";

/** What is said of a package, behind its name. */
interface Verdict {
  code: Code;
  says: string;
  severity?: "warning";
}

/** What of a package is not as it has to be: held against the variant that it is made from, not the other way round. */
export function judgePackage(facts: PackageFacts, expected: ExpectedPackage, shown: string): Problem[] {
  const { variant, platform } = expected;
  return [
    ...identityOf(facts, expected),
    ...signatureOf(facts, expected),
    ...profileOf(facts, expected),
    ...fitnessOf(facts),
  ].map(({ code, says, severity }) =>
    problem(code, `${shown} ${says}.`, { client: variant.key, platform, ...(severity ? { severity } : {}) }),
  );
}

const fieldOf = ({ variant }: ExpectedPackage, name: keyof Variant["values"]) => variant.values[name]?.value;

function identityOf(facts: PackageFacts, expected: ExpectedPackage): Verdict[] {
  const { variant, platform } = expected;
  const identifier = fieldOf(expected, `identifiers.${platform}`);
  const isNamed = packageKinds[facts.kind].isNamed && (facts.kind !== "web" || facts.identifier !== "");
  const foreign = (says: string): Verdict => ({ code: "package-foreign", says });
  const publisher = hasWindowsManifest(facts.kind) ? facts.publisher : undefined;
  return [
    ...(!isNamed || facts.identifier === identifier
      ? []
      : [foreign(`is ${facts.identifier || "nobody's"}; ${variant.key}'s is ${identifier}`)]),
    ...versionOf(facts, expected),
    ...wrongLabels(facts, variant).map(foreign),
    ...(publisher !== undefined && !isSameName(publisher, fieldOf(expected, "windows.publisher"))
      ? [foreign(`names the publisher "${publisher}"`)]
      : []),
    ...(facts.parts ?? [])
      .filter((part) => !part.identifier.startsWith(`${identifier}.`))
      .map((part) => foreign(`brings ${part.identifier}, which is not below ${identifier}`)),
  ];
}

function versionOf(facts: PackageFacts, expected: ExpectedPackage): Verdict[] {
  const own = fieldOf(expected, "windows.version") ?? "";
  const [version, build] = hasWindowsManifest(facts.kind)
    ? [own, own]
    : [expected.version, facts.build === "" ? "" : String(expected.build)];
  // A program's has four parts, a package's of Debian a number of its own behind it.
  const isSame = facts.version === version || /^[-.~+]/.test(facts.version.slice(version.length));
  if (facts.version === "" || (facts.version.startsWith(version) && isSame && facts.build === build)) return [];
  const said = (one: string, number: string) => (number === "" ? one : `${one} (${number})`);
  const says = `is ${said(facts.version, facts.build)}; it was to be ${said(version, build)}`;
  return [{ code: "package-stale", says }];
}

function signatureOf({ signer }: PackageFacts, { signers: [expected, ...more] }: ExpectedPackage): Verdict[] {
  if (!signer) return [];
  const tell = (says: string): Verdict[] => [{ code: "package-signer", says }];
  if (everybodys.test(signer.subject)) return tell("is signed by the key that every developer has");
  if (signer.holds === false) return tell("was changed after it was signed: its signature does not hold");
  return expected === undefined || [expected, ...more].includes(signer.sha256)
    ? []
    : tell(`is signed by ${signer.sha256.slice(0, 11)}…, the client's key is ${expected.slice(0, 11)}…`);
}

function profileOf({ profile, identifier }: PackageFacts, { today }: ExpectedPackage): Verdict[] {
  if (!profile) return [];
  const isOfIt = profile.identifier.endsWith("*")
    ? identifier.startsWith(profile.identifier.slice(0, -1))
    : profile.identifier === identifier;
  const tell = (says: string): Verdict => ({ code: "package-signer", says });
  return [
    ...(isOfIt ? [] : [tell(`has the profile of ${profile.identifier}`)]),
    ...(profile.until < today ? [tell(`has a profile that ended on ${profile.until}`)] : []),
  ];
}

function fitnessOf(facts: PackageFacts): Verdict[] {
  const unfit = (says: string): Verdict => ({ code: "package-unfit", says });
  const leastTarget = Math.max(
    ...allStores.flatMap(({ takes, leastTarget: least }) => (takes.includes("android") && least ? least.level : [])),
  );
  const target = facts.kind === "apk" || facts.kind === "aab" ? Number(facts.target ?? facts.minimum ?? 1) : undefined;
  return [
    ...(facts.isDebuggable ? [unfit("can be looked into while it runs: no store takes it")] : []),
    ...facts.unfit.map(unfit),
    ...(target !== undefined && target < leastTarget
      ? [
          {
            ...unfit(`is made for API level ${target}; the store takes ${leastTarget} and later`),
            severity: "warning" as const,
          },
        ]
      : []),
    ...(facts.odd.length > 0
      ? [unfit(`has files that its own lists do not know, or that lead outside: ${fewOf(facts.odd)}`)]
      : []),
  ];
}

/** So many files are named. */
const mostNamed = 3;

/** Files by their names, a few of them. */
export const fewOf = (files: readonly string[]): string =>
  files.slice(0, mostNamed).join(", ") + (files.length > mostNamed ? ` and ${files.length - mostNamed} more` : "");

/** Labels that are another app's; what stands for a text elsewhere (@string/…, ms-resource:…) is not judged. */
function wrongLabels({ labels }: PackageFacts, variant: Variant): string[] {
  const own = new Set(
    [
      variant.values["app.label"]?.value,
      variant.values["app.name"]?.value,
      ...furtherNames(variant).flatMap(both),
    ].filter((each) => each !== undefined),
  );
  return Object.entries(labels).flatMap(([language, label]) =>
    own.has(label) || /^[@?]|^ms-resource:|^\$\(/.test(label) || label === ""
      ? []
      : [`is called "${label}"${language === "" ? "" : ` in ${language}`}`],
  );
}

const both = ({ name, label }: ReturnType<typeof furtherNames>[number]): string[] => [name.value, label.value];
