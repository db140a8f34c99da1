import type { Sharing } from "../definition.ts";

/** What a client does to share its account, and which codes it sends. */
export const shareMicrosoft: Sharing = {
  word: "shareMicrosoft",
  en: "in Partner Center, under User management, invite {email} as manager, and send us the seller ID",
  de:
    "laden Sie im Partner Center unter „Benutzerverwaltung“ {email} als Manager ein, und schicken Sie uns die " +
    "Verkäufer-ID",
  fr:
    "dans l'Espace partenaires, sous «\u00a0Gestion des utilisateurs\u00a0», invitez {email} comme " +
    "gestionnaire, et envoyez-nous l'identifiant du vendeur",
  es:
    "en el Centro de partners, en «Administración de usuarios», inviten a {email} como administrador y " +
    "envíennos el ID del vendedor",
};
