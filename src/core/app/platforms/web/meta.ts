import type { Field } from "../../../ground/values/fields.ts";

/**
 * Meta elements of a page's head that hold one of the app's values, by name or property (WHATWG, HTML standard; Open
 * Graph protocol).
 */
export const metaFields: Readonly<Record<string, { holds: Field; shape?: "color" }>> = {
  "application-name": { holds: "app.name" },
  "apple-mobile-web-app-title": { holds: "app.label" },
  author: { holds: "owner" },
  "og:title": { holds: "app.name" },
  "og:site_name": { holds: "app.name" },
  "twitter:title": { holds: "app.name" },
  "theme-color": { holds: "colors.brand", shape: "color" },
  "msapplication-TileColor": { holds: "colors.ground", shape: "color" },
};

/** Meta elements that hold an address of the app's own page or pictures. */
export const addressMetas = new Set(["og:url", "og:image", "og:image:url", "twitter:image", "twitter:url"]);
