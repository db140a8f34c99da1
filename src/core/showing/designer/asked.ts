import { basename } from "node:path";
import { suppliedArt } from "../../app/variant/variant.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { isError, type Problem } from "../../ground/problems/problem.ts";
import type { Hex } from "../../ground/values/color.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import { reasons } from "../letters/wording.ts";

/** A picture that has to be drawn, or drawn otherwise. */
export interface PictureAsked {
  /** The file's own name; what is wanted where there is none. */
  label: string;
  /** What is wrong with it, in the letter's language. */
  reasons: readonly string[];
  /** Whether the app cannot be made without. */
  isNeeded: boolean;
  /** The picture as it is, and the ground that it stands on. */
  art?: Art;
  ground: Hex;
}

/** What a designer is asked for, of one client. */
export interface ClientAsked {
  client: string;
  name: string;
  pictures: readonly PictureAsked[];
}

/** Everything that was found of a client's pictures, by picture; those that hold the app up first. */
export function picturesAsked({ client, values, art, problems }: ClientView, say: Say): ClientAsked {
  const supplied = suppliedArt(art);
  const asked = new Map<string, PictureAsked>();
  for (const each of problems.filter(isOfPictures)) {
    const word = reasons[each.code];
    const at = each.about?.join(".");
    const own = supplied.find(({ at: path, picture }) => path.join(".") === at || picture.file === each.facts?.file);
    const file = own?.picture.file ?? each.facts?.file;
    const label = file === undefined ? say(each.code === "art-missing" ? "artwork" : "mark") : basename(String(file));
    const known = asked.get(label);
    const reason = word === undefined ? [] : [say(word, each.facts)];
    const isDark = own?.at.includes("dark") ?? false;
    asked.set(label, {
      label,
      reasons: [...new Set([...(known?.reasons ?? []), ...reason])],
      isNeeded: known?.isNeeded === true || isError(each),
      ground: (values[isDark ? "colors.startDark" : "colors.ground"]?.value ?? "#ffffff") as Hex,
      ...(own ? { art: own.picture } : {}),
    });
  }
  return {
    client: client.key,
    name: values["app.name"]?.value ?? client.key,
    pictures: [...asked.values()].sort((a, b) => Number(b.isNeeded) - Number(a.isNeeded)),
  };
}

/** What concerns a picture, whoever acts on it, and is more than a note. */
const isOfPictures = ({ code, severity, about }: Problem): boolean =>
  (severity !== "note" && (code === "name-unlettered" || (about?.[0] === "art" && reasons[code] !== undefined))) ||
  code === "art-missing";
