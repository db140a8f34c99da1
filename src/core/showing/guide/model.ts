import type { SlotFamily } from "../../app/catalog/all.ts";
import type { PageLanguage } from "../../ground/values/page-language.ts";
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
