import type { InEach } from "../../../ground/values/page-language.ts";

/** What a designer would call the platform's pictures, by their role. */
export const desktopTitles = {
  "mac-icon": { en: "Mac icon", de: "Mac-Icon", fr: "Icône Mac", es: "Icono de Mac" },
  icns: { en: "Mac icon file", de: "Icon-Datei für den Mac", fr: "Fichier d'icône Mac", es: "Archivo de icono de Mac" },
  "program-icon": {
    en: "Icon of a Windows program",
    de: "Icon eines Windows-Programms",
    fr: "Icône d'un programme Windows",
    es: "Icono de un programa de Windows",
  },
  "shell-icon": {
    en: "Desktop shell's icon",
    de: "Icon der Desktop-Hülle",
    fr: "Icône de l'enveloppe de bureau",
    es: "Icono de la envoltura de escritorio",
  },
} as const satisfies Readonly<Record<string, InEach>>;

export type DesktopRole = keyof typeof desktopTitles;
