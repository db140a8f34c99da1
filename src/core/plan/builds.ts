import { stringify } from "yaml";
import { fillPattern, patternProblem, readPattern } from "../derive/pattern.ts";
import { fieldOf, type Variant } from "../derive/variant.ts";
import { problem, Refusal } from "../problems/problem.ts";
import { write } from "../splice/forms.ts";
import { signingScript } from "../template/android-signing.ts";
import type { Template } from "../template/read.ts";

interface BuildFile {
  path: string;
  text: string;
}

/** What a variant's builds need beside the project: how it is signed, without any secret, and what the running app reads. */
export function buildFiles(variant: Variant, template: Template): BuildFile[] {
  const signed = template.parts.flatMap(({ platform, folder, signed: targets = [], fills }): BuildFile[] => {
    const path = (name: string) => (folder ? `${folder}/${name}` : name);
    const isApplied = fills.some(({ opens }) => opens?.includes(signingScript) === true);
    if (platform === "android")
      return isApplied ? [{ path: path(signingScript), text: androidSigning(variant.key) }] : [];
    const options = platform === "ios" ? exportOptions(variant, targets) : undefined;
    return options ? [{ path: path("ExportOptions.plist"), text: options }] : [];
  });
  // A template that has such a file knows better.
  const lacking = signed.filter(({ path }) => !template.folder.has(path));
  return [...lacking, ...template.runtime.map((each) => runtimeFile(variant, each))];
}

/** Names of a client's environment variables begin with this. */
export const signingPrefix = (key: string): string => `SIGNING_${key.toUpperCase().replaceAll("-", "_")}`;

/** Applied by the app's build script, it gives the release its key where the environment has one; what is secret is read from there. */
const androidSigning = (key: string): string => {
  const name = signingPrefix(key);
  return `// Applied at the end of the app's build script. The key store's path and its passwords are the environment's: none of
// them is written down here. Without them, a release is signed as the script itself says.
if (System.getenv("${name}_STORE")) {
    android {
        signingConfigs {
            clientRelease {
                storeFile file(System.getenv("${name}_STORE"))
                storePassword System.getenv("${name}_STORE_PASSWORD")
                keyAlias System.getenv("${name}_KEY")
                keyPassword System.getenv("${name}_KEY_PASSWORD")
            }
        }
        buildTypes {
            release {
                signingConfig signingConfigs.clientRelease
            }
        }
    }
}
`;
};

/** What an archive is exported with (Apple, xcodebuild, export options); undefined where no team is known. */
function exportOptions(
  variant: Variant,
  targets: readonly { target: string; suffix: string }[],
): string | undefined {
  const team = variant.values["signing.team"]?.value;
  const profile = variant.values["signing.profile"]?.value;
  if (team === undefined) return undefined;
  const escaped = (value: string) => write("xml-text", value);
  const profiles = (targets.length > 0 ? targets : [{ target: "", suffix: "" }]).flatMap(
    ({ target, suffix }) => {
      const own = target === "" ? profile : variant.profiles[target];
      if (own === undefined) return [];
      const bundle = `${fieldOf(variant, "identifiers.ios")}${suffix}`;
      return [`\t\t<key>${escaped(bundle)}</key>\n\t\t<string>${escaped(own)}</string>\n`];
    },
  );
  const named =
    profiles.length === 0
      ? ""
      : `\t<key>provisioningProfiles</key>\n\t<dict>\n${profiles.join("")}\t</dict>\n`;
  return `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd">
<plist version="1.0">
<dict>
\t<key>method</key>
\t<string>app-store-connect</string>
${named}\t<key>signingStyle</key>
\t<string>${profile === undefined ? "automatic" : "manual"}</string>
\t<key>teamID</key>
\t<string>${escaped(team)}</string>
</dict>
</plist>
`;
}

/** One setting a line, in a format's own escaping. */
const lines =
  (form: "properties" | "env" | "xcconfig", between: string) => (values: Record<string, string>) =>
    Object.entries(values)
      .map(([key, value]) => `${key}${between}${write(form, value)}\n`)
      .join("");

const formats: Readonly<Record<string, (values: Record<string, string>) => string>> = {
  json: (values) => `${JSON.stringify(values, null, 2)}\n`,
  yaml: (values) => stringify(values),
  properties: lines("properties", "="),
  env: lines("env", "="),
  xcconfig: lines("xcconfig", " = "),
};

function runtimeFile(variant: Variant, { file, values, place }: Template["runtime"][number]): BuildFile {
  const filled: Record<string, string> = {};
  for (const [key, text] of Object.entries(values)) {
    const pattern = readPattern(text);
    if ("column" in pattern) throw new Refusal([patternProblem(pattern, place)]);
    const value = fillPattern(pattern, (field) => variant.values[field]?.value);
    if (value === undefined)
      throw new Refusal([
        problem("key-missing", `Nothing gives "${text}", which ${file} wants for ${key}.`, { place }),
      ]);
    filled[key] = value;
  }
  return { path: file, text: formats[file.split(".").at(-1) ?? ""]?.(filled) ?? "" };
}
