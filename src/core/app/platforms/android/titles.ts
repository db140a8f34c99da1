import type { InEach } from "../../../ground/values/page-language.ts";

/** What a designer would call the platform's pictures, by their role. */
export const androidTitles = {
  launcher: {
    en: "Launcher icon, older",
    de: "Launcher-Icon, älter",
    fr: "Icône du lanceur, ancienne",
    es: "Icono del lanzador, antiguo",
  },
  "launcher-round": {
    en: "Launcher icon, older, round",
    de: "Launcher-Icon, älter, rund",
    fr: "Icône du lanceur, ancienne, ronde",
    es: "Icono del lanzador, antiguo, redondo",
  },
  "adaptive-foreground": {
    en: "Adaptive icon, foreground",
    de: "Adaptives Icon, Vordergrund",
    fr: "Icône adaptative, premier plan",
    es: "Icono adaptable, primer plano",
  },
  "adaptive-background": {
    en: "Adaptive icon, background",
    de: "Adaptives Icon, Hintergrund",
    fr: "Icône adaptative, arrière-plan",
    es: "Icono adaptable, fondo",
  },
  "adaptive-monochrome": {
    en: "Adaptive icon, themed",
    de: "Adaptives Icon, einfarbig",
    fr: "Icône adaptative, monochrome",
    es: "Icono adaptable, monocromo",
  },
  notification: {
    en: "Notification icon",
    de: "Icon der Mitteilung",
    fr: "Icône de notification",
    es: "Icono de notificación",
  },
  "start-mark": {
    en: "Start screen icon",
    de: "Icon des Startbildschirms",
    fr: "Icône de l'écran de démarrage",
    es: "Icono de la pantalla de inicio",
  },
  "start-mark-plate": {
    en: "Start screen icon on a disc",
    de: "Icon des Startbildschirms auf einer Scheibe",
    fr: "Icône de l'écran de démarrage sur un disque",
    es: "Icono de la pantalla de inicio sobre un disco",
  },
  "start-branding": {
    en: "Start screen branding",
    de: "Schriftzug des Startbildschirms",
    fr: "Signature de l'écran de démarrage",
    es: "Firma de la pantalla de inicio",
  },
  "start-texture": {
    en: "Start screen texture",
    de: "Muster des Startbildschirms",
    fr: "Texture de l'écran de démarrage",
    es: "Textura de la pantalla de inicio",
  },
  "start-full-port": {
    en: "Start picture, upright",
    de: "Startbild, hochkant",
    fr: "Image de démarrage, portrait",
    es: "Imagen de inicio, vertical",
  },
  "start-full-land": {
    en: "Start picture, turned",
    de: "Startbild, quer",
    fr: "Image de démarrage, paysage",
    es: "Imagen de inicio, apaisada",
  },
  "tv-banner": { en: "TV banner", de: "TV-Banner", fr: "Bannière TV", es: "Banner de TV" },
} as const satisfies Readonly<Record<string, InEach>>;

export type AndroidRole = keyof typeof androidTitles;
