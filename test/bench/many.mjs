// Many clients: making all of them, none of them, and the pictures of one.
import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { measured, measuredInTurn, program, report, took, work } from "./measure.mjs";

/**
 * A workspace of so many clients, each with a mark and a ground of its own, so that none shares a picture with
 * another.
 */
function farms(count) {
  const folder = join(work, `farms-${count}`);
  execFileSync("node", [program, "demo", folder]);
  rmSync(join(folder, "clients"), { recursive: true });
  const mark = readFileSync("demo/clients/brennans-bothy/art/mark.svg", "utf8");
  for (let at = 0; at < count; at++) {
    const target = join(folder, "clients", `farm-${at}`);
    mkdirSync(join(target, "art"), { recursive: true });
    writeFileSync(join(target, "art", "mark.svg"), mark.replace("</svg>", `<!-- ${at} --></svg>`));
    const brief = {
      app: { name: `Farm ${at}` },
      owner: `Farm ${at} Ltd`,
      domain: `farm${at}.example`,
      email: `post@farm${at}.example`,
      colors: { brand: "#1f5d4c", ground: `#1f5d${(at % 256).toString(16).padStart(2, "0")}` },
      art: { mark: "art/mark.svg" },
      content: {
        boxes: [1, 2, 3].map((n) => ({ title: `Box ${n}`, price: 10 + n, photo: `boxes/${n}.jpg` })),
      },
    };
    cpSync("demo/clients/3-acre/boxes", join(target, "boxes"), { recursive: true });
    writeFileSync(join(target, "brief.yaml"), JSON.stringify(brief));
  }
  return folder;
}

/** @param most clients; the more, the longer it takes. */
export function benchMany(most) {
  console.log(`\nMany clients: 10 and ${most}`);
  const [few, many] = [10, most].map((count) => {
    const folder = farms(count);
    // Peak memory differs from run to run: of few clients it is measured more than once, each time in a place of its
    // own.
    const places = Array.from({ length: count <= 10 ? 3 : 1 }, (_, run) => (run === 0 ? folder : `${folder}-${run}`));
    for (const place of places.slice(1)) cpSync(folder, place, { recursive: true });
    const argsIn = (place) => [program, "generate", "-q", "-C", place];
    const [cold] = measuredInTurn([(run) => ["node", argsIn(places[run])]], places.length);
    const again = measured("node", argsIn(folder), { runs: 3 });
    console.log(`        ${count} cold       ${took(cold)}`);
    console.log(`        ${count} unchanged  ${took(again)}`);
    return { count, folder, cold, again };
  });
  const among = (count, { cold }, what) => cold[what] / count;
  report("time a client cold, as a multiple of among 10", among(most, many, "real") / among(10, few, "real"), 1.1);
  report("the same, of processor", among(most, many, "cpu") / among(10, few, "cpu"), 1.1);
  report("peak memory cold, as a multiple of 10", many.cold.memory / few.cold.memory, 1.3);
  // Of few clients, starting the program is most of it.
  const goal = most >= 200 ? 0.01 : undefined;
  report("nothing changed, as a share of all cold", many.again.real / many.cold.real, goal);
  report("nothing changed, in seconds", many.again.real, 2);
  const target = join(many.folder, "clients", "farm-3", "art", "mark.svg");
  // Another mark that is seen on this ground.
  writeFileSync(target, readFileSync(target, "utf8").replace("<svg ", '<svg data-mended="yes" '));
  const { clients } = JSON.parse(
    execFileSync("node", [program, "generate", "--json", "-C", many.folder], {
      encoding: "utf8",
      maxBuffer: 1 << 28,
      stdio: ["ignore", "pipe", "ignore"],
    }),
  );
  const touched = clients.filter((each) => each.changes.length > 0).map((each) => each.client);
  const pictures = clients.flatMap((each) => each.changes);
  report("one client's mark changed: clients touched", touched.length, 1);
  console.log(
    `        (${touched.join(", ")}: ${pictures.length} files, ` +
      `${pictures.filter(({ path }) => /\.(png|ico|svg)$/.test(path)).length} of them pictures)`,
  );
}
