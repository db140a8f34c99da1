import { type CodeText, codeParts } from "../../../formats/splice/formats/code.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { schemeFill } from "../../template/addresses.ts";
import type { Fill } from "../../template/found.ts";

/** Calls of a desktop shell's own code that tell a system, or people, what the app is called. */
const calls: Readonly<Record<string, Field | "scheme-if-own">> = {
  setAppUserModelId: "identifiers.desktop",
  setDesktopName: "identifiers.desktop",
  setName: "app.name",
  setAsDefaultProtocolClient: "scheme-if-own",
};

/** Names of windows, within the options that they are opened with. */
const windows = /^(BrowserWindow|BaseWindow|WebviewWindow|createWindow)$/;

const telling = new RegExp(
  `\\b(${[...Object.keys(calls), "BrowserWindow", "BaseWindow", "WebviewWindow"].join("|")})\\b`,
);

/** What a desktop shell's own code says of the app, beside its settings. */
export function desktopCode(template: Folder, folder: string): Fill[] {
  const below = folder ? `${folder}/` : "";
  return template
    .list()
    .filter((file) => file.startsWith(below) && /\.([cm]?[jt]s|[jt]sx)$/.test(file))
    .filter((file) => telling.test(textIfAny(template.bytes(file)) ?? ""))
    .flatMap((file) => textsOf(template, file).flatMap((text) => fillOf(text, file)));
}

function textsOf(template: Folder, file: string): readonly CodeText[] {
  return orElse(
    attempt(() => codeParts(template.source(file)).texts),
    [],
  );
}

function fillOf({ path, site: { ...site } }: CodeText, file: string): Fill[] {
  const here = { ...site, file };
  const [above, last] = [path.at(-2) ?? "", path.at(-1) ?? ""];
  if (last === "title" && windows.test(above)) return [{ holds: "app.name", site: here, shape: "text" }];
  const holds = Object.hasOwn(calls, last) ? calls[last] : undefined;
  if (!holds || here.value === "") return [];
  return holds === "scheme-if-own" ? schemeFill(here) : [{ holds, site: here, shape: "text" }];
}
