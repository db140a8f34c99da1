import type { Workspace } from "../../agency/workspace/workspace.ts";
import { type Hex, parseColor, readableOn } from "../../ground/values/color.ts";

/** The agency's colour and what can be read on it; a slate blue where it names none. */
export function accentOf({ agency }: Workspace): { accent: Hex; onAccent: Hex } {
  const parsed = parseColor(agency.data.agency.color ?? "#3d4b63");
  const accent: Hex = parsed.ok ? parsed.value : "#3d4b63";
  return { accent, onAccent: readableOn(accent) };
}
