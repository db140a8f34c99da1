import type { Hono } from "hono";
import * as z from "zod";
import { sumForm } from "../../../core/ground/values/hash.ts";
import { type StoreKey, storeKeys } from "../../../core/ground/values/store.ts";
import type { Clock } from "../clock.ts";
import type { Account } from "../engine/kept.ts";
import { happen } from "../engine/kept.ts";
import { decide } from "../engine/reviews.ts";
import { takePart } from "../engine/testing.ts";
import type { Keeping } from "../keeping.ts";
import { joinPage } from "../pages/join.tsx";
import { reviewPage } from "../pages/review.tsx";
import { seenPage } from "../pages/seen.tsx";
import { startPage, waits } from "../pages/start.tsx";
import type { OpenStore } from "../store.ts";

interface PeopleWith {
  stores: Readonly<Record<StoreKey, OpenStore>>;
  keeping: Keeping;
  clock: Clock;
}

const decisionForm = z.object({
  store: z.enum(storeKeys),
  app: z.string().max(40),
  decision: z.enum(["accept", "refuse", "ask"]),
  rule: z.string().max(100).default(""),
  where: z.string().max(200).default(""),
  says: z.string().max(4000).default(""),
});

/** What is shown on pages, by four bytes of it. */
const mediaTypes = [
  { at: 0, hex: "89504e47", type: "image/png" },
  { at: 4, hex: "66747970", type: "video/mp4" },
];

const agreementForm = z.object({ account: z.string().max(60), agreement: z.string().max(200) });
const clockForm = z.object({ hours: z.coerce.number().min(0).max(20_000) });

/** Pages of the people who run the stores: the clock, what waits to be reviewed, what users see. */
export function addPeople(service: Hono, { stores, keeping, clock }: PeopleWith): void {
  // A page from elsewhere sends nothing here.
  service.use("*", async (context, next) => {
    const origin = context.req.header("origin");
    const isOwn = origin === undefined || (URL.canParse(origin) && new URL(origin).host === context.req.header("host"));
    return context.req.method === "GET" || isOwn ? next() : context.text("Another page asks for this.", 403);
  });

  service.get("/", (context) =>
    context.html(
      startPage({
        now: clock.now(),
        isByHand: Object.values(stores).some(({ manner }) => manner.isByHand),
        stores: storeKeys.map((key) => ({
          store: stores[key].store,
          apps: stores[key].everything(),
          accounts: accountsIn(key),
        })),
      }),
    ),
  );
  const accountsIn = (key: StoreKey): Account[] =>
    [...keeping.accounts.getRange()].map(({ value }) => value).filter(({ store }) => store === key);

  service.post("/clock", async (context) => {
    const form = clockForm.safeParse(await context.req.parseBody());
    if (!form.success) return context.text("So far it cannot be put forward.", 400);
    clock.forward(form.data.hours * 3_600_000);
    return context.redirect("/", 303);
  });

  service.get("/review", (context) => {
    const waiting = storeKeys.flatMap((key) =>
      stores[key]
        .everything()
        .filter(waits)
        .map((app) => ({ store: stores[key].store, app })),
    );
    waiting.sort((a, b) => (a.app.version?.since ?? 0) - (b.app.version?.since ?? 0));
    return context.html(reviewPage({ waiting }));
  });

  service.post("/review", async (context) => {
    const form = decisionForm.safeParse(await context.req.parseBody());
    if (!form.success) return context.text("It is not as the page sends it.", 400);
    const { store, app, decision, rule, where, says } = form.data;
    if (decision !== "accept" && says.trim() === "") return context.text("Say what is wrong, or what is asked.", 422);
    const open = stores[store];
    const outcome = open.asStaff(app, (kept, now) =>
      decide(
        open.store,
        kept,
        decision === "accept"
          ? { decision }
          : { decision, rule: rule || "no rule named", says, ...(where === "" ? {} : { where }) },
        now,
      ),
    );
    return "app" in outcome ? context.redirect("/review", 303) : context.text(outcome.wrong, outcome.status as 409);
  });

  service.post("/agreements", async (context) => {
    const form = agreementForm.safeParse(await context.req.parseBody());
    const account = form.success ? keeping.accounts.get(form.data.account) : undefined;
    if (!form.success || !account || !(form.data.agreement in account.agreements))
      return context.text("There is no such agreement.", 404);
    const { agreement } = form.data;
    const isSigned = account.agreements[agreement] !== null;
    const agreements = { ...account.agreements, [agreement]: isSigned ? null : clock.now() };
    keeping.within(() => keeping.accounts.putSync(account.account, { ...account, agreements }));
    const kind = isSigned ? "agreement-open" : "agreement-signed";
    const open = stores[account.store];
    for (const { app, account: own } of open.everything())
      if (own === account.account)
        open.asStaff(app, (kept, now) => ({ app: happen(kept, now, { kind, says: agreement }) }));
    return context.redirect("/", 303);
  });

  service.get("/seen/:store/:app", (context) => {
    const key = storeKeys.find((each) => each === context.req.param("store"));
    const app = key && stores[key].everything().find((each) => each.app === context.req.param("app"));
    return key && app ? context.html(seenPage(stores[key].store, app)) : context.text("There is no such app.", 404);
  });

  const joined = (store: string, app: string) => {
    const key = storeKeys.find((each) => each === store);
    const kept = key && stores[key].everything().find((each) => each.app === app);
    return key && kept ? { open: stores[key], kept } : undefined;
  };
  service.get("/join/:store/:app/:mark", (context) => {
    const { store, app } = context.req.param();
    const found = joined(store, app);
    return found ? context.html(joinPage(found.open.store, found.kept)) : context.text("There is no such app.", 404);
  });
  service.post("/join/:store/:app/:mark", (context) => {
    const { store, app, mark } = context.req.param();
    const found = joined(store, app);
    if (!found) return context.text("There is no such app.", 404);
    const outcome = found.open.asStaff(app, (kept, now) => takePart(kept, mark, now));
    return "app" in outcome ? context.text("You take part. Thank you!") : context.text(outcome.wrong, 404);
  });

  service.get("/pictures/:sum", (context) => {
    const sum = context.req.param("sum");
    const known = sumForm.test(sum) ? keeping.uploads.get(sum) : undefined;
    if (!known?.isWhole || known.kind !== "picture") return context.text("There is no such picture.", 404);
    const bytes = keeping.bytesOf(sum);
    const type = mediaTypes.find(({ at, hex }) => bytes.toString("hex", at, at + 4) === hex)?.type ?? "image/jpeg";
    return context.body(Uint8Array.from(bytes), 200, { "content-type": type, "x-content-type-options": "nosniff" });
  });
}
