import type { AccountCode } from "../account-code.ts";

/** Partner Center, "Account settings" and "App identity". */
export const microsoftStoreAccounts: readonly AccountCode[] = [
  {
    name: "seller",
    says: "the number of the seller",
    asks: {
      en: "Seller ID, as Partner Center shows it",
      de: "Verkäufer-ID, wie Partner Center sie zeigt",
      fr: "Identifiant du vendeur, affiché dans l'Espace partenaires",
      es: "ID del vendedor, como lo muestra el Centro de partners",
    },
    form: { is: /^\d{4,12}$/, says: "the number of a seller: digits only" },
  },
  {
    name: "tenant",
    says: "the tenant that is linked to the account",
    asks: {
      en: "Tenant ID, as Partner Center shows it under Tenants",
      de: "Mandanten-ID, wie Partner Center sie unter „Mandanten“ zeigt",
      fr: "Identifiant du locataire, affiché dans l'Espace partenaires sous «\u00a0Locataires\u00a0»",
      es: "ID del inquilino, como lo muestra el Centro de partners en «Inquilinos»",
    },
    form: {
      is: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i,
      says: "a tenant ID, such as 69a6de70-03db-47e3-a053-5b8c7c11a4d1",
    },
  },
  {
    name: "client",
    says: "the application that may use the interface",
    asks: {
      en: "Client ID of the application added for us",
      de: "Client-ID der Anwendung, die für uns hinzugefügt wurde",
      fr: "Identifiant client de l'application ajoutée pour nous",
      es: "ID de cliente de la aplicación agregada para nosotros",
    },
    form: {
      is: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i,
      says: "a client ID, such as 69a6de70-03db-47e3-a053-5b8c7c11a4d1",
    },
  },
  {
    name: "product",
    says: "the code of the app in the store",
    asks: {
      en: "Store ID of the app: twelve letters and digits",
      de: "Store-ID der App: zwölf Buchstaben und Ziffern",
      fr: "Identifiant de l'app dans le Store\u00a0: douze lettres et chiffres",
      es: "ID de la app en la tienda: doce letras y cifras",
    },
    form: { is: /^[A-Z0-9]{12}$/, says: "a store ID: twelve letters or digits, upper case" },
    isOwn: true,
  },
];
