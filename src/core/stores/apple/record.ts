import type { RecordRow } from "../record-row.ts";

const asOf = "2026-11-01";
const app = { source: 'App Store Connect help, "App information"', asOf };
const version = { source: 'App Store Connect help, "Platform version information"', asOf };
const pricing = { source: 'App Store Connect help, "Set a price"', asOf };

/** What an app for telephones, tablets and Macs is asked for alike, in the order in which it is asked. */
export const appleRecord: readonly RecordRow[] = [
  { field: "name", title: "Name", need: "required", least: 2, most: 30, ...app },
  { field: "subtitle", title: "Subtitle", need: "recommended", most: 30, ...app },
  { field: "sku", title: "SKU", need: "required", ...app },
  { field: "category", title: "Primary category", need: "required", ...app },
  { field: "subcategory", title: "Secondary category", need: "optional", ...app },
  { field: "privacy", title: "Privacy policy URL", need: "required", ...app },
  { field: "licence", title: "License agreement", need: "optional", ...app },
  { field: "promotional", title: "Promotional text", need: "recommended", most: 170, ...version },
  { field: "description", title: "Description", need: "required", most: 4000, ...version },
  { field: "keywords", title: "Keywords", need: "required", most: 100, sureBytes: 100, between: ",", ...version },
  { field: "support", title: "Support URL", need: "required", ...version },
  { field: "marketing", title: "Marketing URL", need: "optional", ...version },
  { field: "news", title: "What's new in this version", need: "optional", isOfUpdates: true, most: 4000, ...version },
  { field: "copyright", title: "Copyright", need: "required", ...version },
  { field: "contactName", title: "Contact: first and last name", need: "required", ...version },
  { field: "contactPhone", title: "Contact: phone number", need: "required", ...version },
  { field: "contactEmail", title: "Contact: email", need: "required", ...version },
  { field: "reviewUser", title: "Sign-in information", need: "required", feature: "sign-in", ...version },
  { field: "reviewNotes", title: "Notes", need: "optional", most: 4000, ...version },
  { field: "released", title: "Version release", need: "optional", ...version },
  { field: "price", title: "Price", need: "required", ...pricing },
  { field: "countries", title: "Availability", need: "required", ...pricing },
];
