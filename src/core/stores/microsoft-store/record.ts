import type { RecordRow } from "../record-row.ts";

const asOf = "2026-11-01";
const listing = { source: 'Partner Center, "Create app store listings"', asOf };
const properties = { source: 'Partner Center, "Enter app properties"', asOf };
const pricing = { source: 'Partner Center, "Set app pricing and availability"', asOf };

export const microsoftStoreRecord: readonly RecordRow[] = [
  { field: "price", title: "Base price", need: "required", ...pricing },
  { field: "countries", title: "Markets", need: "required", ...pricing },
  { field: "released", title: "Schedule", need: "optional", ...pricing },
  { field: "category", title: "Category", need: "required", ...properties },
  { field: "privacy", title: "Privacy policy URL", need: "required", ...properties },
  { field: "marketing", title: "Website", need: "recommended", ...properties },
  { field: "support", title: "Support contact info", need: "recommended", ...properties },
  { field: "phone", title: "Phone number", need: "optional", ...properties },
  { field: "name", title: "Product name", need: "required", most: 256, ...listing },
  { field: "description", title: "Description", need: "required", most: 10_000, ...listing },
  { field: "news", title: "What's new in this version", need: "recommended", most: 1500, ...listing },
  { field: "highlights", title: "Product features", need: "recommended", mostParts: 20, mostEach: 200, ...listing },
  { field: "short", title: "Short description", need: "recommended", most: 1000, ...listing },
  {
    field: "keywords",
    title: "Search terms",
    need: "recommended",
    mostParts: 7,
    mostEach: 30,
    mostWords: 21,
    ...listing,
  },
  { field: "copyright", title: "Copyright and trademark info", need: "recommended", most: 200, ...listing },
  { field: "licence", title: "Additional license terms", need: "optional", most: 10_000, ...listing },
  { field: "reviewNotes", title: "Notes for certification", need: "optional", most: 2000, ...listing },
  { field: "reviewUser", title: "Sign-in for testers", need: "required", feature: "sign-in", ...listing },
];
