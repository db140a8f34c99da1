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
};

const forWhom: Readonly<Record<(typeof audiences)[number], InEach>> = {
  all: { en: "Everybody", de: "Alle", fr: "Tout le monde", es: "Para todos" },
  teenagers: { en: "Teenagers", de: "Jugendliche", fr: "Adolescents", es: "Adolescentes" },
  adults: { en: "Adults", de: "Erwachsene", fr: "Adultes", es: "Adultos" },
};

/** Words that a field of a record may have, as people read and write them, by the field. */
const choiceWords = { category: categories, subcategory: categories, audience: forWhom } as const;

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
