import type { RecordRow } from "../record-row.ts";

const asOf = "2026-11-01";
const listing = { source: 'Play Console help, "Create and set up your app"', asOf };
const content = { source: 'Play Console help, "Prepare your app for review"', asOf };
const pricing = { source: 'Play Console help, "Set up your app\'s prices"', asOf };

export const googlePlayRecord: readonly RecordRow[] = [
  { field: "name", title: "App name", need: "required", most: 30, isTitle: true, ...listing },
  { field: "short", title: "Short description", need: "required", most: 80, isTitle: true, ...listing },
  { field: "description", title: "Full description", need: "required", most: 4000, ...listing },
  { field: "kind", title: "App or game", need: "required", ...listing },
  { field: "category", title: "Category", need: "required", ...listing },
  { field: "email", title: "Email address", need: "required", ...listing },
  { field: "phone", title: "Phone number", need: "optional", ...listing },
  { field: "marketing", title: "Website", need: "recommended", ...listing },
  { field: "tags", title: "Tags", need: "optional", mostParts: 5, mostEach: 50, ...listing },
  { field: "video", title: "Video", need: "optional", ...listing },
  { field: "privacy", title: "Privacy policy", need: "required", ...content },
  { field: "deletion", title: "Delete account URL", need: "optional", ...content },
  { field: "audience", title: "Target audience", need: "required", ...content },
  { field: "reviewUser", title: "App access", need: "required", feature: "sign-in", ...content },
  { field: "price", title: "Price", need: "required", ...pricing },
  { field: "countries", title: "Countries / regions", need: "required", ...pricing },
  { field: "news", title: "Release notes", need: "recommended", most: 500, ...listing },
];
