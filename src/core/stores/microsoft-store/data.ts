import type { DataForm } from "../data-kinds.ts";

/** Whether data is collected at all: the store asks for no more than that, and for the policy. */
export const microsoftStoreData: DataForm = {
  title: "Personal information",
  none: "No: the product does not access, collect or transmit personal information",
  byKind: false,
  any: "Yes: the product accesses, collects or transmits personal information",
  source: 'Partner Center, "Support info: privacy policy"',
  asOf: "2026-11-01",
};
