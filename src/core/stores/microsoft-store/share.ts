import type { Sharing } from "../definition.ts";

/** What a client does to share its account, and which codes it sends. */
export const shareMicrosoft: Sharing = {
  word: "shareMicrosoft",
  en:
    "in Partner Center, link a tenant of Microsoft Entra to the account first, under Account settings, " +
    "Tenants; then, under User management, invite {email} as manager, and send us the seller ID, the " +
    "tenant ID and the client ID of the application that you add there for {agency}",
  de:
    "verknüpfen Sie im Partner Center unter „Kontoeinstellungen“, „Mandanten“ zuerst einen Mandanten von " +
    "Microsoft Entra mit dem Konto; laden Sie dann unter „Benutzerverwaltung“ {email} als Manager ein, " +
    "und schicken Sie uns die Verkäufer-ID, die Mandanten-ID und die Client-ID der Anwendung, die Sie " +
    "dort für {agency} hinzufügen",
  fr:
    "dans l'Espace partenaires, associez d'abord un locataire Microsoft Entra au compte, sous " +
    "«\u00a0Paramètres du compte\u00a0», «\u00a0Locataires\u00a0»\u00a0; puis, sous «\u00a0Gestion des " +
    "utilisateurs\u00a0», invitez {email} comme gestionnaire, et envoyez-nous l'identifiant du vendeur, " +
    "celui du locataire et l'identifiant client de l'application que vous y ajoutez pour {agency}",
  es:
    "en el Centro de partners, vinculen primero un inquilino de Microsoft Entra a la cuenta, en " +
    "«Configuración de la cuenta», «Inquilinos»; después, en «Administración de usuarios», inviten a " +
    "{email} como administrador y envíennos el ID del vendedor, el del inquilino y el ID de cliente de la " +
    "aplicación que agreguen allí para {agency}",
};
