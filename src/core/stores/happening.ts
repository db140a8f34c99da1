import type { InEach } from "../ground/values/page-language.ts";

/** What can happen to an app in a store, whoever did it: the words of its history. What is in braces is put in. */
const facts = {
  created: {
    en: "the record was created",
    de: "der Eintrag wurde angelegt",
    fr: "la fiche a été créée",
    es: "se creó la ficha",
  },
  "name-lapsed": {
    en: "the store let go of the name",
    de: "der Store hält den Namen nicht mehr",
    fr: "le nom n'est plus réservé",
    es: "el nombre ya no está reservado",
  },
  "agreement-open": {
    en: "an agreement is to be signed: {says}",
    de: "ein Vertrag ist zu unterzeichnen: {says}",
    fr: "un contrat est à signer\u00a0: {says}",
    es: "hay que firmar un contrato: {says}",
  },
  "agreement-signed": {
    en: "an agreement was signed: {says}",
    de: "ein Vertrag wurde unterzeichnet: {says}",
    fr: "un contrat a été signé\u00a0: {says}",
    es: "se firmó un contrato: {says}",
  },
  told: {
    en: "the record was told: {says}",
    de: "dem Eintrag wurde mitgeteilt: {says}",
    fr: "la fiche a été complétée\u00a0: {says}",
    es: "se completó la ficha: {says}",
  },
  "build-sent": {
    en: "build {build} was sent",
    de: "Build {build} wurde gesendet",
    fr: "le build {build} a été envoyé",
    es: "se envió la compilación {build}",
  },
  "build-ready": {
    en: "build {build} can be used",
    de: "Build {build} kann verwendet werden",
    fr: "le build {build} peut être utilisé",
    es: "la compilación {build} se puede usar",
  },
  "build-refused": {
    en: "build {build} was refused: {says}",
    de: "Build {build} wurde abgelehnt: {says}",
    fr: "le build {build} a été refusé\u00a0: {says}",
    es: "se rechazó la compilación {build}: {says}",
  },
  "build-ended": {
    en: "build {build} can no longer be tried",
    de: "Build {build} kann nicht mehr getestet werden",
    fr: "le build {build} ne peut plus être testé",
    es: "la compilación {build} ya no se puede probar",
  },
  attached: {
    en: "build {build} stands for version {version}",
    de: "Build {build} steht für Version {version}",
    fr: "le build {build} représente la version {version}",
    es: "la compilación {build} representa la versión {version}",
  },
  "testing-sent": {
    en: "build {build} was sent to be tried by people outside",
    de: "Build {build} wurde für externe Tests eingereicht",
    fr: "le build {build} a été envoyé pour les tests externes",
    es: "se envió la compilación {build} a las pruebas externas",
  },
  "testing-allowed": {
    en: "build {build} may be tried",
    de: "Build {build} darf getestet werden",
    fr: "le build {build} peut être testé",
    es: "la compilación {build} se puede probar",
  },
  "testing-refused": {
    en: "build {build} may not be tried: {says}",
    de: "Build {build} darf nicht getestet werden: {says}",
    fr: "le build {build} ne peut pas être testé\u00a0: {says}",
    es: "la compilación {build} no se puede probar: {says}",
  },
  submitted: {
    en: "version {version} was sent for review",
    de: "Version {version} wurde zur Prüfung eingereicht",
    fr: "la version {version} a été envoyée en vérification",
    es: "se envió la versión {version} a revisión",
  },
  withdrawn: {
    en: "version {version} was taken back",
    de: "Version {version} wurde zurückgezogen",
    fr: "la version {version} a été retirée",
    es: "se retiró la versión {version}",
  },
  "review-began": {
    en: "version {version} is looked at",
    de: "Version {version} wird geprüft",
    fr: "la version {version} est en cours de vérification",
    es: "la versión {version} está en revisión",
  },
  asked: {
    en: "the store asks: {says}",
    de: "der Store fragt: {says}",
    fr: "la boutique demande\u00a0: {says}",
    es: "la tienda pregunta: {says}",
  },
  refused: {
    en: "version {version} was refused: {says}",
    de: "Version {version} wurde abgelehnt: {says}",
    fr: "la version {version} a été refusée\u00a0: {says}",
    es: "se rechazó la versión {version}: {says}",
  },
  answered: {
    en: "the store was answered",
    de: "dem Store wurde geantwortet",
    fr: "une réponse a été envoyée",
    es: "se respondió a la tienda",
  },
  approved: {
    en: "version {version} was approved",
    de: "Version {version} wurde zugelassen",
    fr: "la version {version} a été approuvée",
    es: "se aprobó la versión {version}",
  },
  out: {
    en: "version {version} goes out to {share} %",
    de: "Version {version} geht an {share} %",
    fr: "la version {version} est diffusée à {share}\u00a0%",
    es: "la versión {version} llega al {share} %",
  },
  paused: {
    en: "version {version} was halted at {share} %",
    de: "Version {version} wurde bei {share} % angehalten",
    fr: "la version {version} a été arrêtée à {share}\u00a0%",
    es: "la versión {version} se detuvo en el {share} %",
  },
  live: {
    en: "version {version} is out for everybody",
    de: "Version {version} ist für alle da",
    fr: "la version {version} est disponible pour tous",
    es: "la versión {version} está disponible para todos",
  },
} as const satisfies Record<string, InEach>;

export type HappeningKind = keyof typeof facts;

const happenings: Readonly<Record<HappeningKind, InEach>> = facts;

export const happeningKinds = Object.keys(facts) as [HappeningKind, ...HappeningKind[]];

/** Something that has happened to an app in a store. */
export interface Happening {
  kind: HappeningKind;
  /** When, as the store says it (ISO 8601, UTC). */
  at: string;
  version?: string | undefined;
  build?: number | undefined;
  /** Percent of the people who have the app. */
  share?: number | undefined;
  /** In the store's words, or those of whoever noted it. */
  says?: string | undefined;
  /** The store's rule that it names, and where in the record or the app it applies. */
  rule?: string | undefined;
  where?: string | undefined;
  /** What the store calls the app: it is known by that from then on. */
  app?: string | undefined;
}

/** The same as a sentence, without its full stop. */
export const happeningSaid = (of: Happening, language: keyof InEach = "en"): string =>
  happenings[of.kind][language].replace(/\{(\w+)\}/g, (_, name: "version" | "build" | "share" | "says") =>
    String(of[name] ?? "–"),
  );
