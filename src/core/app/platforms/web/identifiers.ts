import { asGiven, type Identifiers } from "../../template/identifiers.ts";

/** What an app is known by (W3C, Web Application Manifest, id). */
export const webIdentifiers: Identifiers = {
  rules: [
    { says: "start with a slash, on the same address as the app", keeps: (id) => /^\/(?!\/)/.test(id) },
    { says: "have something behind the slash", keeps: (id) => id.length > 1 },
    { says: "hold no blanks", keeps: (id) => !/\s/.test(id) },
  ],
  fit: asGiven,
  comparable: (identifier, domain) => `${domain.toLowerCase()}${identifier}`,
  suffixed: (identifier, suffix) => `${identifier}-${suffix}`,
  breaks: ["Browsers take it for another app: those who installed the page keep the old one."],
};
