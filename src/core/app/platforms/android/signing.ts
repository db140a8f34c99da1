import { posix } from "node:path";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { BuildFiles } from "../../template/build-files.ts";
import { type Fill, insertedText } from "../../template/found.ts";
import { signingPrefix } from "../../variant/signing.ts";
import type { AppModule } from "./gradle-project.ts";

/** The script that gives a release its key, at the top of the Gradle project. */
const signingScript = "signing.gradle";

/**
 * The line at the end of an app's build script that applies it, in the script's own language; none where the template
 * has such a script.
 */
export function signingLine(template: Folder, { script, root }: AppModule): Fill[] {
  const path = root ? `${root}/${signingScript}` : signingScript;
  if (template.has(path)) return [];
  const { text } = template.source(script);
  const line = script.endsWith(".kts")
    ? `apply(from = "$rootDir/${signingScript}")`
    : `apply from: "$rootDir/${signingScript}"`;
  return [insertedText(script, text.length, `${text.endsWith("\n") ? "" : "\n"}\n${line}\n`)];
}

/** The script itself, where an app's build script applies it. */
export const androidBuildFiles: BuildFiles = ({ key }, { folder, fills }) => {
  const isApplied = fills.some(({ opens }) => opens?.includes(signingScript) === true);
  return isApplied ? [{ path: posix.join(folder, signingScript), text: scriptText(key) }] : [];
};

/**
 * Applied by the app's build script, it gives the release its key where the environment has one; what is secret is
 * read from there.
 */
const scriptText = (key: string): string => {
  const name = signingPrefix(key);
  return `\
// Applied at the end of the app's build script. The key store's path and its passwords are the environment's: none of
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
