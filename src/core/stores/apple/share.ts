import type { Sharing } from "../definition.ts";

/** What a client does to share its account, and which codes it sends. */
export const shareApple: Sharing = {
  word: "shareApple",
  en:
    "the account holder first enables access to the interface in App Store Connect, under Users and " +
    "Access, Integrations; there, make a key for {agency} with the role App Manager, and invite {email} " +
    "with the same role. The key file can be downloaded once only: keep it safe, and do not send it by " +
    "mail; we will tell you how. Send us the key ID and the issuer ID",
  de:
    "zuerst schaltet die Kontoinhaberin oder der Kontoinhaber in App Store Connect unter „Benutzer und " +
    "Zugriff“, „Integrationen“ den Zugriff auf die Schnittstelle frei; legen Sie dort einen Schlüssel für " +
    "{agency} mit der Rolle „App-Manager“ an, und laden Sie {email} mit derselben Rolle ein. Die " +
    "Schlüsseldatei lässt sich nur einmal laden: Verwahren Sie sie sicher, und schicken Sie sie nicht per " +
    "Mail; wir sagen Ihnen, wie. Schicken Sie uns die Schlüssel-ID und die Issuer-ID",
  fr:
    "le titulaire du compte active d'abord l'accès à l'interface dans App Store Connect, sous " +
    "«\u00a0Utilisateurs et accès\u00a0», «\u00a0Intégrations\u00a0»\u00a0; créez-y une clé pour {agency} " +
    "avec le rôle de gestionnaire d'app, et invitez {email} avec le même rôle. Le fichier de la clé ne " +
    "peut être téléchargé qu'une seule fois\u00a0: gardez-le en lieu sûr et ne l'envoyez pas par " +
    "e-mail\u00a0; nous vous dirons comment faire. Envoyez-nous l'identifiant de la clé et celui de " +
    "l'émetteur",
  es:
    "el titular de la cuenta activa primero el acceso a la interfaz en App Store Connect, en «Usuarios y " +
    "acceso», «Integraciones»; creen allí una clave para {agency} con el rol de gestor de apps e inviten " +
    "a {email} con el mismo rol. El archivo de la clave solo se puede descargar una vez: guárdenlo en " +
    "lugar seguro y no lo envíen por correo; les diremos cómo hacerlo. Envíennos el ID de la clave y el " +
    "del emisor",
};
