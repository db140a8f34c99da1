import type { InstallWords } from "../en/install.ts";

export const german: InstallWords = {
  installTitle: "{name} installieren",
  installIs: "Version {version}, Build {build}, für {system}",
  installFor: "Von {agency}, zum Ausprobieren. Bitte geben Sie es nicht weiter.",
  installGet: "{file} holen",
  installCode: "Diese Seite auf einem anderen Gerät lesen? Mit diesem Code öffnet sie sich dort.",
  installHow: "So wird es installiert",
  installNew: "Was neu ist",
  installSum: "Prüfsumme der Datei (SHA-256)",
  apkOpen: "Öffnen Sie diese Seite auf dem Telefon, holen Sie die Datei und öffnen Sie sie.",
  apkAllow:
    "Sagt das Telefon, dass von hier nicht installiert werden darf, so wählen Sie in dieser Meldung Einstellungen " +
    "und erlauben es nur für dieses eine Programm. Danach können Sie das zurücknehmen.",
  apkUnknown: "Kennt Play Protect die App nicht, so wählen Sie Weitere Details und installieren trotzdem.",
  apkOther:
    "Geht es wegen einer vorhandenen App nicht, so entfernen Sie diese zuerst: Sie ist anders signiert, und was sie " +
    "gespeichert hat, ist dann weg.",
  ipaKnown:
    "Das geht auf Geräten, die {agency} angemeldet hat. Ist Ihres neu, so schicken Sie zuerst seine Kennung (UDID).",
  ipaAir: "Öffnen Sie diese Seite auf dem Gerät in Safari, holen Sie die Datei und stimmen Sie der Installation zu.",
  ipaCable: "Verbinden Sie das Gerät mit einem Mac und ziehen Sie die Datei im Finder darauf.",
  ipaTrust:
    "Wird dem Entwickler nicht vertraut: Einstellungen, Allgemein, VPN und Geräteverwaltung, dort den Entwickler " +
    "wählen und ihm vertrauen.",
  ipaOnline: "Starten Sie die App das erste Mal mit Verbindung zum Internet und mit entsperrtem Gerät.",
  ipaMode:
    "Wird der Entwicklermodus verlangt: Einstellungen, Datenschutz & Sicherheit, dort einschalten; das Gerät startet " +
    "neu.",
  msixOpen: "Holen Sie die Datei, öffnen Sie sie und wählen Sie Installieren.",
  msixTrust:
    "Ist der Herausgeber nicht bekannt, so vertraut ihm zuerst jemand mit Administratorrechten: Eigenschaften der " +
    "Datei, Digitale Signaturen, Details, Zertifikat anzeigen, Zertifikat installieren, Lokaler Computer, " +
    "Vertrauenswürdige Personen.",
  exeOpen: "Holen Sie die Datei und öffnen Sie sie.",
  exeWarned: "Schützt Windows den Computer davor, so wählen Sie Weitere Informationen und Trotzdem ausführen.",
  macOpen: "Holen Sie die Datei, öffnen Sie sie und legen Sie die App in Programme ab.",
  macWarned: "Öffnet der Mac die App nicht: Systemeinstellungen, Datenschutz & Sicherheit, dort Dennoch öffnen wählen.",
  debOpen: "Holen Sie die Datei und öffnen Sie sie mit dem Programm, das Software installiert.",
  imageOpen: "Holen Sie die Datei, erlauben Sie in ihren Eigenschaften, sie auszuführen, und öffnen Sie sie.",
  iconOld: "Ist noch ein altes Symbol zu sehen, so starten Sie das Gerät neu: Es hebt Symbole eine Weile auf.",
};
