/** What a designer would call the platform's pictures, by their role. */
export const iosTitles = {
  icon: "App icon",
  "start-full": "Start picture, as large as the template's",
  "start-mark": "Start screen mark",
} as const;

export type IosRole = keyof typeof iosTitles;
