import type { Sharing } from "../definition.ts";

/** What a client does to share its account, and which codes it sends. */
export const shareGooglePlay: Sharing = {
  word: "sharePlay",
  en:
    "in Play Console, under Users and permissions, invite {email} as admin of this app, and send us the " +
    "number of the developer account",
  de:
    "laden Sie in der Play Console unter „Nutzer und Berechtigungen“ {email} als Admin dieser App ein, und " +
    "schicken Sie uns die Nummer des Entwicklerkontos",
  fr:
    "dans la Play Console, sous «\u00a0Utilisateurs et autorisations\u00a0», invitez {email} comme " +
    "administrateur de cette application, et envoyez-nous le numéro du compte développeur",
  es:
    "en Play Console, en «Usuarios y permisos», inviten a {email} como administrador de esta aplicación y " +
    "envíennos el número de la cuenta de desarrollador",
};
