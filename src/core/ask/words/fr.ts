import type { Words } from "./en.ts";

export const french: Words = {
  subject: "{name}\u00a0: ce qu'il nous faut encore pour votre application",
  greeting: "Bonjour {owner},",
  intro:
    "pour votre application {name}, les boutiques demandent encore ce qui suit. Merci de nous l'envoyer d'ici le " +
    "{until}.",
  introStill:
    "pour votre application {name}, il manque encore des éléments que nous vous avons demandés le {before}. Merci de " +
    "nous envoyer ce qui suit d'ici le {until}.",
  how:
    "Remplissez le tableau {sheet} et renvoyez-le, ou répondez simplement avec vos textes\u00a0; les images en " +
    "fichiers.",
  thanks: "Merci beaucoup\u00a0!",
  texts: "Textes",
  addresses: "Adresses",
  people: "Personnes",
  offer: "Votre offre",
  answers: "Réponses",
  pictures: "Images",
  accounts: "Comptes",
  share: "Partagez votre compte\u00a0: {store}",
  sharePlay:
    "dans la Play Console, sous «\u00a0Utilisateurs et autorisations\u00a0», invitez {email} comme " +
    "administrateur de cette application, et envoyez-nous le numéro du compte développeur",
  shareApple:
    "dans App Store Connect, sous «\u00a0Utilisateurs et accès\u00a0», invitez {email} comme gestionnaire " +
    "d'app\u00a0; sous «\u00a0Intégrations\u00a0», créez une clé pour {agency}, et envoyez-nous son " +
    "identifiant et celui de l'émetteur, pas la clé elle-même",
  shareMicrosoft:
    "dans l'Espace partenaires, sous «\u00a0Gestion des utilisateurs\u00a0», invitez {email} comme " +
    "gestionnaire, et envoyez-nous l'identifiant du vendeur",
  still: "toujours",
  upTo: "{most} caractères au plus",
  entries: "{parts} entrées au plus, de {each} caractères",
  inLanguage: "en {language}",
  example: "par exemple\u00a0: {example}",
  toMend: "à corriger\u00a0: {what}",
  now: "actuellement\u00a0: {value}",
  isLong: "compte actuellement {used} caractères",
  isShort: "trop court actuellement",
  isInvalid: "inutilisable en l'état",
  isTaken: "une autre application porte déjà ce nom\u00a0: merci d'en choisir un autre",
  isAlike: "dit presque la même chose que pour une autre application\u00a0: écrivez ce que vous seul proposez",
  hasPlaceholder: "un texte provisoire y est resté",
  namesPlatform: "sans les noms d'autres plateformes, s'il vous plaît",
  namesPrice: "sans prix, s'il vous plaît\u00a0: les boutiques les affichent elles-mêmes",
  isNone: "les boutiques n'ont pas cela",
  isPast: "ce jour est passé",
  cannotOpen: "impossible à ouvrir\u00a0: merci de l'envoyer à nouveau",
  isLarge: "trop volumineux\u00a0: merci d'envoyer un fichier plus petit",
  isEmpty: "ne montre rien",
  isUnsafe: "renvoie à d'autres fichiers\u00a0: merci de l'envoyer avec tout son contenu",
  isSmall: "au moins {width} × {height} pixels",
  appName: "Le nom de votre application, tel que les boutiques l'affichent",
  appLabel: "Un nom court qui tient sous l'icône, environ 12 lettres",
  latinName: "Comment le nom de votre application s'écrit en lettres latines",
  owner: "Le nom de votre entreprise, tel qu'il figure dans la ligne de copyright",
  domain: "Votre domaine web",
  artwork: "Votre logo ou une icône d'application, en SVG, ou en PNG d'au moins 1024 × 1024 pixels",
  icon: "Votre icône d'application, carrée, en SVG, ou en PNG d'au moins 1024 × 1024 pixels",
  mark: "Votre logo seul sur fond transparent, en SVG ou en grand PNG",
  picture: "Une autre image à la place de {file}",
  usage: "À quoi sert {feature} dans l'application\u00a0: une phrase, qu'on lit quand elle le demande",
  helps: "utile, pas indispensable",
  field: "Quoi",
  answer: "Votre réponse",
  hint: "Indication",
  subtitle: "Sous-titre\u00a0: ce qu'est votre application, en quelques mots",
  short: "Description courte, une phrase",
  description: "Description\u00a0: ce qu'on peut faire avec votre application",
  promotional: "Ce que vous voulez mettre en avant en ce moment",
  keywords: "Les mots avec lesquels on vous cherche",
  highlights: "L'essentiel de ce que sait faire l'application",
  category: "La catégorie où l'on vous cherche",
  subcategory: "Une deuxième catégorie",
  audience: "À qui elle s'adresse\u00a0: tous, adolescents, adultes",
  email: "Adresse e-mail pour les questions",
  support: "Page où l'on trouve de l'aide",
  marketing: "Votre site web",
  privacy: "Page de votre politique de confidentialité",
  contactName: "Qui peut être interrogé sur l'application",
  contactEmail: "E-mail de cette personne",
  contactPhone: "Téléphone de cette personne, avec +",
  price: "Gratuite, ou le prix",
  countries: "Pays où l'application est proposée",
  released: "Le jour de sa parution",
};
