/** How an app may be turned. */
export const orientations = ["portrait", "landscape", "any"] as const;

/** What an app is for. */
export const deviceClasses = ["phone", "tablet", "both"] as const;
