import pLimit from "p-limit";
import type { Problem } from "../../ground/problems/problem.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import type { StepName } from "../../making/submitting/step-names.ts";
import { type GoingOut, goingOutWire } from "../../making/submitting/wire.ts";
import type { OfClients } from "./chosen.ts";
import { openDoors } from "./doors.ts";
import { type Into, intoStores } from "./into.ts";
import { type Submitted, submitOne } from "./one-submission.ts";
import type { Ports } from "./ports.ts";
import { seenChanges } from "./seen.ts";
import type { At } from "./workspace.ts";

export interface SubmitInput extends At, OfClients, Into {
  until: StepName;
  dryRun: boolean;
  /** So many minutes a store's own work is waited for. */
  wait: string;
  /** What is answered to a refusal or a question. */
  reply?: string | undefined;
  /** How an approved version goes out: everybody, 20%, phases, halt, go-on. */
  out?: string | undefined;
  /** A version that was sent is taken back. */
  takeBack: boolean;
}

export interface AllSubmitted {
  submitted: readonly Submitted[];
  problems: readonly Problem[];
}

/** So many clients go into one store at a time. */
const atOnce = 8;

/** Brings clients' apps into stores, as far as each goes; one that is refused stops nobody else. */
export async function submitAll(input: SubmitInput, ports: Ports): Promise<AllSubmitted> {
  const asked = askedIn(input);
  const patience = minutesIn(input.wait) * 60_000;
  const { workspace, all, into, problems } = await intoStores(input, ports);
  const doors = openDoors(workspace, all, ports);
  if ((input.reply !== undefined || input.takeBack) && into.length > 1)
    refuse("submission-unclear", `This is for ${into.length} apps in stores at once.`, {
      expected: "one client and one store: --store <store>",
    });
  const limits = new Map<StoreKey, ReturnType<typeof pLimit>>();
  const inStore = (key: StoreKey) => {
    const limit = limits.get(key) ?? pLimit(atOnce);
    limits.set(key, limit);
    return limit;
  };
  const submitted = await Promise.all(
    into.map(({ view, store, wanted }) =>
      inStore(store.key)(() => {
        const { client, variant } = view;
        return submitOne(
          {
            ...{ ...wanted, workspace, client: client.key, variant, store, asked, patience },
            ...{ until: input.until, dryRun: input.dryRun },
            door: () => doors.of(view, store.key),
            seen: (build) => seenChanges(workspace, view, build),
          },
          ports,
        );
      }),
    ),
  );
  return { submitted, problems };
}

const askedIn = ({ reply, out, takeBack }: SubmitInput) => ({
  ...(reply === undefined ? {} : { reply }),
  ...(out === undefined ? {} : { out: goingIn(out) }),
  ...(takeBack ? { takeBack } : {}),
});

/** How something goes out, as it was typed. Stops: value-invalid */
function goingIn(said: string): GoingOut {
  const share = said.match(/^(\d{1,2}(?:\.\d{1,2})?|100)\s*%$/)?.[1];
  const read = goingOutWire.safeParse(share === undefined ? { how: said } : { how: "share", share: Number(share) });
  return read.success
    ? read.data
    : refuse("value-invalid", `"${said}" is no way out.`, {
        expected: "everybody, a share such as 20%, phases, halt or go-on",
      });
}

function minutesIn(said: string): number {
  return /^\d{1,4}$/.test(said)
    ? Number(said)
    : refuse("value-invalid", `"${said}" is no number of minutes.`, { expected: "such as 30; 0 to wait for nothing" });
}
