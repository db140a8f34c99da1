import type { InviteWords } from "../en/invite.ts";

export const german: InviteWords = {
  newsTitle: "Aus den Stores",
  inviteSubject: "{name}: bitte probieren Sie die App aus",
  inviteIntro: "Bevor alle die Version {version} von {name} bekommen, bitten wir Sie, sie auszuprobieren.",
  inviteHow: "So geht es",
  inviteLink:
    "Öffnen Sie auf dem Gerät, bei {store} angemeldet als {address}, diese Seite und stimmen Sie der Teilnahme " +
    "zu: {link}",
  inviteWritten:
    "{store} schreibt Ihnen von selbst an {address}. Öffnen Sie diese Nachricht auf dem Gerät und stimmen Sie der " +
    "Teilnahme zu.",
  inviteApp: "Installieren Sie zuerst TestFlight aus dem App Store auf dem Gerät.",
  inviteInstall: "Installieren Sie dann die App aus {store}. Es kann einige Stunden dauern, bis sie dort steht.",
  inviteInTester: "{name} steht dann in TestFlight. Wählen Sie „Installieren“.",
  invitePage: "Öffnen Sie diese Seite auf dem Gerät; dort steht, wie die App installiert wird: {link}",
  inviteTell: "Sagen Sie uns, was Ihnen auffällt: Antworten Sie einfach.",
  inviteEnd: "Wenn Sie nicht mehr teilnehmen möchten, sagen Sie es uns: Wir löschen dann Namen und Adresse.",
  inviteConsent: "Sie haben dem am {day} zugestimmt.",
};
