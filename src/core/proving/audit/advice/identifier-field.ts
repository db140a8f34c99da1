import type { PartSurvey } from "../../../app/template/found.ts";
import type { Field } from "../../../ground/values/fields.ts";

/** What a site says of apps is read by the apps' own systems (Digital Asset Links; Apple, associated domains). */
const readElsewhere: readonly { file: RegExp; field: Field }[] = [
  { file: /(^|\/)assetlinks\.json$/, field: "identifiers.android" },
  { file: /(^|\/)apple-app-site-association(\.json)?$/, field: "identifiers.ios" },
];

/** Files that Apple's tools read, and settings that are called as theirs are. */
const isOfApple = (file: string, line: string): boolean =>
  /\.(xcconfig|plist|entitlements|pbxproj)$/.test(file) || /\bbundle_?id(entifier)?\b\s*[=:(]/i.test(line);

/**
 * Whose identifier goes where one of the template's stands: the platform's that reads it, or in whose folder it lies;
 * everybody's where several share that.
 * @param text the identifier. @param line where it stands; empty where it may be anywhere in the file
 */
export function identifierField(
  parts: readonly PartSurvey[],
  file: string,
  { text, line }: { text: string; line: string },
): Field {
  const reader = readElsewhere.find((each) => each.file.test(file));
  if (reader) return reader.field;
  if (isOfApple(file, line) && !parts.some(({ platform }) => platform === "desktop"))
    return parts.some(({ platform }) => platform === "ios") ? "identifiers.ios" : "identifiers.base";
  const own = parts
    .filter(({ folder }) => folder === "" || file.startsWith(`${folder}/`))
    .sort((a, b) => b.folder.length - a.folder.length)[0];
  const shared = parts.filter(({ folder }) => folder === own?.folder).length > 1;
  // A page is known by a path; what stands on its head like a domain's name is another system's.
  const isPath = own?.platform !== "web" || text.startsWith("/");
  return own && !shared && isPath ? `identifiers.${own.platform}` : "identifiers.base";
}
