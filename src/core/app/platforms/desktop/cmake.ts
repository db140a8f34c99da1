import type { Site } from "../../../formats/splice/site.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { homeFill } from "../../template/addresses.ts";
import { cmakeScripts } from "../../template/cmake-variables.ts";
import { type Fill, heldValues, nothingFound, type SurveyPart } from "../../template/found.ts";
import { aside } from "./programs.ts";

/** What a setting holds by its name, as CMake's own modules and those who write scripts for it call it. */
const facts: readonly { name: RegExp; holds: Field; value?: RegExp }[] = [
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
    value: /^[A-Za-z][\w-]*(\.[\w-]+)+$/,
  },
  { name: /^(APP|APPLICATION|PRODUCT)_VERSION$/, holds: "version", value: /^\d+(\.\d+)*$/ },
  { name: /^((APP|APPLICATION|PRODUCT)_(URL|HOMEPAGE(_URL)?)|CPACK_PACKAGE_HOMEPAGE_URL)$/, holds: "domain" },
];

/** A setting of one value, in quotes or without (CMake, `set`). */
const setting = /^[ \t]*set[ \t]*\(\s*(?<name>\w+)\s+(?<literal>"(?:[^"\\\n]|\\.)*"|[^\s()"$;]+)/gim;

/**
 * Surveys the settings by which a program that CMake builds says what it is called, whose it is and where its pages
 * are; undefined where there are none.
 */
export const surveyCMake: SurveyPart = (template) => {
  const texts = cmakeScripts(template).filter(({ file }) => !aside.test(file));
  const fills = texts.flatMap(({ file, text }) =>
    [...text.matchAll(setting)].flatMap((match) => fillOf(file, match, texts)),
  );
  // What says neither is a library's, or says less than other files do.
  const isProgram = fills.some(({ holds }) => holds === "app.name" || holds === "identifiers.desktop");
  if (!isProgram) return undefined;
  return {
    ...nothingFound,
    platform: "desktop",
    folder: "",
    identifiers: heldValues(fills, "identifiers.desktop"),
    names: heldValues(fills, "app.name"),
    fills,
  };
};

function fillOf(file: string, match: RegExpMatchArray, texts: readonly { text: string }[]): Fill[] {
  const { name = "", literal = "" } = match.groups ?? {};
  const fact = facts.find((each) => each.name.test(name));
  const value = literal.startsWith('"') ? literal.slice(1, -1).replace(/\\(["\\])/g, "$1") : literal;
  if (!fact || value.trim() === "" || /[$@]\{?\w/.test(value) || fact.value?.test(value) === false) return [];
  if (namesTarget(name, texts)) return [];
  const end = (match.index ?? 0) + match[0].length;
  const start = end - literal.length;
  // Within its quotes, where it has some: other surveys name such a place the same.
  const site: Site = literal.startsWith('"')
    ? { file, start: start + 1, end: end - 1, value, form: "double-inner" }
    : { file, start, end, value, form: "c-string" };
  return fact.holds === "domain" ? homeFill(site) : [{ holds: fact.holds, site, shape: "text" }];
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
