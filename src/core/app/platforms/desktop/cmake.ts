import type { Site } from "../../../formats/splice/site.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { homeFill } from "../../template/addresses.ts";
import { aside } from "../../template/builders.ts";
import { cmakeScripts } from "../../template/cmake-variables.ts";
import { type Fill, heldValues, nothingFound, type SurveyPart } from "../../template/found.ts";
import { iconNamed } from "./bundles.ts";
import { buildVersions } from "./versions.ts";

/** What identifies an app, and is put together from nothing. */
const dotted = /^[A-Za-z][\w-]*(\.[\w-]+)+$/;

/** What a setting or a target's property holds by its name, as CMake's modules and those who write scripts call it. */
const facts: readonly { name: RegExp; holds: Field; value?: RegExp; optional?: true }[] = [
  {
    name: longPattern()`
      ^((APP|APPLICATION|PRODUCT)_(DISPLAY_|LONG_)?NAME|CPACK_(BUNDLE|NSIS_DISPLAY)_NAME
      |MACOSX_BUNDLE_BUNDLE_NAME)$
    `,
    holds: "app.name",
  },
  {
    name: /^((APP|APPLICATION|PRODUCT)_(VENDOR|COMPANY|PUBLISHER|ORGANI[SZ]ATION)(_NAME)?|CPACK_PACKAGE_VENDOR)$/,
    holds: "owner",
  },
  {
    name: /^((APP|APPLICATION)_(BUNDLE_)?ID(ENTIFIER)?|MACOSX_BUNDLE_GUI_IDENTIFIER)$/,
    holds: "identifiers.desktop",
    value: dotted,
  },
  {
    name: /^((APP|APPLICATION|PRODUCT)_VERSION|MACOSX_BUNDLE_(SHORT|LONG)_VERSION_STRING)$/,
    holds: "version",
    value: /^\d+(\.\d+)*$/,
  },
  { name: /^MACOSX_BUNDLE_BUNDLE_VERSION$/, holds: "build", value: /^\d+(\.\d+)*$/ },
  { name: /^MACOSX_BUNDLE_COPYRIGHT$/, holds: "copyright" },
  { name: /^((APP|APPLICATION|PRODUCT)_(URL|HOMEPAGE(_URL)?)|CPACK_PACKAGE_HOMEPAGE_URL)$/, holds: "domain" },
  // Of apps for telephones that the same script builds (Qt, CMake property reference; CMake, XCODE_ATTRIBUTE).
  { name: /^QT_ANDROID_APP_NAME$/, holds: "app.label" },
  { name: /^QT_ANDROID_PACKAGE_NAME$/, holds: "identifiers.android", value: dotted, optional: true },
  { name: /^(QT_ANDROID_VERSION_NAME|XCODE_ATTRIBUTE_MARKETING_VERSION)$/, holds: "version", value: /^\d/ },
  { name: /^(QT_ANDROID_VERSION_CODE|XCODE_ATTRIBUTE_CURRENT_PROJECT_VERSION)$/, holds: "build", value: /^\d/ },
  { name: /^XCODE_ATTRIBUTE_PRODUCT_BUNDLE_IDENTIFIER$/, holds: "identifiers.ios", value: dotted, optional: true },
  { name: /^XCODE_ATTRIBUTE_DEVELOPMENT_TEAM$/, holds: "signing.team", value: /^[A-Z0-9]{10}$/, optional: true },
];

/** A name that a script gives a value to, as it is written. */
interface Given {
  name: string;
  literal: string;
  start: number;
}

/** A setting of one value, in quotes or without (CMake, `set`). */
const setting = /^[ \t]*set[ \t]*\(\s*(?<name>\w+)\s+(?<literal>"(?:[^"\\\n]|\\.)*"|[^\s()"$;]+)/gim;

/** What targets are given by name (CMake, `set_target_properties` and `set_property`). */
const properties = longPattern("gi")`
  \bset_(?:target_properties\s*\([^()]*?\bPROPERTIES|property\s*\(\s*TARGET\b[^()]*?\bPROPERTY)\s
  (?<pairs>(?:"(?:[^"\\]|\\.)*"|[^()"])*)\)
`;

const word = /#[^\n]*|"(?:[^"\\]|\\.)*"|[^\s"#]+/g;

const givenIn = (text: string): Given[] => [
  ...[...text.matchAll(setting)].map(({ 0: whole, index, groups }) => {
    const { name = "", literal = "" } = groups ?? {};
    return { name, literal, start: index + whole.length - literal.length };
  }),
  ...[...text.matchAll(properties)].flatMap(({ 0: whole, index, groups }) => {
    const pairs = groups?.pairs ?? "";
    const from = index + whole.length - 1 - pairs.length;
    const words = [...pairs.matchAll(word)].filter(([each]) => !each.startsWith("#"));
    return words.flatMap(({ 0: name }, at): Given[] => {
      const value = at % 2 === 0 ? words[at + 1] : undefined;
      return value ? [{ name, literal: value[0], start: from + value.index }] : [];
    });
  }),
];

/**
 * Surveys the settings by which a program that CMake builds says what it is called, whose it is and where its pages
 * are; undefined where there are none.
 */
export const surveyCMake: SurveyPart = (template) => {
  const texts = cmakeScripts(template).filter(({ file }) => !aside.test(file));
  const given = texts.flatMap(({ file, text }) => givenIn(text).map((each) => ({ ...each, file })));
  const fills = given.flatMap((each) => fillOf(each.file, each, texts));
  // What says neither is a library's, or says less than other files do.
  const isProgram = fills.some(({ holds }) => holds === "app.name" || holds === "identifiers.desktop");
  if (!isProgram) return undefined;
  const files = template.list().filter((file) => !aside.test(file));
  const icons = given.filter(({ name }) => name === "MACOSX_BUNDLE_ICON_FILE");
  return {
    ...nothingFound,
    platform: "desktop",
    folder: "",
    identifiers: heldValues(fills, "identifiers.desktop"),
    names: heldValues(fills, "app.name"),
    fills: [...fills, ...buildVersions(template, files)],
    pictures: icons.flatMap(({ literal }) => iconNamed(template, literal.replaceAll('"', ""))),
  };
};

function fillOf(file: string, { name, literal, start }: Given, texts: readonly { text: string }[]): Fill[] {
  const fact = facts.find((each) => each.name.test(name));
  const value = literal.startsWith('"') ? literal.slice(1, -1).replace(/\\(["\\])/g, "$1") : literal;
  if (!fact || value.trim() === "" || /[$@]\{?\w/.test(value) || fact.value?.test(value) === false) return [];
  if (namesTarget(name, texts)) return [];
  const end = start + literal.length;
  // Within its quotes, where it has some: other surveys name such a place the same.
  const site: Site = literal.startsWith('"')
    ? { file, start: start + 1, end: end - 1, value, form: "double-inner" }
    : { file, start, end, value, form: "c-string" };
  const { holds, optional } = fact;
  return holds === "domain" ? homeFill(site) : [{ holds, site, shape: "text", ...(optional ? { optional } : {}) }];
}

/** Whether a target, or the file that it makes, is called by a setting: that has no blanks, and others ask for it. */
function namesTarget(name: string, texts: readonly { text: string }[]): boolean {
  const taken = new RegExp(
    `\\b(?:(?:add_\\w+|project|set_target_properties|get_target_property|target_\\w+)\\s*\\(\\s*` +
      `|install\\s*\\(\\s*TARGETS\\s+|OUTPUT_NAME\\s+|set\\s*\\(\\s*\\w*(?:TARGET|EXECUTABLE|BINARY)\\w*\\s+)` +
      `"?\\$\\{${escapeRegExp(name)}\\}`,
    "i",
  );
  return texts.some(({ text }) => taken.test(text));
}
