/** What whoever installs a build by hand is told, in English; other languages have the same keys. */
export const english = {
  installTitle: "Install {name}",
  installIs: "Version {version}, build {build}, for {system}",
  installFor: "From {agency}, for you to try. Please do not pass it on.",
  installGet: "Get {file}",
  installCode: "Read this page on another device? Open it there by this code.",
  installHow: "How it is installed",
  installNew: "What is new",
  installSum: "The file's sum (SHA-256)",
  apkOpen: "Open this page on the phone, get the file, and open it.",
  apkAllow:
    "If the phone says that it may not install from here, choose Settings in that message, and allow it for this one " +
    "program. You may take that back afterwards.",
  apkUnknown: "If Play Protect does not know the app, choose More details, then install all the same.",
  apkOther:
    "If it cannot be installed because of an app that is there, remove that app first: it was signed otherwise, " +
    "and what it has kept is gone then.",
  ipaKnown: "This works on devices that {agency} has registered. If yours is new, send its identifier (UDID) first.",
  ipaAir: "Open this page in Safari on the device, get the file, and agree to install it.",
  ipaCable: "Connect the device to a Mac, and drop the file onto it in the Finder.",
  ipaTrust:
    "If its developer is not trusted: in Settings, General, VPN & Device Management, choose the developer, and trust " +
    "it.",
  ipaOnline: "Start it the first time with a connection to the internet, and with the device unlocked.",
  ipaMode: "If Developer Mode is asked for: in Settings, Privacy & Security, turn it on; the device restarts.",
  msixOpen: "Get the file, open it, and choose Install.",
  msixTrust:
    "If the publisher is not known, an administrator trusts it first: Properties of the file, Digital Signatures, " +
    "Details, View Certificate, Install Certificate, Local Machine, Trusted People.",
  exeOpen: "Get the file and open it.",
  exeWarned: "If Windows protects the computer from it, choose More info, then Run anyway.",
  macOpen: "Get the file, open it, and put the app into Applications.",
  macWarned: "If the Mac does not open the app: in System Settings, Privacy & Security, choose Open Anyway.",
  debOpen: "Get the file, and open it with the program for installing software.",
  imageOpen: "Get the file, allow it to be run as a program in its properties, and open it.",
  iconOld: "If an older icon is still shown, restart the device: it keeps icons for a while.",
} as const;

export type InstallWord = keyof typeof english;
export type InstallWords = Readonly<Record<InstallWord, string>>;
