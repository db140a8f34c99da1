import type { Words } from "./en.ts";

export const spanish: Words = {
  subject: "{name}: lo que aún necesitamos para su aplicación",
  greeting: "Estimados {owner}:",
  intro: "para su aplicación {name}, las tiendas piden todavía lo que sigue. Envíenoslo, por favor, antes del {until}.",
  introStill:
    "para su aplicación {name} siguen faltando cosas que les pedimos el {before}. Envíennos, por favor, lo que sigue " +
    "antes del {until}.",
  how: "Rellenen la hoja {sheet} y devuélvanla, o respondan sin más con sus textos; las imágenes, como archivos.",
  thanks: "¡Muchas gracias!",
  texts: "Textos",
  addresses: "Direcciones",
  people: "Personas",
  offer: "Su oferta",
  answers: "Respuestas",
  pictures: "Imágenes",
  accounts: "Cuentas",
  share: "Compartan su cuenta: {store}",
  sharePlay:
    "en Play Console, en «Usuarios y permisos», inviten a {email} como administrador de esta aplicación y " +
    "envíennos el número de la cuenta de desarrollador",
  shareApple:
    "en App Store Connect, en «Usuarios y acceso», inviten a {email} como gestor de apps; en «Integraciones», " +
    "creen una clave para {agency} y envíennos su ID y el del emisor, no la clave",
  shareMicrosoft:
    "en el Centro de partners, en «Administración de usuarios», inviten a {email} como administrador y " +
    "envíennos el ID del vendedor",
  still: "todavía",
  upTo: "{most} caracteres como máximo",
  entries: "{parts} entradas como máximo, de {each} caracteres",
  inLanguage: "en {language}",
  example: "por ejemplo: {example}",
  toMend: "por favor, corrijan: {what}",
  helps: "útil, no imprescindible",
  field: "Qué",
  answer: "Su respuesta",
  hint: "Indicación",
  subtitle: "Subtítulo: qué es su aplicación, en pocas palabras",
  short: "Descripción breve, una frase",
  description: "Descripción: qué se puede hacer con su aplicación",
  promotional: "Lo que quieren destacar ahora",
  keywords: "Palabras con las que se les busca",
  highlights: "Lo más importante que hace la aplicación",
  category: "En qué categoría se les busca",
  subcategory: "Una segunda categoría",
  audience: "Para quién es: todos, adolescentes, adultos",
  email: "Correo electrónico para preguntas",
  support: "Página donde se encuentra ayuda",
  marketing: "Su sitio web",
  privacy: "Página con su política de privacidad",
  contactName: "A quién se puede preguntar por la aplicación",
  contactEmail: "Correo de esa persona",
  contactPhone: "Teléfono de esa persona, con +",
  price: "Gratis, o el precio",
  countries: "Países donde se ofrece la aplicación",
  released: "El día en que debe aparecer",
};
