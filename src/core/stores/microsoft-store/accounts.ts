import type { AccountCode } from "../account-code.ts";

/** Partner Center, "Account settings" and "App identity". */
export const microsoftStoreAccounts: readonly AccountCode[] = [
  {
    name: "seller",
    says: "the number of the seller",
    form: { is: /^\d{4,12}$/, says: "the number of a seller: digits only" },
  },
  {
    name: "product",
    says: "the code of the app in the store",
    form: { is: /^[A-Z0-9]{12}$/, says: "a store ID: twelve letters or digits, upper case" },
    isOwn: true,
  },
];
