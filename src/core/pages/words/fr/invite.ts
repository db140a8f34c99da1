import type { InviteWords } from "../en/invite.ts";

export const french: InviteWords = {
  newsTitle: "Nouvelles des boutiques",
  inviteSubject: "{name}\u00a0: merci de l'essayer",
  inviteIntro: "Avant que tout le monde reçoive la version {version} de {name}, nous vous demandons de l'essayer.",
  inviteHow: "Comment faire",
  inviteLink:
    "Sur l'appareil, connecté à {store} en tant que {address}, ouvrez cette page et acceptez de " +
    "participer\u00a0: {link}",
  inviteWritten:
    "{store} vous écrit de lui-même à {address}. Ouvrez ce message sur l'appareil et acceptez de participer.",
  inviteApp: "Installez d'abord TestFlight depuis l'App Store sur l'appareil.",
  inviteInstall: "Installez ensuite l'app depuis {store}. Elle peut mettre quelques heures à y apparaître.",
  inviteInTester: "{name} se trouve alors dans TestFlight. Choisissez «\u00a0Installer\u00a0».",
  invitePage: "Ouvrez cette page sur l'appareil\u00a0; elle explique comment installer l'app\u00a0: {link}",
  inviteTell: "Dites-nous ce que vous remarquez\u00a0: répondez simplement.",
  inviteEnd:
    "Si vous ne souhaitez plus participer, dites-le-nous\u00a0: nous supprimons alors votre nom et votre adresse.",
  inviteConsent: "Vous avez donné votre accord le {day}.",
};
