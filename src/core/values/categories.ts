import type { StoreKey } from "./store.ts";

export const contentKinds = ["app", "game"] as const;

/** Who an app is for. */
export const audiences = ["all", "teenagers", "adults"] as const;

/** A category as a brief names it, and what each store has for it. */
export interface Category {
  name: string;
  /** By the store's key; absent where a store has none that fits. */
  stores: Readonly<Partial<Record<StoreKey, string>>>;
}

const category = (name: string, play?: string, apple?: string, microsoft?: string): Category => ({
  name,
  stores: {
    ...(play ? { "google-play": play } : {}),
    ...(apple ? { "app-store": apple, "mac-app-store": apple } : {}),
    ...(microsoft ? { "microsoft-store": microsoft } : {}),
  },
});

/**
 * Categories that stores file apps under (Play Console help, "Choose a category and tags"; App Store Connect help,
 * "App category"; Partner Center, "Category and subcategory").
 */
export const categories: readonly Category[] = [
  category("books", "Books & Reference", "Books", "Books + reference"),
  category("business", "Business", "Business", "Business"),
  category("design", "Art & Design", "Graphics & Design", "Multimedia design"),
  category("education", "Education", "Education", "Education"),
  category("entertainment", "Entertainment", "Entertainment", "Entertainment"),
  category("events", "Events", "Entertainment", "Lifestyle"),
  category("family", "Parenting", "Lifestyle", "Kids + family"),
  category("finance", "Finance", "Finance", "Personal finance"),
  category("food", "Food & Drink", "Food & Drink", "Food + dining"),
  category("health", "Health & Fitness", "Health & Fitness", "Health + fitness"),
  category("home", "House & Home", "Lifestyle", "Lifestyle"),
  category("lifestyle", "Lifestyle", "Lifestyle", "Lifestyle"),
  category("medical", "Medical", "Medical", "Medical"),
  category("music", "Music & Audio", "Music", "Music"),
  category("navigation", "Maps & Navigation", "Navigation", "Navigation + maps"),
  category("news", "News & Magazines", "News", "News + weather"),
  category("photo", "Photography", "Photo & Video", "Photo + video"),
  category("productivity", "Productivity", "Productivity", "Productivity"),
  category("reference", "Books & Reference", "Reference", "Books + reference"),
  category("shopping", "Shopping", "Shopping", "Shopping"),
  category("social", "Social", "Social Networking", "Social"),
  category("sports", "Sports", "Sports", "Sports"),
  category("tools", "Tools", "Utilities", "Utilities + tools"),
  category("travel", "Travel & Local", "Travel", "Travel"),
  category("vehicles", "Auto & Vehicles", undefined, undefined),
  category("weather", "Weather", "Weather", "News + weather"),
];

export const categoryNames: readonly string[] = categories.map(({ name }) => name);
