import { posix } from "node:path";
import { attributeOf, find, parseXml, walk } from "../../../formats/splice/formats/xml.ts";
import { write } from "../../../formats/splice/forms.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { pathIn } from "../../../pictures/slots/slot.ts";
import {
  type Localize,
  type Localized,
  mergeLocalized,
  nothingLocalized,
  type Spoken,
} from "../../template/localized.ts";

/**
 * Codes of languages as Android looks for them; newer versions know the new ones too (Java, Locale, "Legacy language
 * codes").
 */
const earlier: Readonly<Record<string, string>> = { he: "iw", id: "in", yi: "ji" };

/** A language as the qualifier of a resource folder (Android documentation, "App resources overview"). */
function qualifier(locale: string): string {
  const [given = "", ...rest] = locale.split("-");
  const language = earlier[given] ?? given;
  const [first, ...more] = rest;
  if (first === undefined) return language;
  return more.length === 0 && /^[A-Z]{2}$/.test(first) ? `${language}-r${first}` : `b+${[language, ...rest].join("+")}`;
}

/**
 * The label's string in a values folder of each language: filled where the template has one, written where it has
 * not.
 */
const localizeLabel: Localize = (template, part, names, main) => {
  const labels = part.fills
    .filter(({ holds, site }) => holds === "app.label" && site.form === "android-string")
    .map(({ site }) => {
      const element = [...walk(parseXml(template.source(site.file)))].find((each) => each.innerStart === site.start);
      return {
        site,
        name: attributeOf(element, "name") ?? "",
        folder: /(?:^|\/)(?:res|Resources)\/([^/]+)\//.exec(site.file)?.[1] ?? "",
      };
    });
  const first = labels.find(({ folder }) => folder === "values");
  if (!first) {
    const message =
      "Android: the label has one place for all languages, in the manifest or in the settings, so it is " +
      "the same in each.";
    return { ...nothingLocalized, gaps: [problem("template-gap", message, { severity: "warning" })] };
  }
  const res = first.site.file.replace(/\/values\/[^/]+$/, "");
  const spoken = [main, ...names].map(({ locale, label }): Partial<Localized> => {
    const folder = `values-${qualifier(locale)}`;
    const there = labels.filter((each) => each.folder === folder);
    const missing = new Set(
      labels.map((each) => each.name).filter((name) => !there.some((each) => each.name === name)),
    );
    return {
      values: there.map(({ site }) => ({ site, value: label.value })),
      writes:
        missing.size > 0
          ? [{ path: `${res}/${folder}/app_names.xml`, text: stringsText([...missing], label.value) }]
          : [],
    };
  });
  return mergeLocalized([...spoken, { gaps: tellUnturned(template, res, names) }]);
};

/** The label's strings, and the banners that its name stands in. */
export const localizeAndroid: Localize = (template, part, names, main) => {
  const pictures = names.flatMap(({ locale }) =>
    part.pictures.flatMap((use) => {
      const path = pathIn(use, { locale, qualifier: qualifier(locale) });
      return path === undefined ? [] : [{ use, path, locale }];
    }),
  );
  return { ...localizeLabel(template, part, names, main), pictures };
};

function stringsText(names: readonly string[], label: string): string {
  const formatted = label.split("%").length > 2 ? ' formatted="false"' : "";
  const strings = names.map(
    (name) => `    <string name="${name}"${formatted}>${write("android-string", label)}</string>`,
  );
  return `<?xml version="1.0" encoding="utf-8"?>\n<resources>\n${strings.join("\n")}\n</resources>\n`;
}

/** Warns where a language is written from right to left, and the manifest does not say that the app can be. */
function tellUnturned(template: Folder, res: string, names: readonly Spoken[]): Problem[] {
  const manifest = posix.join(posix.dirname(res), "AndroidManifest.xml");
  const turned = names.find(({ direction }) => direction === "rtl");
  const application = template.has(manifest) ? find(parseXml(template.source(manifest)), "application") : undefined;
  if (!turned || attributeOf(application, "android:supportsRtl") === "true") return [];
  const message =
    `Android: ${turned.locale} is written from right to left, and the manifest does not say ` +
    `android:supportsRtl="true".`;
  return [problem("template-gap", message, { severity: "warning" })];
}
