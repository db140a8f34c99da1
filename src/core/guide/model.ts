import type { SlotFamily } from "../catalog/all.ts";
import type { PageLanguage } from "../values/page-language.ts";
import type { Need } from "./needs.ts";

export interface GuideModel {
  language: PageLanguage;
  agency: string;
  email: string | undefined;
  accent: string;
  onAccent: string;
  needs: readonly Need[];
  families: readonly SlotFamily[];
}
