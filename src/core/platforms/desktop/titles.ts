/** What a designer would call the platform's pictures, by their role. */
export const desktopTitles = {
  "mac-icon": "Mac icon",
  icns: "Mac icon file",
  "program-icon": "Icon of a Windows program",
  "shell-icon": "Desktop shell's icon",
} as const;

export type DesktopRole = keyof typeof desktopTitles;
