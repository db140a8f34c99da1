import type { InviteWords } from "../en/invite.ts";

export const spanish: InviteWords = {
  newsTitle: "Noticias de las tiendas",
  inviteSubject: "{name}: le pedimos que la pruebe",
  inviteIntro: "Antes de que todos reciban la versión {version} de {name}, le pedimos que la pruebe.",
  inviteHow: "Cómo hacerlo",
  inviteLink:
    "En el dispositivo, con la sesión de {store} iniciada como {address}, abra esta página y acepte participar: {link}",
  inviteWritten:
    "{store} le escribe por su cuenta a {address}. Abra ese mensaje en el dispositivo y acepte participar.",
  inviteApp: "Instale primero TestFlight desde el App Store en el dispositivo.",
  inviteInstall: "Después instale la app desde {store}. Puede tardar unas horas en aparecer.",
  inviteInTester: "{name} aparece entonces en TestFlight. Elija «Instalar».",
  invitePage: "Abra esta página en el dispositivo; explica cómo se instala la app: {link}",
  inviteTell: "Díganos lo que observe: basta con responder.",
  inviteEnd: "Si ya no quiere participar, díganoslo: entonces borramos su nombre y su dirección.",
  inviteConsent: "Usted dio su acuerdo el {day}.",
};
