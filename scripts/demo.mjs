// Sets everything up and runs the whole example: npm run demo [-- folder]
import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { buildDemo, has, makeDemoKeys } from "./demo-keys.mjs";
import { goIntoStores } from "./demo-stores.mjs";
import { installPackages, must, requireNode, run } from "./run.mjs";

requireNode();
installPackages();
must("node", ["scripts/build.mjs"]);

let folder = process.argv[2] ?? "oxalis-demo";
for (let number = 2; existsSync(folder); number++) folder = `${process.argv[2] ?? "oxalis-demo"}-${number}`;
const oxalis = resolve("dist/oxalis.js");
must("node", [oxalis, "demo", folder]);
must("node", [oxalis, "clients", "-C", folder]);
const passedOver = await makeDemoKeys(folder, oxalis);
for (const command of ["generate", "audit", "proof", "clients"]) must("node", [oxalis, command, "-C", folder]);
const hasTools = has("aapt2", "zipalign", "apksigner", "osslsigncode");
if (hasTools) {
  buildDemo(folder, oxalis);
  must("node", [oxalis, "builds", "-q", "-C", folder, "--page", resolve(folder, "builds.html")]);
  await goIntoStores(folder, oxalis);
  // It ends with 1, since something is missing still: that is what it shows.
  run("node", [oxalis, "board", "-C", folder, "--page", resolve(folder, "board.html")]);
} else
  passedOver.push(
    "packages of Android and Windows: they are built by aapt2, zipalign, apksigner and osslsigncode (Debian packages of these names; aapt2 is in aapt)",
  );

console.log(`
Done. Look at it:

    the proof page      ${resolve(folder, "variants/proof.html")}
${hasTools ? `    where it all is     ${resolve(folder, "board.html")}\n    what was built      ${resolve(folder, "builds.html")}\n` : ""}    a client's apps     ${resolve(folder, "variants/brennans-bothy")}
    what it came from   ${resolve(folder, "clients/brennans-bothy/brief.yaml")}

    what signs them     oxalis keys; the vault beside it opens by "this opens an example alone"
${passedOver.map((each) => `\nNot shown, since its tool is not here: ${each}\n`).join("")}
Then change a colour or a picture in clients/, and in that folder:

    node ${oxalis} generate
    node ${oxalis} proof
`);
