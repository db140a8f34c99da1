import type { Sharing } from "../../../stores/definition.ts";
import { sharingIn } from "../sharing.ts";
import { type InstallWord, english as install } from "./install.ts";
import { type InviteWord, english as invite } from "./invite.ts";
import { type PictureWord, english as pictures } from "./pictures.ts";

/** What a letter says, in English; other languages have the same keys. Names in braces are put in. */
const own = {
  subject: "{name}: what we need for your app",
  greeting: "Hello,",
  greetingTo: "Dear {person},",
  intro: "For your app {name}, the app stores ask for what stands below. Please send it to us by {until}.",
  introStill:
    "For your app {name}, some things are still missing that we asked you for on {before}. Please send us " +
    "what stands below by {until}.",
  how: "Fill in the sheet {sheet} and send it back, or simply answer with your texts.",
  howPictures: "Please send pictures as files.",
  thanks: "Thank you!",
  texts: "Texts",
  addresses: "Addresses",
  people: "People",
  offer: "What you offer",
  answers: "Answers",
  pictures: "Pictures",
  accounts: "Accounts",
  share: "Share your account: {store}",
  still: "still",
  between: "; ",
  upTo: "up to {most} characters",
  entries: "up to {parts} entries of {each} characters",
  inLanguage: "in {language}",
  example: "for example: {example}",
  toMend: "please correct: {what}",
  now: "now: {value}",
  isLong: "has {used} characters now",
  isShort: "too short now",
  isInvalid: "cannot be used as it is",
  notPage: "must be the full address of a page, with https:// in front",
  notMail: "is not an e-mail address",
  isTaken: "another app has this name already: please choose another",
  isAlike: "says nearly the same as another app's: please say what only you have",
  hasPlaceholder: "a placeholder is left in it",
  namesPlatform: "please leave out the names of other platforms",
  namesPrice: "please leave prices out: the app stores show them themselves",
  isNone: "the app stores do not have this one",
  isPast: "this day is past",
  cannotOpen: "cannot be opened: please send it again",
  isLarge: "too large: please send a smaller file",
  isEmpty: "shows nothing",
  isUnsafe: "refers to other files: please send it with everything in it",
  isSmall: "at least {width} × {height} pixels",
  appName: "The name of your app, as the app stores show it",
  appLabel: "A short name that fits under the icon, about 12 letters",
  latinName: "How the name of your app is written in Latin letters",
  owner: "The name of your company, as it stands in the copyright line",
  domain: "Your web domain",
  brandColor: "The colour of your brand, such as #1f5d4c or a word",
  artwork: "Your logo or an app icon, as SVG, or as PNG of 1024 × 1024 pixels or more",
  icon: "Your app icon, square, as SVG, or as PNG of 1024 × 1024 pixels or more",
  mark: "Your logo alone on a transparent ground, as SVG or a large PNG",
  picture: "Another picture in place of {file}",
  usage: "What the app needs {feature} for: one sentence, which people read when it asks",
  helps: "helpful, not needed",
  field: "What we need",
  answer: "Your answer",
  hint: "Hint",
  isThere: "There now",
  choices: "Choices",
  subtitle: "Subtitle: what your app is, in a few words",
  short: "Short description, one sentence",
  description: "Description: what people can do with your app",
  promotional: "What you want to draw attention to just now",
  keywords: "Words that people look for you with",
  highlights: "The most important things the app can do",
  category: "In which category people look for you",
  subcategory: "A second category",
  audience: "Who it is for: everybody, teenagers, adults",
  email: "E-mail address for questions",
  support: "Page where people find help",
  marketing: "Your website",
  asAssigned: "the store has assigned it: it stands in Partner Center, under Product identity",
  privacy: "Page with your privacy policy",
  deletion: "Page where people have their account deleted",
  licence: "Your own licence terms, if there are any",
  video: "Page with a video of the app",
  phone: "Telephone that people see in the store, with +",
  contactName: "Who may be asked about the app",
  contactEmail: "E-mail of whoever may be asked about the app",
  contactPhone: "Telephone of whoever may be asked about the app, with +",
  price: "Free, or the price",
  countries: "Countries where the app is to be offered",
  released: "The day on which it is to appear",
} as const;

/**
 * A word of letters: one of those above, what is said of pictures, of installing and of trying, or what a store calls how its
 * account is shared.
 */
export type Word = keyof typeof own | PictureWord | InstallWord | InviteWord | Sharing["word"];
export type Words = Readonly<Record<Word, string>>;

export const english: Words = { ...own, ...pictures, ...install, ...invite, ...sharingIn("en") };
