// The example's way into stores: one client live, one out for a share, one refused, one that waits for a build.
import { spawn, spawnSync } from "node:child_process";
import { appendFileSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { passPhrase } from "./demo-keys.mjs";

const hour = 1;
const day = 24;

/** Tells the story in a workspace whose Android apps are built. @returns the address that its stores had */
export async function goIntoStores(folder, oxalis) {
  const kept = join(folder, ".oxalis/stand-in-store");
  const stores = spawn("node", [
    ...[oxalis, "stand-in", "store", "--port", "0", "--json", "--folder", kept],
    ...["--owner", "Lanternfield", "--seed", "an example"],
  ]);
  try {
    const told = await new Promise((done) => stores.stdout.once("data", (part) => done(String(part))));
    const { address, settings } = JSON.parse(told);
    appendFileSync(join(folder, "oxalis.yaml"), `\n${settings}\n`);
    writeFileSync(join(folder, "testers.yaml"), testers);
    const env = { ...process.env, ...credentialsIn(kept), OXALIS_PASSPHRASE: passPhrase };
    const run = (...args) => {
      console.log(`\n> oxalis ${args.join(" ")}`);
      return spawnSync("node", [oxalis, ...args, "-C", folder], { stdio: "inherit", env }).status;
    };
    const form = (path, fields) =>
      fetch(address + path, { method: "POST", body: new URLSearchParams(fields), headers });
    // Between two calls, more time passes than a connection is kept open.
    const headers = { connection: "close" };
    const later = (hours) => form("/clock", { hours: String(hours) });
    const play = ["--store", "google-play", "--wait", "0"];
    const decide = async (client, decision) => {
      const app = appOf(folder, client);
      await form("/review", { store: "google-play", app, ...decision });
    };
    const submit = (client, ...more) => run("submit", client, ...play, ...more, "-q");

    for (const client of ["3-acre", "saltmarsh", "root-and-leaf"]) submit(client);
    submit("zelena-griadka", "--until", "details");
    run("submit", "saltmarsh", "--store", "app-store", "--until", "details", "-q");
    await later(3 * hour);
    for (const client of ["3-acre", "saltmarsh", "root-and-leaf"]) submit(client);
    await comeToTry(folder, address);
    await later(20 * hour);
    await decide("3-acre", { decision: "accept" });
    await decide("saltmarsh", { decision: "accept" });
    const says = "The pictures show another app's colours.";
    await decide("root-and-leaf", { decision: "refuse", rule: "Metadata", where: "phone 1", says });
    submit("3-acre", "--out", "everybody");
    submit("saltmarsh", "--out", "everybody");
    await later(5 * day);
    run("release", "saltmarsh", "--minor", "--note", "The tide's days, earlier", "--platform", "android", "-q");
    run("build", "saltmarsh", "--platform", "android", "-q");
    submit("saltmarsh");
    await later(3 * hour);
    submit("saltmarsh");
    await later(20 * hour);
    await decide("saltmarsh", { decision: "accept" });
    run("submit", "saltmarsh", ...play, "--out", "20%");
    run("testers", "root-and-leaf", "--look");
    run("events", "--look", "-q");
    return address;
  } finally {
    stores.kill();
  }
}

/** One of those who were invited comes. */
async function comeToTry(folder, address) {
  const app = appOf(folder, "root-and-leaf");
  const { createHash } = await import("node:crypto");
  const mark = createHash("sha256").update(`${app} ada@field.example`).digest("hex").slice(0, 20);
  await fetch(`${address}/join/google-play/${app}/${mark}`, { method: "POST" });
}

/** What a store calls a client's app, as the history has it. */
function appOf(folder, client) {
  const history = join(folder, "clients", client, "history");
  const file = readdirSync(history).find((each) => /^event-google-play-\d+-1\.json$/.test(each));
  return JSON.parse(readFileSync(join(history, file), "utf8")).app;
}

/** What stores have shown once, as variables. */
export const credentialsIn = (kept) =>
  Object.fromEntries(
    readdirSync(kept).flatMap((file) => {
      const text = file.endsWith(".env") || file.endsWith(".p8") ? readFileSync(join(kept, file), "utf8") : "";
      if (file.endsWith(".p8")) return [["STORE_KEY", text]];
      return text
        .split("\n")
        .filter(Boolean)
        .map((line) => line.split("="));
    }),
  );

const testers = `# Who tries the apps before everybody gets them.
groups: { studio: inner, field: outer }
testers:
  - { name: Mara Lind, address: mara@lanternfield.example, language: en, group: studio, consent: 2026-02-02 }
  - name: Ada Field
    address: ada@field.example
    language: en
    group: field
    clients: [root-and-leaf]
    consent: 2026-02-03
  - name: Bo Marsh
    address: bo@field.example
    language: de
    group: field
    clients: [root-and-leaf]
    consent: 2026-02-03
`;
