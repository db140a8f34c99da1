import * as z from "zod";
import { storeKeys } from "../../ground/values/store.ts";
import { happeningKinds } from "../../stores/happening.ts";
import { historyOf } from "./entries.ts";

const schema = z.strictObject({
  form: z.literal(1),
  store: z.enum(storeKeys),
  /** What the store knows it by, or, of what somebody has noted, a name of our own. */
  id: z.string().regex(/^[A-Za-z0-9.-]{1,80}$/),
  kind: z.enum(happeningKinds),
  at: z.iso.datetime(),
  /** Who noted it, where it did not come from the store itself. */
  by: z.string().optional(),
  version: z.string().optional(),
  build: z.int().min(1).optional(),
  share: z.number().min(0).max(100).optional(),
  says: z.string().max(20_000).optional(),
  rule: z.string().max(1000).optional(),
  where: z.string().max(1000).optional(),
  app: z.string().max(1000).optional(),
});

/** Something that has happened to a client's app in a store, as it is kept. */
export type KeptHappening = Omit<z.infer<typeof schema>, "form">;

const prefix = "event-";

const nameOf = ({ store, id }: KeptHappening): string => `${prefix}${store}-${id}`;

/** In the order in which it happened. */
export const inOrder = (all: readonly KeptHappening[]): KeptHappening[] =>
  [...all].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.id.localeCompare(b.id, "en", { numeric: true }));

/** What has happened to each client's app in stores, the oldest first: an entry each. Stops: history-damaged */
export const happeningsOf = historyOf({
  damaged: "history-damaged",
  schemaOf: (name) => (name.startsWith(prefix) ? schema : undefined),
  understood: (entries): readonly KeptHappening[] =>
    inOrder([...entries].map(([, { form: _, ...happening }]) => happening)),
  entriesOf: (all: readonly KeptHappening[]) =>
    new Map(all.map((each) => [nameOf(each), { form: 1 as const, ...each }])),
});
