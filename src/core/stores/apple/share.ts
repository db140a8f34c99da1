import type { Sharing } from "../definition.ts";

/** What a client does to share its account, and which codes it sends. */
export const shareApple: Sharing = {
  word: "shareApple",
  en:
    "in App Store Connect, under Users and Access, invite {email} as app manager; under Integrations, make a " +
    "key for {agency}, and send us its ID and the issuer ID, not the key itself",
  de:
    "laden Sie in App Store Connect unter „Benutzer und Zugriff“ {email} als App-Manager ein; legen Sie unter " +
    "„Integrationen“ einen Schlüssel für {agency} an, und schicken Sie uns dessen ID und die Issuer-ID, nicht " +
    "den Schlüssel selbst",
  fr:
    "dans App Store Connect, sous «\u00a0Utilisateurs et accès\u00a0», invitez {email} comme gestionnaire " +
    "d'app\u00a0; sous «\u00a0Intégrations\u00a0», créez une clé pour {agency}, et envoyez-nous son " +
    "identifiant et celui de l'émetteur, pas la clé elle-même",
  es:
    "en App Store Connect, en «Usuarios y acceso», inviten a {email} como gestor de apps; en «Integraciones», " +
    "creen una clave para {agency} y envíennos su ID y el del emisor, no la clave",
};
