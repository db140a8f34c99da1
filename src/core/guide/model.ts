import type { SlotFamily } from "../catalog/all.ts";

export interface GuideModel {
  agency: string;
  email: string | undefined;
  accent: string;
  onAccent: string;
  families: readonly SlotFamily[];
}
