import { type PackageFacts, packageKinds } from "../../app/packages/facts.ts";
import { furtherNames, type Variant } from "../../app/variant/variant.ts";
import { isSameName } from "../../ground/certificates/x500.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";

/** What a package has to be. */
export interface ExpectedPackage {
  variant: Variant;
  version: string;
  build: number;
  /** SHA-256 of the certificate that signs it; absent where that is not known. */
  signer?: string | undefined;
}

/** Whose certificate every developer's tools have: no store takes what it signs. */
const everybodys = /^(?:C=US, O=Android, )?CN=Android Debug|CN=Android Debug\b/;

/** What of a package is not as it has to be: held against the variant that it is made from, not the other way round. */
export function judgePackage(facts: PackageFacts, expected: ExpectedPackage, shown: string): Problem[] {
  const { variant, signer } = expected;
  const { platform } = packageKinds[facts.kind];
  const field = (name: keyof Variant["values"]) => variant.values[name]?.value;
  const identifier = field(`identifiers.${platform}`);
  const [version, build] =
    facts.kind === "msix"
      ? [field("windows.version") ?? "", field("windows.version") ?? ""]
      : [expected.version, String(expected.build)];
  const tell = (code: "package-foreign" | "package-stale" | "package-unfit" | "package-signer", message: string) =>
    problem(code, `${shown} ${message}.`, { client: variant.key, platform });
  return [
    ...(facts.identifier === identifier
      ? []
      : [tell("package-foreign", `is ${facts.identifier || "nobody's"}; ${variant.key}'s is ${identifier}`)]),
    ...(facts.version === version && facts.build === build
      ? []
      : [tell("package-stale", `is ${facts.version} (${facts.build}); it was to be ${version} (${build})`)]),
    ...wrongLabels(facts, variant).map((said) => tell("package-foreign", said)),
    ...(facts.isDebuggable ? [tell("package-unfit", "can be looked into while it runs: no store takes it")] : []),
    ...(facts.signer && everybodys.test(facts.signer.subject)
      ? [tell("package-signer", "is signed by the key that every developer has")]
      : facts.signer && signer !== undefined && facts.signer.sha256 !== signer
        ? [
            tell(
              "package-signer",
              `is signed by ${facts.signer.sha256.slice(0, 11)}…, the client's key is ${signer.slice(0, 11)}…`,
            ),
          ]
        : []),
    ...(facts.publisher !== undefined && !isSameName(facts.publisher, field("windows.publisher"))
      ? [tell("package-foreign", `names the publisher "${facts.publisher}"`)]
      : []),
    ...(facts.odd.length > 0
      ? [tell("package-unfit", `has files that its own lists do not know, or that lead outside: ${fewOf(facts.odd)}`)]
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
