import { longPattern } from "../../../ground/values/long-pattern.ts";
import { attribute, type Hit, isComment, literalAround } from "./hit.ts";

/** How distributions for Linux pack a program. */
export const packaging = longPattern("i")`
  (^|\/)(PKGBUILD|[\w.-]+\.(spec|dsc|changes|changelog|menu|ebuild|SlackBuild)
  |[\w.-]*debian[.\/](control|changelog|rules|watch|copyright|compat|[\w.-]+\.(install|docs|manpages|dirs|links)))$
`;

/** What a distribution says of a package to people; in a list of packages, further lines go on with that. */
export const saidOfPackage = (file: string, line: string): boolean =>
  /\b(Summary|Description|title)\b/.test(line) || (/(control|\.dsc)$/.test(file) && /^\s/.test(line));

/** Attributes of an installer's description that are shown; all others are its own names (WiX, schema). */
const shownByInstaller = /(Title|Description|Name|Manufacturer|Value|Contact|Comments|Link|URL)$/i;

/** Whether a hit in an installer's description is one of its own names. */
export const isInstallersOwn = (hit: Hit): boolean => {
  const name = attribute(hit);
  if (isComment(hit) || hit.kind !== "name" || name === undefined) return isComment(hit);
  const isFile = /^(Short)?Name$/.test(name) && /\.\w{2,4}$/.test(literalAround(hit) ?? "");
  return isFile || !shownByInstaller.test(name);
};
