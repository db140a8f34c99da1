import { allSlots } from "../app/catalog/all.ts";
import { expectedAmong } from "../ground/problems/nearest.ts";
import { refuse } from "../ground/problems/result.ts";
import type { PageLanguage } from "../ground/values/page-language.ts";
import type { Platform } from "../ground/values/platform.ts";
import type { Slot } from "../pictures/slots/slot.ts";
import { makeGuide } from "../showing/guide/guide.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface WantedPicture {
  platform?: Platform | undefined;
  /** In whatever case. */
  role?: string | undefined;
}

/** Every picture that platforms and stores want, or those of one platform or role. */
export const listPictures = operation(async (wanted: WantedPicture): Promise<Slot[]> => picturesOf(wanted));

function picturesOf({ platform, role }: WantedPicture): Slot[] {
  const roles = [...new Set(allSlots.map((slot) => slot.role))];
  const isRole = (each: string) => role === undefined || each.toLowerCase() === role.toLowerCase();
  if (role !== undefined && !roles.some(isRole))
    refuse("role-unknown", `No picture is of the role "${role}".`, {
      expected: expectedAmong(role, roles, "a role that oxalis art lists"),
    });
  return allSlots.filter((slot) => (platform ?? slot.platform) === slot.platform && isRole(slot.role));
}

interface WrittenGuide {
  file: string;
  bytes: number;
  pictures: number;
}

/** Writes the page for a client's designer. */
export const writeGuide = operation(
  async (
    { file: named, ...input }: At & WantedPicture & { file: string; language?: PageLanguage | undefined },
    ports,
  ): Promise<WrittenGuide> => {
    const pictures = picturesOf(input);
    const workspace = await openWorkspace(input, ports);
    const html = makeGuide(workspace, pictures, input.language);
    const file = writeOutput(workspace.root, ports, { named }, html);
    return { file, bytes: Buffer.byteLength(html), pictures: pictures.length };
  },
);
