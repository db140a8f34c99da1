/** What a letter says, in English; other languages have the same keys. Names in braces are put in. */
export const english = {
  subject: "{name}: what we still need for your app",
  greeting: "Dear {owner},",
  intro: "for your app {name}, the stores still ask for what stands below. Please send it to us by {until}.",
  introStill:
    "for your app {name}, some things are still missing that we asked you for on {before}. Please send us what " +
    "stands below by {until}.",
  how: "Fill in the sheet {sheet} and send it back, or simply answer with your texts; pictures as files.",
  thanks: "Thank you!",
  texts: "Texts",
  addresses: "Addresses",
  people: "People",
  offer: "What you offer",
  answers: "Answers",
  pictures: "Pictures",
  accounts: "Accounts",
  share: "Share your account: {store}",
  sharePlay:
    "in Play Console, under Users and permissions, invite {email} as admin of this app, and send us the " +
    "number of the developer account",
  shareApple:
    "in App Store Connect, under Users and Access, invite {email} as app manager; under Integrations, make a " +
    "key for {agency}, and send us its ID and the issuer ID, not the key itself",
  shareMicrosoft: "in Partner Center, under User management, invite {email} as manager, and send us the seller ID",
  still: "still",
  upTo: "up to {most} characters",
  entries: "up to {parts} entries of {each} characters",
  inLanguage: "in {language}",
  example: "for example: {example}",
  toMend: "please correct: {what}",
  helps: "helpful, not needed",
  field: "What",
  answer: "Your answer",
  hint: "Hint",
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
  privacy: "Page with your privacy policy",
  contactName: "Who may be asked about the app",
  contactEmail: "That person's e-mail",
  contactPhone: "That person's telephone, with +",
  price: "Free, or the price",
  countries: "Countries where the app is to be offered",
  released: "The day on which it is to appear",
} as const;

export type Word = keyof typeof english;
export type Words = Readonly<Record<Word, string>>;
