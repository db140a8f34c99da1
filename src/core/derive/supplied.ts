import { readInside } from "../files/folder.ts";
import { sha256 } from "../files/hash.ts";
import type { Place } from "../files/source.ts";
import { problem, Refusal, refuse } from "../problems/problem.ts";
import type { Field } from "../values/fields.ts";
import type { Path } from "../workspace/document.ts";
import { clientFile } from "../workspace/read.ts";
import type { Asked } from "./answers.ts";
import type { Supplied } from "./variant.ts";

interface Wanted {
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

/** A file that a brief names for the app itself, looked into as far as its form goes. Throws a Refusal. */
export function suppliedFile({ workspace, client, values }: Asked, named: string, wanted: Wanted): Supplied {
  const { kind, form, at, to } = wanted;
  const place = client.brief?.document.placeOf([...at]) as Place;
  clientFile(client, named, place);
  const from = `clients/${client.key}/${named}`;
  const bytes = read(workspace.root, from, place);
  if (kind === "picture") {
    const known = pictureKinds.find(({ ending }) => ending.test(named));
    if (!known?.starts(bytes))
      refuse("answer-invalid", `${from} is not the picture that its name says.`, {
        place,
        expected: "PNG, JPEG or WebP",
      });
  }
  const own = forms[form ?? ""];
  if (own) {
    const wantedId = values[own.field]?.value ?? "";
    const found = own.identifiers(Buffer.from(bytes).toString("utf8"));
    if (!found.includes(wantedId)) {
      const message =
        found.length > 0
          ? `${from} is for ${found.join(", ")}, not for this client.`
          : `${from} does not say which app it is for.`;
      refuse("answer-invalid", message, { place, expected: `${own.says} "${wantedId}"` });
    }
  }
  return { to, from, hash: sha256(bytes), picture: kind === "picture" };
}

function read(root: string, from: string, place: Place): Uint8Array {
  try {
    return readInside(root, from, from);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    throw new Refusal(error.problems.map((each) => problem(each.code, each.message, { place })));
  }
}

/** Configurations that are for one app alone: the identifiers they say, and which of the client's must be among them. */
const forms: Readonly<
  Record<string, { field: Field; says: string; identifiers: (text: string) => string[] }>
> = {
  "push-android": {
    field: "identifiers.android",
    says: "a package name",
    identifiers: (text) =>
      [...text.matchAll(/"package_name"\s*:\s*"([^"]*)"/g)].flatMap((match) => match[1] ?? []),
  },
  "push-ios": {
    field: "identifiers.ios",
    says: "a BUNDLE_ID",
    identifiers: (text) =>
      [...text.matchAll(/<key>BUNDLE_ID<\/key>\s*<string>([^<]*)<\/string>/g)].flatMap(
        (match) => match[1] ?? [],
      ),
  },
};
