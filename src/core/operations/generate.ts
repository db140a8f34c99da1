import type { Layout } from "../ground/values/layout.ts";
import { type Generated, generate } from "../making/make/generate.ts";
import { drawsElsewhere } from "../making/sharing/drawing.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { handingOut } from "./running/machines.ts";
import { operation } from "./running/operation.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Decide and report, but write nothing. */
  dryRun: boolean;
  /** Refuse to run where a ledger would have to change. */
  settled: boolean;
  /** Press every picture as small as it goes. */
  smallest: boolean;
  /** Other machines draw, by the queue that oxalis.yaml names. */
  queue: boolean;
  /** Whole projects, or only what differs; what oxalis.yaml says where absent. */
  layout?: Layout | undefined;
}

/** Brings variants to what their inputs say. */
export const makeVariants = operation(
  ({ workspace, stage, queue, ...input }: Input, ports): Promise<Generated> =>
    inWorkspace({ workspace, stage }, ports, { writes: !input.dryRun }, async (opened) => {
      const clients = await chooseClients(opened, input);
      const given = { ...input, clients, today: ports.today(), cache: ports.openCache(opened.root), on: ports.on };
      if (!queue || input.dryRun) return generate(opened, given);
      const handing = await handingOut(opened, ports);
      try {
        const drawElsewhere = drawsElsewhere(handing, () => ports.on({ what: "drawn-here" }));
        return await generate(opened, { ...given, drawElsewhere });
      } finally {
        await handing.close();
      }
    }),
);
