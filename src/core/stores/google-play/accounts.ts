import type { AccountCode } from "../account-code.ts";

/** Play Console, "Developer account". */
export const googlePlayAccounts: readonly AccountCode[] = [
  {
    name: "developer",
    says: "the number of the developer account",
    asks: {
      en: "Developer account ID, as Play Console shows it: 10 to 20 digits",
      de: "ID des Entwicklerkontos, wie die Play Console sie zeigt: 10 bis 20 Ziffern",
      fr: "Identifiant du compte de développeur, affiché dans la Play Console\u00a0: 10 à 20 chiffres",
      es: "ID de la cuenta de desarrollador, como lo muestra Play Console: de 10 a 20 cifras",
    },
    form: { is: /^\d{10,20}$/, says: "the number of a developer account: 10 to 20 digits" },
  },
];
