import { posix } from "node:path";
import { isOfCode, productNames } from "../../../app/platforms/apple/products.ts";
import { entry, itemsOf, type OpenStep, parseOpenStep, textOf } from "../../../formats/splice/formats/openstep.ts";
import { plistSite, plistStrings } from "../../../formats/splice/formats/plist.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import type { Source } from "../../../ground/values/source.ts";
import { inNoApp } from "../place-kinds.ts";
import type { Keyed, Texts } from "./reader.ts";

/** What leads to the name of an app's target, which people see where nothing else says one. */
const targetKey = "app's target";

const application = "com.apple.product-type.application";

/**
 * An Xcode project's settings, and its apps' targets by whose names people know them. Settings of tests and libraries,
 * which nobody installs, are told apart.
 * @param settings every setting of the file
 */
export function xcodeProject(file: string, source: Source, template: Texts, settings: readonly Keyed[]): Keyed[] {
  const objects = entry(parseOpenStep(source), "objects");
  const byId = (id: OpenStep | undefined) => entry(objects, textOf(id) ?? "");
  const configurations = (target: OpenStep): OpenStep[] =>
    itemsOf(entry(byId(entry(target, "buildConfigurationList")), "buildConfigurations")).flatMap(
      (id) => byId(id) ?? [],
    );
  const targets = (objects?.kind === "group" ? [...objects.entries.values()] : []).map((target) => ({
    target,
    type: textOf(entry(target, "productType")) ?? "",
  }));
  const apart = targets
    .filter(({ type, target }) => isOfCode(type) || makesNothing(target))
    .flatMap(({ target }) => configurations(target));
  const named = targets.flatMap(({ target, type }): Keyed[] => {
    const name = entry(target, "name");
    if (type !== application || name?.kind !== "string") return [];
    const own = configurations(target).flatMap((each) => entry(each, "buildSettings") ?? []);
    return own.some((each) => saysName(file, each, template))
      ? []
      : [{ key: targetKey, value: name.value, at: name.start }];
  });
  const told = settings.map((each) =>
    apart.some(({ start, end }) => start <= each.at && each.at < end)
      ? { ...each, key: `${inNoApp}${each.key}` }
      : each,
  );
  return [...told, ...named];
}

/** Whether a target is one that only runs others, or a script (Xcode, aggregate and legacy targets). */
const makesNothing = (target: OpenStep): boolean =>
  /^PBX(Aggregate|Legacy)Target$/.test(textOf(entry(target, "isa")) ?? "");

/** What takes the target's own name, where no setting says another. */
const ownName = new RegExp(`\\$[({](${productNames.join("|")})\\b`);

const isSaid = (value: string | undefined): boolean => value !== undefined && value !== "" && !ownName.test(value);

/** Whether a target's settings, or its property list, say what people see instead of its own name. */
function saysName(file: string, settings: OpenStep, template: Texts): boolean {
  const written = ["PRODUCT_NAME", "INFOPLIST_KEY_CFBundleDisplayName"].map((name) => textOf(entry(settings, name)));
  if (written.some(isSaid)) return true;
  const path = textOf(entry(settings, "INFOPLIST_FILE"))?.replace(/^\$\(SRCROOT\)\//, "");
  if (path === undefined) return false;
  const list = posix.join(posix.dirname(posix.dirname(file)), path);
  const strings = orElse(
    attempt(() => plistStrings(list, template.source(list))),
    [],
  );
  return ["CFBundleDisplayName", "CFBundleName"].some((key) => isSaid(plistSite(strings, key)?.value));
}
