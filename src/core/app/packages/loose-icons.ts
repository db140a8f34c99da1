import type { PackageFiles } from "../../formats/archives/files.ts";
import { readablePng } from "../../formats/packages/apple-png.ts";
import { picturesInIcns } from "../../formats/packages/icns.ts";

type List = Readonly<Record<string, unknown>>;

const listAt = (list: unknown, key: string): unknown =>
  list !== null && typeof list === "object" ? (list as List)[key] : undefined;

/** The pictures that stand for an app: what its list names and lies beside it, not what a catalog alone has. */
export function iconsOf(files: PackageFiles, folder: string, list: List): Map<string, Uint8Array> {
  const named = ["CFBundleIcons", "CFBundleIcons~ipad"].flatMap((key) =>
    textsIn(listAt(listAt(list[key], "CFBundlePrimaryIcon"), "CFBundleIconFiles")),
  );
  const loose = [...named, ...textsIn(list.CFBundleIconFiles)];
  const found = new Map<string, Uint8Array>();
  for (const name of files.names) {
    const own = name.startsWith(folder) ? name.slice(folder.length) : "";
    if (!loose.some((each) => own.startsWith(each.replace(/\.png$/, ""))) || !own.endsWith(".png")) continue;
    const bytes = files.read(name);
    if (bytes) found.set(name, readablePng(bytes) ?? bytes);
  }
  const [file = ""] = textsIn([list.CFBundleIconFile]);
  const path = `${folder}${/\.icns$/.test(file) ? file : `${file}.icns`}`;
  const icns = file === "" ? undefined : files.read(path);
  for (const [kind, picture] of icns ? picturesInIcns(icns) : []) found.set(`${path} (${kind})`, picture);
  return found;
}

const textsIn = (list: unknown): string[] =>
  Array.isArray(list) ? list.filter((each): each is string => typeof each === "string" && each !== "") : [];
