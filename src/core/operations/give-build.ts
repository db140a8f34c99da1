import { type BuildRecord, buildSlot, buildsAt, buildsOf } from "../agency/history/builds.ts";
import { writeTogether } from "../ground/files/writing/together.ts";
import { refuse } from "../ground/problems/result.ts";
import { type Platform, platformNames } from "../ground/values/platform.ts";
import type { Receiver } from "../ground/values/receiver.ts";
import { onlyThing } from "./running/one-thing.ts";
import { operation } from "./running/operation.ts";
import { noted } from "./running/ports.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At {
  /** One client. */
  clients: readonly string[];
  /** One platform. */
  platforms: readonly Platform[];
  /** The build's number; the last good one's where absent. */
  number?: string | undefined;
  to: Receiver;
}

/** Writes down that somebody has a build: its files then stay, however old it gets. Stops: build-refused */
export const giveBuild = operation(
  (input: Input, ports): Promise<BuildRecord & { client: string }> =>
    inWorkspace(input, ports, { writes: true }, async (workspace) => {
      const { root } = workspace;
      const { client, platform } = onlyThing(workspace, input, {
        message: "A build that is given to somebody is one client's, on one platform.",
        expected: `oxalis builds <client> --platform <platform> --given-to ${input.to}`,
      });
      const all = buildsOf.read(root, client.key) ?? {};
      const own = buildsAt(all, workspace.stage?.name ?? "store", platform);
      const found = own.find(
        ({ state, build }) => state === "good" && (input.number === undefined || String(build) === input.number),
      );
      if (!found) {
        const which = input.number === undefined ? "no good build" : `no good build of number ${input.number}`;
        const numbers = own.filter(({ state }) => state === "good").map(({ build }) => build);
        return refuse("build-refused", `${client.key} has ${which} for ${platformNames[platform]}.`, {
          ...{ client: client.key, platform },
          expected: numbers.length > 0 ? `one of ${numbers.slice(0, 8).join(", ")}` : "`oxalis build` first",
        });
      }
      if (found.given.some(({ to }) => to === input.to)) return { ...found, client: client.key };
      const given: BuildRecord = {
        ...found,
        given: [...found.given, { to: input.to, on: ports.today(), ...noted(ports) }],
      };
      writeTogether(root, buildsOf.changes(root, client.key, { ...all, [buildSlot(given)]: given }));
      return { ...given, client: client.key };
    }),
);
