export const contentKinds = ["app", "game"] as const;

/** Who an app is for, in the words of clients. */
export const audiences = ["all", "teenagers", "adults"] as const;

/** Categories by the names that a brief has for them; each store says what it has for each. */
export const categoryNames = [
  "books",
  "business",
  "design",
  "education",
  "entertainment",
  "events",
  "family",
  "finance",
  "food",
  "health",
  "home",
  "lifestyle",
  "medical",
  "music",
  "navigation",
  "news",
  "photo",
  "productivity",
  "reference",
  "shopping",
  "social",
  "sports",
  "tools",
  "travel",
  "vehicles",
  "weather",
] as const;

export type CategoryName = (typeof categoryNames)[number];
