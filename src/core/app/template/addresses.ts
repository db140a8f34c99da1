import type { Site } from "../../formats/splice/site.ts";
import { longPattern } from "../../ground/values/long-pattern.ts";
import { isGiven } from "./callbacks.ts";
import type { Fill } from "./found.ts";
import { commonSchemes } from "./schemes.ts";

/** Hosts that are nobody's: of the machine itself, of a network at home, or with something put in by the build. */
const nobodys = /^(localhost|127\.|10\.|192\.168\.|0\.0\.0\.0|\[)|[${}*%]/;

const address = longPattern("s")`
  ^(?<before>(?:[a-z][a-z0-9+.-]*:)?(?:\/\/)?(?:www\.)?)
  (?<host>[A-Za-z0-9][A-Za-z0-9.-]*\.[A-Za-z]{2,})(?<after>(?:[:/?#].*)?)$
`;

/**
 * The host of an address, or of a text such as applinks:host, becomes the client's domain; the rest stays around it.
 */
export function hostFill(site: Site): Fill[] {
  const { before, host, after } = address.exec(site.value.trim())?.groups ?? {};
  if (!host || nobodys.test(host)) return [];
  return [
    {
      holds: "domain",
      site,
      shape: "text",
      ...(before ? { before } : {}),
      ...(after ? { after } : {}),
    },
  ];
}

/** The address of whoever owns the app: the client's own, whole; what lies below it is the template's alone. */
export function homeFill(site: Site): Fill[] {
  const [whole] = hostFill(site);
  if (!whole) return [];
  const { before, after, ...fill } = whole;
  const own = { ...fill, before: before?.replace(/www\.$/, "") || "https://" };
  return [after === "/" ? { ...own, after } : own];
}

/** Whoever keeps a package, with an address behind the name where the template has one: it becomes the client. */
export const personFill = (site: Site): Fill[] => [
  {
    holds: /<[^<>\s]+@[^<>\s]+>\s*(?:\([^()]*\)\s*)?$/.test(site.value) ? "desktop.maintainer" : "owner",
    site,
    shape: "text",
  },
];

/** A scheme of the template's own becomes the client's; those that everybody has stay. */
export function schemeFill(site: Site): Fill[] {
  const { value } = site;
  const isOwn = /^[a-z][a-z0-9+.-]*$/i.test(value) && !commonSchemes.has(value.toLowerCase()) && !isGiven(value);
  return isOwn ? [{ holds: "scheme", site, shape: "text" }] : [];
}
