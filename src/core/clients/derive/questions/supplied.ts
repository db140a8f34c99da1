import { resolve } from "node:path";
import type { Path } from "../../../agency/documents/document.ts";
import { layerField } from "../../../agency/workspace/layers.ts";
import { outside } from "../../../agency/workspace/read.ts";
import type { Client, Workspace } from "../../../agency/workspace/workspace.ts";
import type { Supplied } from "../../../app/variant/variant.ts";
import { readInside } from "../../../ground/files/reading/folder.ts";
import { isInside } from "../../../ground/files/reading/listing.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { attempt, fail, type Result, stop, succeed } from "../../../ground/problems/result.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { sha256 } from "../../../ground/values/hash.ts";
import type { Place } from "../../../ground/values/source.ts";
import type { Answering, ClientFiles } from "./answering.ts";

interface Supply {
  kind: "file" | "picture";
  form?: string | undefined;
  /** Where the brief names it. */
  at: Path;
  /** Path within the variant; a picture's ending is added where there is none. */
  to: string;
}

/** Formats of pictures that an app can show, by their first bytes. */
const pictureKinds: readonly { ending: RegExp; starts: (bytes: Uint8Array) => boolean }[] = [
  { ending: /\.png$/i, starts: (bytes) => latin(bytes, 1, 4) === "PNG" },
  { ending: /\.jpe?g$/i, starts: (bytes) => bytes[0] === 0xff && bytes[1] === 0xd8 },
  { ending: /\.webp$/i, starts: (bytes) => latin(bytes, 8, 12) === "WEBP" },
];

const latin = (bytes: Uint8Array, from: number, to: number): string =>
  Buffer.from(bytes.subarray(from, to)).toString("latin1");

/** Reads every file that a client's answers and content name. */
export function readClientFiles(workspace: Workspace, client: Client): ClientFiles {
  const { questions, collections } = workspace.notes.data;
  const isFile = (kind: string) => kind === "file" || kind === "picture";
  const answers = Object.entries(questions).flatMap(([name, { kind }]) =>
    isFile(kind) ? (layerField(workspace, client, ["answers", name])?.value ?? []) : [],
  );
  const items = Object.entries(collections).flatMap(([name, { fields }]) =>
    (client.brief?.data.content?.[name] ?? []).flatMap((item) =>
      Object.entries(fields).flatMap(([key, { kind }]) =>
        isFile(kind) && item[key] !== undefined ? String(item[key]).normalize("NFC") : [],
      ),
    ),
  );
  return new Map(
    [...new Set([...answers, ...items])].map((named) => [named, attempt(() => readNamed(workspace, client, named))]),
  );
}

function readNamed({ root }: Workspace, { key, folder }: Client, named: string): Uint8Array {
  if (!isInside(folder, resolve(folder, named))) stop([outside(key, named)]);
  const from = fromWorkspace(key, named);
  return readInside(root, from, from);
}

const fromWorkspace = (key: string, named: string): string => `clients/${key}/${named}`;

/** A file that a brief names for the app itself, looked into as far as its form goes. */
export function suppliedFile({ client, values, files }: Answering, named: string, wanted: Supply): Result<Supplied> {
  const { kind, form, at, to } = wanted;
  const place = client.brief?.document.placeOf([...at]) as Place;
  const from = fromWorkspace(client.key, named);
  const read = files.get(named) ?? fail();
  if (!read.ok) return fail(...read.problems.map(({ code, message }) => problem(code, message, { place })));
  const bytes = read.value;
  const invalid = (message: string, expected: string) =>
    fail(problem("answer-invalid", message, { place, expected, about: at.map(String) }));
  if (kind === "picture") {
    const known = pictureKinds.find(({ ending }) => ending.test(named));
    if (!known?.starts(bytes)) return invalid(`${from} is not the picture that its name says.`, "PNG, JPEG or WebP");
  }
  const own = forms[form ?? ""];
  const wantedId = own && (values[own.field]?.value ?? "");
  const found = own?.identifiers(Buffer.from(bytes).toString("utf8")) ?? [];
  if (own && wantedId !== undefined && !found.includes(wantedId))
    return invalid(
      found.length > 0
        ? `${from} is for ${found.join(", ")}, not for this client.`
        : `${from} does not say which app it is for.`,
      `${own.says} "${wantedId}"`,
    );
  return succeed({ to, from, hash: sha256(bytes), picture: kind === "picture" });
}

/**
 * Configurations that are for one app alone: the identifiers they say, and which of the client's must be among them.
 */
const forms: Readonly<Record<string, { field: Field; says: string; identifiers: (text: string) => string[] }>> = {
  "push-android": {
    field: "identifiers.android",
    says: "a package name",
    identifiers: (text) => [...text.matchAll(/"package_name"\s*:\s*"([^"]*)"/g)].flatMap((match) => match[1] ?? []),
  },
  "push-ios": {
    field: "identifiers.ios",
    says: "a BUNDLE_ID",
    identifiers: (text) =>
      [...text.matchAll(/<key>BUNDLE_ID<\/key>\s*<string>([^<]*)<\/string>/g)].flatMap((match) => match[1] ?? []),
  },
};
