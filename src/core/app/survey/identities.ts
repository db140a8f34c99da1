import { getNodePath } from "jsonc-parser";
import { nodeSite, parseJson, stringNodes } from "../../formats/splice/formats/json.ts";
import { plistStrings } from "../../formats/splice/formats/plist.ts";
import type { Site } from "../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../ground/problems/result.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { Fill, PartSurvey } from "../template/found.ts";

/** A file that says to a system or a service which app it is for, and of which platform the identifier in it is. */
interface IdentityFile {
  says: string;
  file: RegExp;
  places: readonly { at: string; platform: Platform; team?: true }[];
}

/** Each from the documentation of the service or the platform that reads it. */
const identityFiles: readonly IdentityFile[] = [
  {
    says: "push and maps configuration for Android",
    file: /(^|\/)google-services\.json$/,
    places: [
      { at: "client.*.client_info.android_client_info.package_name", platform: "android" },
      { at: "client.*.oauth_client.*.android_info.package_name", platform: "android" },
    ],
  },
  {
    says: "push and maps configuration for iOS",
    file: /(^|\/)GoogleService-Info\.plist$/,
    places: [{ at: "BUNDLE_ID", platform: "ios" }],
  },
  {
    says: "which Android app opens a site's addresses",
    file: /(^|\/)assetlinks\.json$/,
    places: [{ at: "*.target.package_name", platform: "android" }],
  },
  {
    says: "which iOS app opens a site's addresses",
    file: /(^|\/)apple-app-site-association(\.json)?$/,
    places: [
      "applinks.details.*.appID",
      "applinks.details.*.appIDs.*",
      "webcredentials.apps.*",
      "appclips.apps.*",
      "activitycontinuation.apps.*",
    ].map((at) => ({ at, platform: "ios" as const, team: true as const })),
  },
  {
    says: "apps that go with a page",
    file: /(\.webmanifest|(^|\/)manifest\.json)$/,
    places: [
      { at: "related_applications.*.id", platform: "android" },
      { at: "related_applications.*.url", platform: "android" },
    ],
  },
];

/** The identifiers within files that a service or a platform reads, each with the platform's own. */
export function identityFills(template: Folder, parts: readonly PartSurvey[]): { platform: Platform; fill: Fill }[] {
  return template.list().flatMap((file) => {
    const kind = identityFiles.find((each) => each.file.test(file));
    if (!kind) return [];
    const texts = textsOf(template, file);
    const android = parts.find(({ platform }) => platform === "android")?.identifiers ?? [];
    const prints = fingerprintFills(texts, template, android).map((fill) => ({ platform: "android" as const, fill }));
    const named = texts.flatMap(({ path, site }) =>
      kind.places
        .filter(({ at }) => leadsTo(at, path))
        .flatMap(({ platform, team }) => {
          const own = parts.find((part) => part.platform === platform);
          const fills = (own?.identifiers ?? []).flatMap((identifier) =>
            within(template, site, identifier, `identifiers.${platform}`),
          );
          const signed = team && fills[0] ? teamBefore(template, fills[0].site) : [];
          return [...fills, ...signed].map((fill) => ({ platform, fill }));
        }),
    );
    return [...named, ...prints];
  });
}

/**
 * Fingerprints of what signs an app, in what a site says of it: all of those that a client has, in place of all of the
 * template's. They stay where it has none.
 */
function fingerprintFills(
  texts: readonly { path: readonly string[]; site: Site }[],
  template: Folder,
  identifiers: readonly string[],
): Fill[] {
  const own = texts.filter(
    ({ path, site }) => leadsTo("*.target.package_name", path) && identifiers.includes(site.value),
  );
  return own.flatMap(({ path: [statement = ""] }): Fill[] => {
    const list = texts.filter(({ path }) => leadsTo(`${statement}.target.sha256_cert_fingerprints.*`, path));
    const [first, last] = [list[0]?.site, list.at(-1)?.site];
    if (!first || !last) return [];
    // From within the first one's quotes to within the last one's.
    const [start, end] = [first.start + 1, last.end - 1];
    const value = template.source(first.file).text.slice(start, end);
    const site: Site = { file: first.file, start, end, value, form: "raw" };
    return [{ holds: "signing.fingerprints", site, shape: "entries", optional: true }];
  });
}

function textsOf(template: Folder, file: string): { path: readonly string[]; site: Site }[] {
  if (textIfAny(template.bytes(file)) === undefined) return [];
  const read = attempt(() => {
    const source = template.source(file);
    if (file.endsWith(".plist"))
      return plistStrings(file, source).map(({ path, site }) => ({ path: path.map(String), site }));
    return stringNodes(parseJson(source)).map((node) => ({
      path: getNodePath(node).map(String),
      site: nodeSite(file, node),
    }));
  });
  return orElse(read, []);
}

function leadsTo(at: string, path: readonly string[]): boolean {
  const steps = at.split(".");
  return steps.length === path.length && steps.every((step, index) => step === "*" || step === path[index]);
}

/** An identifier within a text, as a place of its own: it holds no mark that any format would escape. */
function within(template: Folder, { file, start, end }: Site, identifier: string, holds: Field): Fill[] {
  const { text } = template.source(file);
  const at = text.slice(start, end).indexOf(identifier);
  const around = `${text[start + at - 1] ?? ""}${text[start + at + identifier.length] ?? ""}`;
  if (at === -1 || /[A-Za-z0-9_-]/.test(around)) return [];
  const from = start + at;
  const site: Site = { file, start: from, end: from + identifier.length, value: identifier, form: "raw" };
  return [{ holds, site, shape: "text" }];
}

/** The team in front of an app's identifier, as in A1B2C3D4E5.example.shop; it stays where the client gives none. */
function teamBefore(template: Folder, { file, start }: Site): Fill[] {
  const team = /([A-Z0-9]{10})\.$/.exec(template.source(file).text.slice(0, start))?.[1];
  if (team === undefined) return [];
  const from = start - team.length - 1;
  const site: Site = { file, start: from, end: start - 1, value: team, form: "raw" };
  return [{ holds: "signing.team", site, shape: "text", optional: true }];
}
