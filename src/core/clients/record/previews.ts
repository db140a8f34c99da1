import { join } from "node:path";
import type { Client } from "../../agency/workspace/workspace.ts";
import { type Film, filmIn } from "../../formats/films/film.ts";
import { entriesOf } from "../../ground/files/reading/folder.ts";
import { partInside, sizeInside } from "../../ground/files/reading/part.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import type { CaptureDevice } from "../../stores/capture-row.ts";
import { type Capture, captureFolder, devices, foldersIn } from "./captures.ts";

/** A film of the running app, as it lies beside the pictures of a device and a language. */
export interface Preview {
  device: CaptureDevice;
  language: string;
  /** Relative to the workspace. */
  file: string;
  /** Of the file. */
  bytes: number;
  /** Absent where it is no film, or not all of one. */
  film?: Film;
}

/** Endings of films that are read. */
const isFilm = /\.(mp4|m4v|mov)$/i;

/** So many films of a device and a language are looked at. */
const mostLookedAt = 20;

/** Reads a client's films of the running app, in the order of their names. */
export function readPreviews(client: Client): { previews: Preview[]; problems: Problem[] } {
  const places = devices.flatMap((device) =>
    foldersIn(client, `captures/${device}`).map(
      (language): Pick<Capture, "device" | "language"> => ({
        device,
        language,
      }),
    ),
  );
  const read = places.flatMap((place) => inFolder(client, place));
  return {
    previews: read.flatMap((each) => (each.ok ? [each.value] : [])),
    problems: read.flatMap((each) => (each.ok ? [] : each.problems)),
  };
}

function inFolder(client: Client, { device, language }: Pick<Capture, "device" | "language">) {
  const folder = captureFolder(device, language);
  return entriesOf(join(client.folder, folder), folder)
    .filter(({ isFolder, name }) => !isFolder && isFilm.test(name))
    .slice(0, mostLookedAt)
    .map(({ name }) =>
      attempt((): Preview => {
        const path = `${folder}/${name}`;
        const bytes = sizeInside(client.folder, path);
        const film = filmIn(bytes, (from, length) => partInside(client.folder, path, from, length));
        return { device, language, file: `clients/${client.key}/${path}`, bytes, ...(film ? { film } : {}) };
      }),
    );
}
