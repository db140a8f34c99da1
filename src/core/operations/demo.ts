import { resolve } from "node:path";
import { isEmptyOrNone } from "../ground/files/reading/folder.ts";
import { copyFolder, makeRoot } from "../ground/files/writing/door.ts";
import { unwritten } from "../ground/files/writing/writer.ts";
import { problem } from "../ground/problems/problem.ts";
import { orStop, refuse } from "../ground/problems/result.ts";
import { operation } from "./running/operation.ts";
import { takeStory } from "./running/story.ts";

/** What a published package leaves out, since registries read it themselves. */
const ignored = { file: ".gitignore", text: "variants/\nbuilds/\nletters/\n.oxalis/\n" };

/**
 * Writes the example into a new folder. @param input.from where it lies; @param input.folder where it goes; @param
 * input.story tells what has happened to it in stores too
 */
export const writeDemo = operation(
  async (input: { from: string; folder: string; story: boolean }, ports): Promise<{ folder: string }> => {
    const folder = resolve(ports.folder, input.folder);
    if (!isEmptyOrNone(folder)) refuse("folder-in-use", `${folder} is there and not empty.`);
    orStop(
      () => makeRoot(folder),
      ({ message }) => problem("write-failed", `${folder} could not be made: ${message}.`),
    );
    orStop(() => copyFolder(input.from, folder, ignored), unwritten(folder));
    takeStory(folder, { today: ports.today(), isTold: input.story });
    return { folder };
  },
);
