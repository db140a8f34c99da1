import { posix } from "node:path";
import type { PackageFiles } from "../../formats/archives/files.ts";
import { htmlAttribute, htmlElements } from "../../formats/splice/formats/html.ts";
import { attempted } from "../../ground/values/attempted.ts";
import { type OpenedPackage, unsaid } from "./facts.ts";

type Said = Readonly<Record<string, unknown>>;

/** What an archive of a page says of itself; undefined where no page lies at its top, or in its one folder. */
export function readWebArchive(files: PackageFiles): OpenedPackage | undefined {
  const page = files.names
    .filter((name) => /^([^/]+\/){0,2}index\.html$/.test(name))
    .sort((a, b) => a.split("/").length - b.split("/").length)[0];
  const bytes = page === undefined ? undefined : files.read(page);
  if (page === undefined || !bytes) return undefined;
  const elements = htmlElements({ file: page, text: Buffer.from(bytes).toString() });
  const linked = (relation: string) =>
    elements.flatMap((each) =>
      each.tagName === "link" && (htmlAttribute(each, "rel") ?? "").split(" ").includes(relation)
        ? (htmlAttribute(each, "href") ?? [])
        : [],
    );
  // An address that begins with a slash begins where the page lies: it is the top of a site.
  const inside = (from: string, address: string) =>
    posix.join(posix.dirname(address.startsWith("/") ? page : from), address.replace(/[?#].*$/, ""));
  const [manifest] = linked("manifest").map((address) => inside(page, address));
  const said = manifest === undefined ? undefined : objectIn(files.read(manifest));
  const text = (key: string): string => (typeof said?.[key] === "string" ? said[key] : "");
  const named = [
    ...listOf(said?.icons).flatMap(({ src }) => (typeof src === "string" ? inside(manifest ?? page, src) : [])),
    ...[...linked("icon"), ...linked("apple-touch-icon")].map((address) => inside(page, address)),
  ];
  const title = text("name") || text("short_name");
  return {
    facts: {
      ...unsaid,
      kind: "web",
      identifier: text("id"),
      labels: title === "" ? {} : { "": title },
      schemes: listOf(said?.protocol_handlers).flatMap(({ protocol }) =>
        typeof protocol === "string" ? protocol : [],
      ),
      odd: files.odd,
      files: files.names.length,
    },
    files,
    icons: new Map(
      [...new Set(named)].flatMap((path) => {
        const picture = /\.(png|webp|jpg)$/.test(path) ? files.read(path) : undefined;
        return picture ? [[path, picture] as const] : [];
      }),
    ),
  };
}

function objectIn(bytes: Uint8Array | undefined): Said | undefined {
  const read: unknown = bytes && attempted(() => JSON.parse(Buffer.from(bytes).toString()));
  return read !== null && typeof read === "object" ? (read as Said) : undefined;
}

const listOf = (value: unknown): readonly Said[] =>
  Array.isArray(value) ? value.filter((each) => each !== null && typeof each === "object") : [];
