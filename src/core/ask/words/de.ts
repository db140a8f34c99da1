import type { Words } from "./en.ts";

export const german: Words = {
  subject: "{name}: Was wir für Ihre App noch brauchen",
  greeting: "Guten Tag, {owner},",
  intro: "für Ihre App {name} fragen die Stores noch nach dem, was unten steht. Bitte schicken Sie es uns bis {until}.",
  introStill:
    "für Ihre App {name} fehlt noch einiges, worum wir Sie am {before} gebeten haben. Bitte schicken Sie uns bis " +
    "{until}, was unten steht.",
  how:
    "Füllen Sie die Tabelle {sheet} aus und schicken Sie sie zurück, oder antworten Sie einfach mit Ihren Texten; " +
    "Bilder als Dateien.",
  thanks: "Vielen Dank!",
  texts: "Texte",
  addresses: "Adressen",
  people: "Personen",
  offer: "Ihr Angebot",
  answers: "Antworten",
  pictures: "Bilder",
  accounts: "Konten",
  share: "Geben Sie uns Ihr Konto frei: {store}",
  sharePlay:
    "laden Sie in der Play Console unter „Nutzer und Berechtigungen“ {email} als Admin dieser App ein, und " +
    "schicken Sie uns die Nummer des Entwicklerkontos",
  shareApple:
    "laden Sie in App Store Connect unter „Benutzer und Zugriff“ {email} als App-Manager ein; legen Sie unter " +
    "„Integrationen“ einen Schlüssel für {agency} an, und schicken Sie uns dessen ID und die Issuer-ID, nicht " +
    "den Schlüssel selbst",
  shareMicrosoft:
    "laden Sie im Partner Center unter „Benutzerverwaltung“ {email} als Manager ein, und schicken Sie uns die " +
    "Verkäufer-ID",
  still: "noch immer",
  upTo: "höchstens {most} Zeichen",
  entries: "höchstens {parts} Einträge zu {each} Zeichen",
  inLanguage: "auf {language}",
  example: "zum Beispiel: {example}",
  toMend: "bitte berichtigen: {what}",
  helps: "hilfreich, nicht nötig",
  field: "Was",
  answer: "Ihre Antwort",
  hint: "Hinweis",
  subtitle: "Untertitel: was Ihre App ist, in wenigen Worten",
  short: "Kurzbeschreibung, ein Satz",
  description: "Beschreibung: was man mit Ihrer App tun kann",
  promotional: "Worauf Sie gerade aufmerksam machen wollen",
  keywords: "Wörter, mit denen man Sie sucht",
  highlights: "Das Wichtigste, was die App kann",
  category: "In welcher Kategorie man Sie sucht",
  subcategory: "Eine zweite Kategorie",
  audience: "Für wen sie ist: alle, Jugendliche, Erwachsene",
  email: "E-Mail-Adresse für Fragen",
  support: "Seite, auf der man Hilfe findet",
  marketing: "Ihre Website",
  privacy: "Seite mit Ihrer Datenschutzerklärung",
  contactName: "Wer zur App gefragt werden darf",
  contactEmail: "E-Mail-Adresse dieser Person",
  contactPhone: "Telefon dieser Person, mit +",
  price: "Kostenlos oder der Preis",
  countries: "Länder, in denen die App angeboten wird",
  released: "Der Tag, an dem sie erscheinen soll",
};
