// What runs have said is done, and that must be there ever after.
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { at, clients, fault } from "./ground.mjs";

const released = new Map();
const approved = new Map();
let approvals = 0;
let isSent = false;

/** Notes what a run said that it did. */
export function note(args, { code, out }) {
  if (args[0] === "release" && code === 0 && args.includes("--json"))
    for (const { client, after } of JSON.parse(out).releases)
      released.set(`${client} ${after.build}`, { client, build: after.build });
  if (args[0] === "approve" && code === 0 && args.includes("--json"))
    for (const { client, field, language } of JSON.parse(out).approved) {
      approved.set(`${client} ${field}.${language}`, client);
      approvals++;
    }
  if (args[0] === "ask" && out.includes('"state": "sent"')) isSent = true;
}

export const releasesNoted = () => released.size;
export const approvalsNoted = () => approvals;

const historyOf = (client) => at("clients", client, "history");

const kept = (client, name) => {
  const file = join(historyOf(client), `${name}.json`);
  return existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : undefined;
};

const namesOf = (client) =>
  existsSync(historyOf(client)) ? readdirSync(historyOf(client)).map((file) => file.replace(/\.json$/, "")) : [];

/** Holds the kept files against what was said. */
export function holdKept() {
  for (const { client, build } of released.values())
    if (kept(client, `build-${build}`)?.build !== build) fault("a release is lost", `${client} ${build}`);
  for (const [name, client] of approved)
    if (!kept(client, `approved-${name.split(" ")[1]}`)) fault("an approval is lost", name);
  for (const client of clients)
    for (const name of namesOf(client))
      try {
        kept(client, name);
      } catch (error) {
        fault("a kept file is damaged", `${client}/${name}: ${error.message}`);
      }
  const letters = clients.flatMap((client) =>
    namesOf(client).flatMap((name) => (name.startsWith("letter-") ? (kept(client, name) ?? []) : [])),
  );
  if (isSent && !letters.some(({ state }) => state === "sent")) fault("a letter is forgotten", JSON.stringify(letters));
}
