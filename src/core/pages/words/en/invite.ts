/** What whoever tries an app, or hears from stores, is told, in English; other languages have the same keys. */
export const english = {
  newsTitle: "From the stores",
  inviteSubject: "{name}: please try it",
  inviteIntro: "Before everybody gets version {version} of {name}, we ask you to try it.",
  inviteHow: "What you do",
  inviteLink: "On the device, signed in to {store} as {address}, open this page and agree to take part: {link}",
  inviteWritten:
    "{store} writes to you at {address} by itself. Open that message on the device, and agree to take part.",
  inviteApp: "Install TestFlight from the App Store on the device first.",
  inviteInstall: "Then install the app from {store}. It may take some hours until it is there.",
  inviteInTester: "{name} stands in TestFlight then. Choose Install.",
  invitePage: "Open this page on the device; it says how the app is installed: {link}",
  inviteTell: "Tell us what you find: simply answer.",
  inviteEnd: "If you no longer want to try it, say so: we take your name and address out then.",
  inviteConsent: "You agreed to be asked on {day}.",
} as const;

export type InviteWord = keyof typeof english;
export type InviteWords = Readonly<Record<InviteWord, string>>;
