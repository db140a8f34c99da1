/** Whether an entry is in no menu: its name is a part's of a program (freedesktop.org, Desktop Entry Specification). */
export const isHiddenEntry = (text: string): boolean => /^(NoDisplay|Hidden)=true|^OnlyShowIn=X-/m.test(text);

/** Whether software centres show a program by a file, and no addition, font or driver (freedesktop.org, AppStream). */
export const isAboutProgram = (text: string): boolean =>
  !/<component\b[^<>]*\btype\s*=\s*["'](?!(desktop|console|web)(-application)?["'])/.test(text);
