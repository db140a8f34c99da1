import { cpSync, mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/**
 * What a client's values are, worked out by hand from its brief and the rules that docs/patterns.md and docs/files.md
 * state.
 */
export interface Values {
  key: string;
  name: string;
  label: string;
  owner: string;
  domain: string;
  email: string;
  id: string;
  version: string;
  build: string;
  locale: string;
  brand: string;
  ground: string;
}

/** Marks that build files and pages have to escape. */
export const kelp: Values = {
  key: "kelp",
  name: "Kelp & O'Hara",
  label: "Kelp",
  owner: "Kelp & O'Hara Ltd",
  domain: "kelp.example",
  email: "hello@kelp.example",
  id: "example.kelp.kelpandohara",
  version: "2.5.1",
  build: "57",
  locale: "en",
  brand: "#1f5d4c",
  ground: "#0b2a21",
};

/** Another alphabet, a digit first, and two further languages, one of them written from right to left. */
export const rivers: Values = {
  key: "3-rivers",
  name: "3 Реки",
  label: "3 Реки",
  owner: "Три Реки",
  domain: "rivers.example",
  email: "hello@rivers.example",
  id: "example.rivers.n3reki",
  version: "1.2.0",
  build: "9",
  locale: "ru",
  brand: "#7a1f5c",
  ground: "#2c1a3b",
};

export const languages = { he: "שלושה נהרות", de: "Drei Flüsse" };

/** Writes clients' briefs and pictures into a workspace. */
export function writeClients(workspace: string, pictures: string, clients = [kelp, rivers]): void {
  for (const client of clients) {
    const folder = join(workspace, "clients", client.key);
    mkdirSync(join(folder, "art"), { recursive: true });
    cpSync(join(pictures, "mark.svg"), join(folder, "art/mark.svg"));
    const more = client === rivers ? `  locales: ${JSON.stringify(localesOf())}\n` : "";
    writeFileSync(
      join(folder, "brief.yaml"),
      `app:
  name: ${JSON.stringify(client.name)}
  label: ${JSON.stringify(client.label)}
${more}owner: ${JSON.stringify(client.owner)}
domain: ${client.domain}
email: ${client.email}
locale: ${client.locale}
version: ${client.version}
build: ${client.build}
colors: { brand: "${client.brand}", ground: "${client.ground}" }
art: { mark: art/mark.svg }
`,
    );
  }
}

const localesOf = () => Object.fromEntries(Object.entries(languages).map(([tag, name]) => [tag, { name }]));
