import type { AccountCode } from "../account-code.ts";

/** App Store Connect API, "Creating API keys"; a UUID in any case (RFC 9562). */
export const appleAccounts: readonly AccountCode[] = [
  {
    name: "issuer",
    says: "the issuer of keys for interfaces",
    asks: {
      en: "Issuer ID, as App Store Connect shows it under Integrations",
      de: "Issuer-ID, wie App Store Connect sie unter „Integrationen“ zeigt",
      fr: "Identifiant de l'émetteur (Issuer ID), affiché dans App Store Connect sous «\u00a0Intégrations\u00a0»",
      es: "ID del emisor (Issuer ID), como lo muestra App Store Connect en «Integraciones»",
    },
    form: {
      is: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i,
      says: "an issuer ID, such as 69a6de70-03db-47e3-a053-5b8c7c11a4d1",
    },
  },
  {
    name: "key",
    says: "the key for interfaces",
    asks: {
      en: "Key ID: ten letters and digits",
      de: "Schlüssel-ID: zehn Buchstaben und Ziffern",
      fr: "Identifiant de la clé\u00a0: dix lettres et chiffres",
      es: "ID de la clave: diez letras y cifras",
    },
    form: { is: /^[A-Z0-9]{10}$/, says: "a key ID: ten letters or digits, upper case" },
  },
  {
    name: "app",
    says: "the number of the app's record",
    asks: {
      en: "Number of the app in App Store Connect",
      de: "Nummer der App in App Store Connect",
      fr: "Numéro de l'app dans App Store Connect",
      es: "Número de la app en App Store Connect",
    },
    form: { is: /^\d{6,12}$/, says: "the number of an app's record: digits only" },
    isOwn: true,
  },
];
