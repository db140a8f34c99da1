import { families } from "../catalog/all.ts";
import type { Slot } from "../catalog/slot.ts";
import { parseColor, readableOn } from "../values/color.ts";
import type { Workspace } from "../workspace/read.ts";
import { guidePage } from "./page.tsx";

/** The designer's page of a workspace, in the agency's name and colour, for the platforms it uses. */
export function makeGuide({ agency }: Workspace, slots: readonly Slot[]): string {
  const { name, email, color } = agency.data.agency;
  const parsed = parseColor(color ?? "#3d4b63");
  const accent = typeof parsed === "string" ? parsed : "#3d4b63";
  const used = slots.filter(({ platform }) => agency.data.platforms.includes(platform));
  return guidePage({ agency: name, email, accent, onAccent: readableOn(accent), families: families(used) });
}
