import type { InEach } from "../../../ground/values/page-language.ts";

/** What a designer would call the platform's pictures, by their role. */
export const iosTitles = {
  icon: { en: "App icon", de: "App-Icon", fr: "Icône de l'application", es: "Icono de la aplicación" },
  "icon-layer": { en: "Icon layer", de: "Icon-Ebene", fr: "Calque de l'icône", es: "Capa del icono" },
  "top-shelf": {
    en: "Television top shelf",
    de: "Kopfbild auf dem Fernseher",
    fr: "Bandeau du téléviseur",
    es: "Cabecera del televisor",
  },
  "start-full": {
    en: "Start picture, as large as the template's",
    de: "Startbild, so groß wie das der Vorlage",
    fr: "Image de démarrage, à la taille du modèle",
    es: "Imagen de inicio, del tamaño de la plantilla",
  },
  "start-mark": {
    en: "Start screen mark",
    de: "Zeichen des Startbildschirms",
    fr: "Logo de l'écran de démarrage",
    es: "Logotipo de la pantalla de inicio",
  },
} as const satisfies Readonly<Record<string, InEach>>;

export type IosRole = keyof typeof iosTitles;
