import type { Sharing } from "../definition.ts";

/** What a client does to share its account, and which codes it sends. */
export const shareGooglePlay: Sharing = {
  word: "sharePlay",
  en:
    "in Play Console, under Users and permissions, invite {email} with the account permission to create " +
    "apps (there is no app yet that could be shared), and send us the developer account ID",
  de:
    "laden Sie in der Play Console unter „Nutzer und Berechtigungen“ {email} mit der Kontoberechtigung " +
    "ein, Apps zu erstellen (eine App, die man freigeben könnte, gibt es noch nicht), und schicken Sie " +
    "uns die ID des Entwicklerkontos",
  fr:
    "dans la Play Console, sous «\u00a0Utilisateurs et autorisations\u00a0», invitez {email} avec " +
    "l'autorisation, au niveau du compte, de créer des applications (il n'y a pas encore d'application à " +
    "partager), et envoyez-nous l'identifiant du compte de développeur",
  es:
    "en Play Console, en «Usuarios y permisos», inviten a {email} con el permiso de cuenta para crear " +
    "aplicaciones (todavía no hay ninguna que compartir) y envíennos el ID de la cuenta de desarrollador",
};
