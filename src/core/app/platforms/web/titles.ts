import type { InEach } from "../../../ground/values/page-language.ts";

/** What a designer would call the platform's pictures, by their role. */
export const webTitles = {
  any: { en: "Installed icon", de: "Installiertes Icon", fr: "Icône installée", es: "Icono instalado" },
  maskable: {
    en: "Installed icon, maskable",
    de: "Installiertes Icon, maskierbar",
    fr: "Icône installée, masquable",
    es: "Icono instalado, enmascarable",
  },
  monochrome: {
    en: "Installed icon, themed",
    de: "Installiertes Icon, einfarbig",
    fr: "Icône installée, monochrome",
    es: "Icono instalado, monocromo",
  },
  touch: {
    en: "Home screen icon",
    de: "Icon auf dem Startbildschirm",
    fr: "Icône de l'écran d'accueil",
    es: "Icono de la pantalla de inicio",
  },
  social: { en: "Social picture", de: "Vorschaubild", fr: "Image de partage", es: "Imagen para compartir" },
  favicon: { en: "Tab icon", de: "Icon im Tab", fr: "Icône de l'onglet", es: "Icono de la pestaña" },
  "start-portrait": {
    en: "Start picture, upright",
    de: "Startbild, hochkant",
    fr: "Image de démarrage, portrait",
    es: "Imagen de inicio, vertical",
  },
  "start-landscape": {
    en: "Start picture, turned",
    de: "Startbild, quer",
    fr: "Image de démarrage, paysage",
    es: "Imagen de inicio, apaisada",
  },
} as const satisfies Readonly<Record<string, InEach>>;

export type WebRole = keyof typeof webTitles;
