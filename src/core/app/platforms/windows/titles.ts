import type { InEach } from "../../../ground/values/page-language.ts";

/** What a designer would call the platform's pictures, by their role. */
export const windowsTitles = {
  "program-icon": {
    en: "Icon of the program",
    de: "Icon des Programms",
    fr: "Icône du programme",
    es: "Icono del programa",
  },
  Square44x44Logo: { en: "App icon", de: "App-Icon", fr: "Icône de l'application", es: "Icono de la aplicación" },
  Square71x71Logo: { en: "Small tile", de: "Kleine Kachel", fr: "Petite vignette", es: "Mosaico pequeño" },
  Square150x150Logo: { en: "Medium tile", de: "Mittlere Kachel", fr: "Vignette moyenne", es: "Mosaico mediano" },
  Square310x310Logo: { en: "Large tile", de: "Große Kachel", fr: "Grande vignette", es: "Mosaico grande" },
  Wide310x150Logo: { en: "Wide tile", de: "Breite Kachel", fr: "Vignette large", es: "Mosaico ancho" },
  Logo: { en: "Store logo", de: "Store-Logo", fr: "Logo de boutique", es: "Logotipo de tienda" },
  SplashScreen: { en: "Start picture", de: "Startbild", fr: "Image de démarrage", es: "Imagen de inicio" },
  BadgeLogo: {
    en: "Lock screen badge",
    de: "Zeichen auf dem Sperrbildschirm",
    fr: "Badge de l'écran de verrouillage",
    es: "Distintivo de la pantalla de bloqueo",
  },
  Square30x30Logo: {
    en: "App icon, earlier",
    de: "App-Icon, früher",
    fr: "Icône de l'application, ancienne",
    es: "Icono de la aplicación, anterior",
  },
  Square70x70Logo: {
    en: "Small tile, earlier",
    de: "Kleine Kachel, früher",
    fr: "Petite vignette, ancienne",
    es: "Mosaico pequeño, anterior",
  },
} as const satisfies Readonly<Record<string, InEach>>;

export type WindowsRole = keyof typeof windowsTitles;
