export const contentKinds = ["app", "game"] as const;

/** Who an app is for, in the words of clients. */
export const audiences = ["all", "teenagers", "adults"] as const;

/** Categories of apps by the names that a brief has for them; each store says what it has for each. */
const ofApps = [
  "beauty",
  "books",
  "business",
  "comics",
  "communication",
  "dating",
  "design",
  "developer",
  "education",
  "entertainment",
  "events",
  "family",
  "finance",
  "food",
  "government",
  "health",
  "home",
  "kids",
  "lifestyle",
  "magazines",
  "medical",
  "music",
  "navigation",
  "news",
  "parenting",
  "personalization",
  "photo",
  "productivity",
  "reference",
  "security",
  "shopping",
  "social",
  "sports",
  "tools",
  "travel",
  "vehicles",
  "video",
  "weather",
] as const;

/** Kinds of games. */
const ofGames = [
  "game-action",
  "game-adventure",
  "game-arcade",
  "game-board",
  "game-card",
  "game-casino",
  "game-casual",
  "game-educational",
  "game-music",
  "game-puzzle",
  "game-racing",
  "game-role-playing",
  "game-simulation",
  "game-sports",
  "game-strategy",
  "game-trivia",
  "game-word",
] as const;

export const categoryNames = [...ofApps, ...ofGames] as const;

export type CategoryName = (typeof categoryNames)[number];

/** Whether it is a kind of games. */
export const isOfGames = (category: string): boolean => category.startsWith("game-");
