import type { SlotFamily } from "../catalog/all.ts";
import type { Need } from "./needs.ts";

export interface GuideModel {
  agency: string;
  email: string | undefined;
  accent: string;
  onAccent: string;
  needs: readonly Need[];
  families: readonly SlotFamily[];
}
