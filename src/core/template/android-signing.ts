import type { Folder } from "../files/folder.ts";
import type { AppModule } from "./gradle-project.ts";
import { type Fill, insertedText } from "./survey.ts";

/** The script that gives a release its key, at the top of the Gradle project. */
export const signingScript = "signing.gradle";

/** The line at the end of an app's build script that applies it, in the script's own language; none where the template has such a script. */
export function signingLine(template: Folder, { script, root }: AppModule): Fill[] {
  const path = root ? `${root}/${signingScript}` : signingScript;
  if (template.has(path)) return [];
  const { text } = template.source(script);
  const line = script.endsWith(".kts")
    ? `apply(from = "$rootDir/${signingScript}")`
    : `apply from: "$rootDir/${signingScript}"`;
  return [insertedText(script, text.length, `${text.endsWith("\n") ? "" : "\n"}\n${line}\n`)];
}
