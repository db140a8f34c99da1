import type { PlistString } from "../../../formats/splice/formats/plist.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { textIfAny } from "../../../ground/files/reading/folder.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { hostFill, schemeFill } from "../../template/addresses.ts";
import type { Fill } from "../../template/found.ts";
import { aroundIdentifier, followSetting, type XcodePart } from "./identity.ts";

/** Keys of a property list and what they hold (Apple, Information Property List). */
const fields: Readonly<Record<string, Field>> = {
  CFBundleDisplayName: "app.label",
  CFBundleName: "app.label",
  CFBundleShortVersionString: "version",
  CFBundleVersion: "build",
  NSHumanReadableCopyright: "copyright",
  LSApplicationCategoryType: "apple.category",
};

/** Keys whose values code alone refers to: never filled, whatever they hold. */
const ofCode = longPattern()`
  ^(CFBundleExecutable|CFBundlePackageType|NSPrincipalClass|NSMainNibFile|NSMainStoryboardFile
  |UIMainStoryboardFile|UISceneDelegateClassName|UISceneStoryboardFile
  |UISceneConfigurationName|NSExtensionPrincipalClass|NSExtensionMainStoryboard)$
`;

/** What a property list, or an entitlements file, says of the app: names, versions, identifiers, schemes and hosts. */
export function plistFills(part: XcodePart, strings: readonly PlistString[]): Fill[] {
  return strings.flatMap(({ path, site }): Fill[] => {
    const [key] = path;
    const last = path.findLast((step) => typeof step === "string");
    if (ofCode.test(String(last))) return [];
    if (path.length === 1 && Object.hasOwn(fields, String(key))) {
      const holds = fields[String(key)] as Field;
      // A short name that follows the product's file is seen on a Mac alone, in the menu bar.
      const isProduct = key === "CFBundleName" && site.value.includes("PRODUCT_NAME") && part.platform !== "desktop";
      return isProduct ? [] : followSetting(part, site, holds);
    }
    const own = part.identifier ? aroundIdentifier(site, part.identifier, `identifiers.${part.platform}`) : [];
    if (own.length > 0) return [...own, ...inCode(part, site, own)];
    if (last === "CFBundleURLSchemes") return schemeFill(site);
    if (last === "com.apple.developer.associated-domains") return hostFill(site);
    return [];
  });
}

/**
 * A longer identifier that code says too, as a whole literal: a group, a task, an activity. One side alone would
 * break it.
 */
function inCode({ template, project, identifier }: XcodePart, { value }: Site, fills: readonly Fill[]): Fill[] {
  const [fill] = fills;
  if (!fill || value === identifier) return [];
  const below = project.folder ? `${project.folder}/` : "";
  const literal = new RegExp(`"(${escapeRegExp(value)})"`, "g");
  return template
    .list()
    .filter((file) => file.startsWith(below) && /\.(swift|mm?|h)$/.test(file))
    .flatMap((file) =>
      [...(textIfAny(template.bytes(file)) ?? "").matchAll(literal)].map((match): Fill => {
        const start = match.index + 1;
        return { ...fill, site: { file, start, end: start + value.length, value, form: "raw" } };
      }),
    );
}
