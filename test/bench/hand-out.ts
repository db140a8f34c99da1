// Puts jobs that do nothing into a queue, waits until they have ended, and prints how long that took, in seconds.
import { folderContents } from "../../src/core/ground/contents/folder.ts";
import { openQueue } from "../../src/core/ground/queue/open.ts";
import { openHandingOut } from "../../src/core/making/sharing/handing-out.ts";
import { drawingKind } from "../../src/core/making/sharing/ticket.ts";

async function handOut(place: string, contents: string, count: number, wanted: number): Promise<void> {
  const queue = await openQueue(place);
  let machines = await queue.machines();
  while (machines.length < wanted) {
    await new Promise((over) => setTimeout(over, 50));
    machines = await queue.machines();
  }
  // The machines' own version: this is another program.
  const handing = openHandingOut(queue, folderContents(contents), machines[0]?.version ?? "");
  const order = JSON.stringify({ form: 1, client: "nobody", layout: "tree", entries: [] });
  const says = { what: "drawing", client: "nobody", says: "nothing", smallest: false } as const;
  const started = performance.now();
  const all = Array.from({ length: count }, (_, at) =>
    handing.carry(`nothing.${process.pid}.${at}`, drawingKind, order, says),
  );
  for (const done of await Promise.all(all))
    if (!done?.ok) throw new Error(`a job has not ended well: ${JSON.stringify(done)}`);
  console.log((performance.now() - started) / 1000);
  await handing.close();
}

const [place = "", contents = "", count = "", wanted = ""] = process.argv.slice(2);
void handOut(place, contents, Number(count), Number(wanted));
