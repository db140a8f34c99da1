import { type InEach, pageLanguages } from "../ground/values/page-language.ts";
import type { audiences, CategoryName } from "./categories.ts";

/** Categories as people read and write them. */
const categories: Readonly<Record<CategoryName, InEach>> = {
  books: { en: "Books", de: "Bücher", fr: "Livres", es: "Libros" },
  business: { en: "Business", de: "Wirtschaft", fr: "Économie", es: "Negocios" },
  design: { en: "Design", de: "Gestaltung", fr: "Graphisme", es: "Diseño" },
  education: { en: "Education", de: "Bildung", fr: "Éducation", es: "Educación" },
  entertainment: { en: "Entertainment", de: "Unterhaltung", fr: "Divertissement", es: "Entretenimiento" },
  events: { en: "Events", de: "Veranstaltungen", fr: "Événements", es: "Eventos" },
  family: { en: "Family", de: "Familie", fr: "Famille", es: "Familia" },
  finance: { en: "Finance", de: "Finanzen", fr: "Finances", es: "Finanzas" },
  food: { en: "Food and drink", de: "Essen und Trinken", fr: "Cuisine et boissons", es: "Comida y bebida" },
  health: { en: "Health and fitness", de: "Gesundheit und Fitness", fr: "Forme et santé", es: "Salud y forma física" },
  home: { en: "House and home", de: "Haus und Garten", fr: "Maison", es: "Hogar" },
  lifestyle: { en: "Lifestyle", de: "Lebensart", fr: "Style de vie", es: "Estilo de vida" },
  medical: { en: "Medical", de: "Medizin", fr: "Médecine", es: "Medicina" },
  music: { en: "Music", de: "Musik", fr: "Musique", es: "Música" },
  navigation: { en: "Maps and navigation", de: "Karten und Navigation", fr: "Navigation", es: "Mapas y navegación" },
  news: { en: "News", de: "Nachrichten", fr: "Actualités", es: "Noticias" },
  photo: { en: "Photo and video", de: "Foto und Video", fr: "Photo et vidéo", es: "Foto y vídeo" },
  productivity: { en: "Productivity", de: "Produktivität", fr: "Productivité", es: "Productividad" },
  reference: { en: "Reference", de: "Nachschlagewerke", fr: "Références", es: "Obras de consulta" },
  shopping: { en: "Shopping", de: "Einkaufen", fr: "Achats", es: "Compras" },
  social: { en: "Social", de: "Soziale Netze", fr: "Réseaux sociaux", es: "Redes sociales" },
  sports: { en: "Sports", de: "Sport", fr: "Sport", es: "Deportes" },
  tools: { en: "Tools", de: "Dienstprogramme", fr: "Utilitaires", es: "Utilidades" },
  travel: { en: "Travel", de: "Reisen", fr: "Voyages", es: "Viajes" },
  vehicles: { en: "Cars and vehicles", de: "Autos und Fahrzeuge", fr: "Véhicules", es: "Vehículos" },
  weather: { en: "Weather", de: "Wetter", fr: "Météo", es: "El tiempo" },
  beauty: { en: "Beauty", de: "Schönheit", fr: "Beauté", es: "Belleza" },
  comics: { en: "Comics", de: "Comics", fr: "Bandes dessinées", es: "Cómics" },
  communication: { en: "Communication", de: "Kommunikation", fr: "Communication", es: "Comunicación" },
  dating: { en: "Dating", de: "Partnersuche", fr: "Rencontres", es: "Citas" },
  developer: {
    en: "Developer tools",
    de: "Werkzeuge für Entwickler",
    fr: "Outils de développement",
    es: "Herramientas de desarrollo",
  },
  government: { en: "Government", de: "Behörden", fr: "Administration", es: "Administración pública" },
  kids: { en: "Children", de: "Kinder", fr: "Enfants", es: "Infantil" },
  magazines: {
    en: "Magazines and newspapers",
    de: "Zeitschriften und Zeitungen",
    fr: "Magazines et journaux",
    es: "Revistas y periódicos",
  },
  parenting: { en: "Parenting", de: "Elternschaft", fr: "Parentalité", es: "Crianza" },
  personalization: { en: "Personalization", de: "Personalisierung", fr: "Personnalisation", es: "Personalización" },
  security: { en: "Security", de: "Sicherheit", fr: "Sécurité", es: "Seguridad" },
  video: { en: "Video players", de: "Videos", fr: "Lecteurs vidéo", es: "Reproductores de vídeo" },
  "game-action": { en: "Game: action", de: "Spiel: Action", fr: "Jeu : action", es: "Juego: acción" },
  "game-adventure": { en: "Game: adventure", de: "Spiel: Abenteuer", fr: "Jeu : aventure", es: "Juego: aventura" },
  "game-arcade": { en: "Game: arcade", de: "Spiel: Arcade", fr: "Jeu : arcade", es: "Juego: arcade" },
  "game-board": { en: "Game: board", de: "Spiel: Brettspiel", fr: "Jeu : plateau", es: "Juego: mesa" },
  "game-card": { en: "Game: cards", de: "Spiel: Karten", fr: "Jeu : cartes", es: "Juego: cartas" },
  "game-casino": { en: "Game: casino", de: "Spiel: Kasino", fr: "Jeu : casino", es: "Juego: casino" },
  "game-casual": { en: "Game: casual", de: "Spiel: für zwischendurch", fr: "Jeu : occasionnel", es: "Juego: informal" },
  "game-educational": { en: "Game: learning", de: "Spiel: Lernspiel", fr: "Jeu : éducatif", es: "Juego: educativo" },
  "game-music": { en: "Game: music", de: "Spiel: Musik", fr: "Jeu : musique", es: "Juego: música" },
  "game-puzzle": { en: "Game: puzzle", de: "Spiel: Rätsel", fr: "Jeu : casse-tête", es: "Juego: puzle" },
  "game-racing": { en: "Game: racing", de: "Spiel: Rennen", fr: "Jeu : course", es: "Juego: carreras" },
  "game-role-playing": {
    en: "Game: role playing",
    de: "Spiel: Rollenspiel",
    fr: "Jeu : jeu de rôle",
    es: "Juego: rol",
  },
  "game-simulation": {
    en: "Game: simulation",
    de: "Spiel: Simulation",
    fr: "Jeu : simulation",
    es: "Juego: simulación",
  },
  "game-sports": { en: "Game: sports", de: "Spiel: Sport", fr: "Jeu : sport", es: "Juego: deportes" },
  "game-strategy": { en: "Game: strategy", de: "Spiel: Strategie", fr: "Jeu : stratégie", es: "Juego: estrategia" },
  "game-trivia": { en: "Game: trivia", de: "Spiel: Quiz", fr: "Jeu : quiz", es: "Juego: preguntas" },
  "game-word": { en: "Game: words", de: "Spiel: Wörter", fr: "Jeu : lettres", es: "Juego: palabras" },
};

const forWhom: Readonly<Record<(typeof audiences)[number], InEach>> = {
  all: { en: "Everybody", de: "Alle", fr: "Tout le monde", es: "Para todos" },
  teenagers: { en: "Teenagers", de: "Jugendliche", fr: "Adolescents", es: "Adolescentes" },
  adults: { en: "Adults", de: "Erwachsene", fr: "Adultes", es: "Adultos" },
};

/** A box with a tick, and one without. */
const boxes: Readonly<Record<"yes" | "no", InEach>> = {
  yes: { en: "☑ yes", de: "☑ ja", fr: "☑ oui", es: "☑ sí" },
  no: { en: "☐ no", de: "☐ nein", fr: "☐ non", es: "☐ no" },
};

/** Words that a field of a record, or yes and no, may have, as people read and write them; by the field. */
const choiceWords = { category: categories, subcategory: categories, audience: forWhom, tick: boxes } as const;

const choices: Readonly<Record<string, Readonly<Record<string, InEach>>>> = choiceWords;

/** What people may choose of a field, in their language; none where it is no choice. */
export const choicesIn = (field: string, language: string): readonly string[] =>
  Object.values(choices[field] ?? {}).map((each) => each[pageLanguages.find((tag) => tag === language) ?? "en"]);

const same = (one: string, other: string): boolean => one.localeCompare(other, "en", { sensitivity: "base" }) === 0;

/** A choice by its word in any of the languages; as it stands where it is none's. */
export function choiceSaid(field: string, said: string): string {
  const plain = said.trim();
  const found = Object.entries(choices[field] ?? {}).find(([, words]) =>
    Object.values(words).some((word) => same(word, plain)),
  );
  return found?.[0] ?? plain.toLowerCase();
}
