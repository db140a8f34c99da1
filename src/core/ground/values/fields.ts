import { colorFacts } from "./brand-colors.ts";
import type { FieldFact } from "./known-of-field.ts";
import type { Platform } from "./platform.ts";

/** The identifier of each platform. */
const identifierFacts = {
  "identifiers.android": {
    says: "Application ID",
    brief: ["identifiers", "android"],
    pattern: "{identifiers.base}",
  },
  "identifiers.ios": {
    says: "Bundle identifier",
    brief: ["identifiers", "ios"],
    pattern: "{identifiers.base}",
  },
  "identifiers.desktop": {
    says: "Identifier for desktops",
    brief: ["identifiers", "desktop"],
    pattern: "{identifiers.base}",
  },
  "identifiers.windows": {
    says: "Package identity name",
    brief: ["identifiers", "windows"],
    pattern: "{identifiers.base}",
  },
  "identifiers.web": {
    says: "Web manifest id",
    brief: ["identifiers", "web"],
    pattern: "/{app.name hyphenated}",
  },
} satisfies Readonly<Record<`identifiers.${Platform}`, FieldFact>>;

const facts = {
  key: { says: "The client's key: the name of its folder" },
  "app.name": { says: "Long name, as in the stores", brief: ["app", "name"], required: true },
  "app.label": {
    says: "Short name, under the icon",
    brief: ["app", "label"],
    pattern: "{app.name}",
  },
  owner: { says: "Who owns the app", brief: ["owner"], pattern: "{app.name}" },
  domain: { says: "Web domain", brief: ["domain"], required: true },
  email: { says: "Contact e-mail", brief: ["email"] },
  locale: { says: "Language of the app's name and texts", brief: ["locale"], pattern: "en" },
  year: { says: "Year of the copyright line" },
  version: { says: "Version that people see", brief: ["version"], pattern: "1.0.0" },
  build: { says: "Build number, rises with every upload", brief: ["build"], pattern: "1" },
  copyright: { says: "Copyright line", pattern: "{year} {owner}" },
  sku: { says: "Stock code", pattern: "{key upper}" },
  orientation: { says: "How the app may be turned; portrait, landscape or any", brief: ["orientation"] },
  devices: { says: "Device classes; phone, tablet or both", brief: ["devices"] },
  "identifiers.base": {
    says: "Identifier that all platforms start from",
    brief: ["identifiers", "base"],
    pattern: "{domain reversed}.{app.name joined}",
  },
  ...identifierFacts,
  scheme: {
    says: "Scheme of addresses that open the app",
    brief: ["scheme"],
    pattern: "{identifiers.base}",
  },
  "signing.team": {
    says: "Apple team that signs the app",
    brief: ["signing", "team"],
    form: { matches: /^[A-Z0-9]{10}$/, expected: "an Apple team ID: ten letters or digits, upper case" },
  },
  "signing.profile": {
    says: "Name of the app's provisioning profile",
    brief: ["signing", "profile"],
    form: { most: 200 },
  },
  "signing.appFingerprint": {
    says: "SHA-256 of the certificate that the store signs the Android app with, as the store shows it",
    brief: ["signing", "appFingerprint"],
    form: {
      matches: /^(?:[0-9A-F]{2}:){31}[0-9A-F]{2}$/,
      expected: "a SHA-256 fingerprint: 32 pairs of hexadecimal digits with colons",
      inCapitals: true,
    },
  },
  "signing.fingerprints": { says: "SHA-256 of all that signs the Android app: the store's, and the client's own" },
  "signing.thumbprint": { says: "SHA-1 of the certificate that signs packages for Windows, as projects name it" },
  "signing.pushKey": { says: "Public half of the key pair that pushes messages to the web page (VAPID)" },
  "windows.publisher": {
    says: "Publisher, equal to the certificate's subject",
    brief: ["windows", "publisher"],
    form: { most: 300 },
    pattern: "CN={owner distinguished}",
  },
  "windows.publisherName": {
    says: "Publisher's name, as the store shows it",
    brief: ["windows", "publisherName"],
    form: { most: 256 },
    pattern: "{owner}",
  },
  "windows.phoneId": {
    says: "Product ID of the package on telephones, a GUID",
    brief: ["windows", "phoneId"],
    form: { guidSuchAs: "69a6de70-03db-47e3-a053-5b8c7c11a4d1" },
    pattern: "{identifiers.windows guid}",
  },
  "windows.version": {
    says: "Package version, four numbers; the third rises with every build, the last is the store's",
    pattern: "{version parts 2}.{build}.0",
  },
  "desktop.installerId": {
    says: "What a Windows installer knows the app by, a GUID: of two apps with one, each removes the other",
    pattern: "{identifiers.desktop guid}",
  },
  "desktop.maintainer": {
    says: "Who keeps a package for Linux, with an address",
    pattern: "{owner} <{email}>",
  },
  "web.addInId": {
    says: "What an add-in of an office program is known by, a GUID",
    pattern: "{identifiers.base guid}",
  },
  "apple.encryption": {
    says: "Whether the app uses encryption that needs papers for export: true or false",
    isOptional: true,
  },
  "apple.category": { says: "Category that a Mac shows the app by, as the system calls it", isOptional: true },
  ...colorFacts,
} satisfies Record<string, FieldFact>;

export type Field = keyof typeof facts;

/** Every field of a variant, in the order in which they are worked out: a pattern may use those above it. */
export const fields: Readonly<Record<Field, FieldFact>> = facts;

export const fieldNames = Object.keys(facts) as Field[];

/** The field that stands for another on dark screens; the same where there is none. */
export const darkOf = (field: Field): Field =>
  Object.hasOwn(facts, `${field}Dark`) ? (`${field}Dark` as Field) : field;

/**
 * What a template's own colours can stand for, by the name that follows `colors.`; each with its form for dark
 * screens.
 */
export const colorRoles = fieldNames.flatMap((name) =>
  fields[name].color && darkOf(name) !== name ? [name.slice("colors.".length)] : [],
) as [string, ...string[]];

/** Fields that are made by a pattern, and so may be given another one. */
export const patternFields = fieldNames.filter((name) => fields[name].pattern !== undefined) as [Field, ...Field[]];
