import { parse } from "yaml";
import * as z from "zod";
import { happeningsOf, type KeptHappening } from "../../agency/history/happenings.ts";
import { type Trying, tryingOf } from "../../agency/history/trying.ts";
import { markOf } from "../../clients/testers/who.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { removeFile } from "../../ground/files/writing/door.ts";
import { type Change, writeTogether } from "../../ground/files/writing/together.ts";
import { daysAfter } from "../../ground/values/day.ts";
import { storeKeys } from "../../ground/values/store.ts";
import { happeningKinds } from "../../stores/happening.ts";

/** What the example has happened, in the example's own folder. */
const storyFile = "story.yaml";

const days = z.int().min(0);
const text = z.string();

const happened = z.strictObject({
  days,
  kind: z.enum(happeningKinds),
  version: text.optional(),
  build: z.int().optional(),
  share: z.number().optional(),
  says: text.optional(),
  rule: text.optional(),
  where: text.optional(),
  app: text.optional(),
});

const schema = z.strictObject({
  happened: z.record(text, z.partialRecord(z.enum(storeKeys), z.array(happened))),
  testers: text,
  tried: z.record(
    text,
    z.array(
      z.strictObject({ address: text, invited: days, version: text, came: days.optional(), build: z.int().optional() }),
    ),
  ),
});

/** Takes the example's story out of its folder, and, where it is wanted, tells it in the histories of its clients. */
export function takeStory(root: string, { today, isTold }: { today: string; isTold: boolean }): void {
  const story = schema.parse(parse(Buffer.from(readInside(root, storyFile, storyFile)).toString()));
  removeFile(root, storyFile);
  if (!isTold) return;
  const changes: Change[] = [["testers.yaml", story.testers]];
  for (const [client, stores] of Object.entries(story.happened)) {
    const all = storeKeys.flatMap((store) =>
      (stores[store] ?? []).map(({ days, ...each }, at): KeptHappening => {
        const time = `${String(8 + (at % 10)).padStart(2, "0")}:00:00.000Z`;
        return { ...each, store, id: `story-${at + 1}`, at: `${daysAfter(today, -days)}T${time}` };
      }),
    );
    changes.push(...happeningsOf.changes(root, client, all));
  }
  for (const [client, people] of Object.entries(story.tried)) {
    const all = people.map(({ address, invited, came, build, version }): [string, Trying] => [
      markOf(client, address),
      {
        ...{ invited: daysAfter(today, -invited), state: "invited", version },
        ...(came === undefined ? {} : { came: daysAfter(today, -came) }),
        ...(build === undefined ? {} : { build }),
      },
    ]);
    changes.push(...tryingOf.changes(root, client, Object.fromEntries(all)));
  }
  writeTogether(root, changes);
}
