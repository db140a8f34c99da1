import { asGiven, type Identifiers, suffixDotted, withoutCase } from "../../template/identifiers.ts";

/** What an app is known by (Apple, CFBundleIdentifier; GTK, GApplication ID). */
export const desktopIdentifiers: Identifiers = {
  rules: [
    { says: "have only letters, digits, hyphens and full stops", keeps: (id) => /^[A-Za-z0-9.-]+$/.test(id) },
    { says: "have two segments or more, none empty", keeps: (id) => /^[^.]+(\.[^.]+)+$/.test(id) },
    { says: "have at most 155 characters", keeps: (id) => id.length <= 155 },
  ],
  fit: asGiven,
  comparable: withoutCase,
  suffixed: suffixDotted,
  breaks: [
    "Systems take it for another app: it installs beside the old one, which gets no more updates.",
    "Its settings, the keychain's entries and permissions are bound to the old identifier.",
  ],
};
