import type { PackageFiles } from "../../formats/archives/files.ts";
import type { Archive } from "../../formats/archives/open.ts";
import { type OpenedPackage, unsaid } from "./facts.ts";

/** What a package of Debian, or an archive with a desktop's entry, says of itself; undefined where it is neither. */
export function readLinuxPackage({ form, files }: Archive): OpenedPackage | undefined {
  const entry = files.names.find((name) => /(^|\/)[^/]+\.desktop$/.test(name));
  if (form !== "debian" && entry === undefined) return undefined;
  const control = textIn(files, "control/control");
  const shown = textIn(files, entry);
  const maintainer = lineIn(control, "Maintainer: ");
  return {
    facts: {
      ...unsaid,
      kind: form === "debian" ? "debian" : "linux",
      labels: labelsIn(shown),
      version: lineIn(control, "Version: "),
      ...(maintainer === "" ? {} : { publisher: maintainer }),
      schemes: [...lineIn(shown, "MimeType=").matchAll(/x-scheme-handler\/([^;]+)/g)].map(([, scheme = ""]) => scheme),
      odd: files.odd,
      closed: files.names.filter((name) => /^(control|data)\.tar\.\w+$/.test(name)),
      files: files.names.length,
    },
    files,
    icons: iconsNamed(files, lineIn(shown, "Icon=")),
  };
}

function textIn(files: PackageFiles, name: string | undefined): string {
  const bytes = name === undefined ? undefined : files.read(name);
  return bytes ? Buffer.from(bytes).toString() : "";
}

/** What stands behind a key, in the first line that begins with it. */
const lineIn = (text: string, key: string): string =>
  text
    .split(/\r?\n/)
    .find((line) => line.startsWith(key))
    ?.slice(key.length)
    .trim() ?? "";

/** What a desktop's entry is called, by language (freedesktop.org, Desktop Entry Specification); actions are apart. */
function labelsIn(entry: string): Record<string, string> {
  const [main = ""] = entry.split(/^\[Desktop Action/m);
  return Object.fromEntries(
    [...main.matchAll(/^Name(?:\[([\w@.-]+)\])?=(.*)$/gm)].map(([, language = "", name = ""]) => [
      language.replace("_", "-"),
      name.trim(),
    ]),
  );
}

/** Pictures of a name, in all sizes: an entry names them without their folder and ending. */
function iconsNamed(files: PackageFiles, icon: string): Map<string, Uint8Array> {
  const name = icon.replace(/\.\w+$/, "").replace(/^.*\//, "");
  const found = new Map<string, Uint8Array>();
  for (const path of name === "" ? [] : files.names) {
    const bytes = path.endsWith(`/${name}.png`) || path === `${name}.png` ? files.read(path) : undefined;
    if (bytes) found.set(path, bytes);
  }
  return found;
}
