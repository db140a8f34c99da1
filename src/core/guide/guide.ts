import { families } from "../catalog/all.ts";
import { accentOf } from "../page/accent.ts";
import type { Slot } from "../slots/slot.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { guidePage } from "./page.tsx";

/** The designer's page of a workspace, in the agency's name and colour, for the platforms it uses. */
export function makeGuide(workspace: Workspace, slots: readonly Slot[]): string {
  const { agency, platforms } = workspace.agency.data;
  const used = slots.filter(({ platform }) => platforms.includes(platform));
  return guidePage({
    agency: agency.name,
    email: agency.email,
    ...accentOf(workspace),
    families: families(used),
  });
}
