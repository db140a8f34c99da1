import {
  deviceName,
  type Identifiers,
  segments,
  shorten,
  suffixDotted,
  withoutCase,
} from "../../template/identifiers.ts";

/** Most characters of an identity name. */
const most = 50;

/** What an app is known by (Microsoft, package manifest schema, Identity). */
export const windowsIdentifiers: Identifiers = {
  rules: [
    { says: "have 3 to 50 characters", keeps: (id) => id.length >= 3 && id.length <= most },
    { says: "have only letters, digits, full stops and hyphens", keeps: (id) => /^[A-Za-z0-9.-]+$/.test(id) },
    {
      says: "have no empty segment and not end with a full stop",
      keeps: (id) => segments(id).every(Boolean),
    },
    {
      says: "have no name of a device as a segment, and none that starts with xn--",
      keeps: (id) => !segments(id).some((each) => deviceName.test(each) || /^xn--/i.test(each)),
    },
  ],
  fit: (given) => shorten(given, most, "the most Windows takes"),
  comparable: withoutCase,
  suffixed: suffixDotted,
  breaks: ["The package is another one: it installs beside the old one, whose data it cannot read."],
};
