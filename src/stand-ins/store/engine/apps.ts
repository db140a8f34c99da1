import type * as z from "zod";
import type { creationWire } from "../../../core/making/submitting/wire.ts";
import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { type Account, changed, happen, type KeptApp, type Outcome, type Parts, type Wrong, wrong } from "./kept.ts";

const day = 86_400_000;

/** A name as a store compares it. */
export const foldedName = (name: string): string => name.normalize("NFKC").trim().toLowerCase();

/** Agreements of an account that nobody has signed. */
export const unsigned = ({ agreements }: Account): string[] =>
  Object.entries(agreements).flatMap(([name, since]) => (since === null ? [name] : []));

/** What keeps an account from doing anything. */
export function closedTo(account: Account): Wrong | undefined {
  const [first] = unsigned(account);
  return first === undefined
    ? undefined
    : wrong(403, `"${first}" is to be signed first.`, { rule: "agreement", lacks: unsigned(account) });
}

/** A new record. @param others whether somebody has this name, or this identifier */
export function createApp(
  store: StoreDefinition,
  account: Account,
  asked: z.infer<typeof creationWire>,
  at: { now: number; app: string; others: { name: boolean; identifier: boolean } },
): Outcome {
  const { identifier, name, language, facts } = asked;
  const closed = closedTo(account);
  if (closed) return closed;
  const missing = store.creates.filter((field) => field !== "name" && field !== "sku" && facts[field] === undefined);
  if (missing.length > 0) return wrong(422, `${missing.join(", ")} is to be given.`, { lacks: missing });
  if (at.others.identifier)
    return wrong(409, `${identifier} is another app's.`, { rule: "identifier unique", where: "identifier" });
  if (at.others.name) return wrong(409, `"${name}" is another app's name.`, { rule: "name unique", where: "name" });
  const { nameHeld } = store.conduct;
  const app: KeptApp = {
    ...{ app: at.app, store: store.key, account: account.account, revision: 0, identifier, name, language },
    created: at.now,
    ...(nameHeld ? { heldUntil: at.now + nameHeld.days * day } : {}),
    draft: { texts: { [language]: { name } }, facts, answers: {}, pictures: [], goods: [] },
    ...{ builds: [], testers: {}, testing: [], happened: [] },
  };
  return { app: happen(app, at.now, { kind: "created", app: at.app, says: name }) };
}

/** Whether a version is looked at: its record stands still then. */
export const isHeld = ({ version }: KeptApp): boolean =>
  version?.station === "waiting" || version?.station === "in-review";

/** Changes what a record says. @param says what was told, for the history */
export function tell(app: KeptApp, parts: Partial<Parts>, says: string, now: number): Outcome {
  if (isHeld(app))
    return wrong(409, "A version is looked at: what it says stands still meanwhile.", { rule: "in review" });
  const draft = { ...app.draft, ...parts };
  return { app: happen(changed(app, { draft }), now, { kind: "told", says }) };
}

/** Whether the record says something else than people see. */
export const isChanged = ({ draft, shown }: KeptApp): boolean => JSON.stringify(draft) !== JSON.stringify(shown);
