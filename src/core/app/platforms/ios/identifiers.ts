import { asGiven, type Identifiers, segments, suffixDotted, withoutCase } from "../../template/identifiers.ts";

/** What an app is known by (Apple, CFBundleIdentifier). */
export const iosIdentifiers: Identifiers = {
  rules: [
    { says: "have only letters, digits, hyphens and full stops", keeps: (id) => /^[A-Za-z0-9.-]+$/.test(id) },
    { says: "have no empty segment", keeps: (id) => segments(id).every(Boolean) },
    { says: "have at most 155 characters", keeps: (id) => id.length <= 155 },
  ],
  fit: asGiven,
  comparable: withoutCase,
  suffixed: suffixDotted,
  breaks: [
    "The store takes it for another app: a new record, no ratings, no updates for those who have the old one.",
    "Profiles, push certificates, app groups and the keychain's entries are bound to the old bundle identifier.",
  ],
};
