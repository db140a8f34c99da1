import { randomUUID } from "node:crypto";
import { OpenAPIHono } from "@hono/zod-openapi";
import type { Context } from "hono";
import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { createApp, tell } from "../engine/apps.ts";
import { attach, takeBuild } from "../engine/builds.ts";
import { appNumber } from "../engine/chance.ts";
import { goOut } from "../engine/going-out.ts";
import { type Account, type KeptApp, type Outcome, wrong } from "../engine/kept.ts";
import { lookAtRecord } from "../engine/look.ts";
import { reply, submit, withdraw } from "../engine/reviews.ts";
import { giveToTesters, setTesters } from "../engine/testing.ts";
import { accountOf, tokenFor } from "../entry.ts";
import { numberBehind } from "../over-the-wire.ts";
import type { Answer, OpenStore } from "../store.ts";
import { beginUpload, takePart } from "../uploads.ts";
import type { Weather } from "../weather.ts";
import * as route from "./routes.ts";

/** What an account is told that has called too often, in seconds. */
type Throttle = (who: string, most: number | undefined) => number | undefined;

interface ServiceWith {
  open: OpenStore;
  weather: () => Weather;
  throttle: Throttle;
  /** The machine's own clock, in milliseconds since 1970: tokens go by it. */
  real: () => number;
}

type Env = { Variables: { account: Account } };

/** Largest part of a file that comes at once, in bytes. */
const largestPart = 16 * 1024 * 1024;

/** A store over HTTP, described at /description.json (OpenAPI 3.1). */
export function storeService({ open, weather, throttle, real }: ServiceWith): OpenAPIHono<Env> {
  const { store, keeping, manner } = open;
  const service = new OpenAPIHono<Env>({
    defaultHook: (result, context) =>
      result.success
        ? undefined
        : context.json(
            { wrong: result.error.issues.map(({ path, message }) => `${path.join(".")}: ${message}`).join("; ") },
            400,
          ),
  });
  describe(service, store);

  service.use("*", async (context, next) => {
    const { outage, slow, losesAnswers } = weather();
    if (slow > 0) await new Promise((over) => setTimeout(over, slow));
    if (outage) return context.json({ wrong: "Nobody is there at present." }, 503);
    await next();
    // It is done, and whoever asked for it never hears of it.
    if (context.req.method !== "GET" && Math.random() < losesAnswers) context.res = brokenOff();
  });
  for (const path of ["/apps", "/apps/*", "/uploads", "/uploads/*", "/hook"])
    service.use(path, async (context, next) => {
      const [kind, token = ""] = (context.req.header("authorization") ?? "").split(" ");
      const account = kind === "Bearer" ? await accountOf(keeping, store.key, token, real) : undefined;
      if (!account) return context.json({ wrong: "The token is not known, or has ended." }, 401);
      const wait = throttle(account.account, weather().callsAMinute);
      if (wait !== undefined) return context.json({ wrong: "Too many calls." }, 429, { "retry-after": String(wait) });
      context.set("account", account);
      return next();
    });

  const pictureOf = (sum: string) => (open.upload(sum)?.isWhole ? keeping.bytesOf(sum) : undefined);
  const today = () => new Date(open.now()).toISOString().slice(0, 10);

  /** How an act was asked for. */
  const askedFor = (context: Context<Env>, body: unknown) => ({
    account: context.get("account"),
    key: context.req.header("idempotency-key"),
    match: context.req.header("if-match"),
    what: `${context.req.method} ${context.req.path} ${JSON.stringify(body ?? null)}`,
  });
  const answer = (context: Context<Env>, { status, body, tag }: Answer) =>
    context.body(body, status as never, {
      "content-type": "application/json",
      ...(tag === undefined ? {} : { etag: tag }),
    }) as never;
  const change = (context: Context<Env>, body: unknown, work: (app: KeptApp, now: number) => Outcome) =>
    answer(context, open.change(askedFor(context, body), context.req.param("app") ?? "", work));

  service.openapi(route.tokenRoute, (context) => {
    const given = tokenFor(keeping, store.key, context.req.header("authorization"), real);
    return given ? context.json(given, 200) : context.json({ wrong: "The credentials are not known." }, 401);
  });

  service.openapi(route.listRoute, (context) => {
    const { identifier, after = "", most } = context.req.valid("query");
    return context.json(open.list(context.get("account"), { identifier, after, most }), 200) as never;
  });
  service.openapi(route.createAppRoute, (context) => {
    const body = context.req.valid("json");
    const account = context.get("account");
    return answer(
      context,
      open.create(askedFor(context, body), () =>
        createApp(store, account, body, {
          now: open.now(),
          app: appNumber(manner.seed === "" ? randomUUID() : manner.seed, `${store.key} ${body.identifier}`),
          others: {
            name: open.isTaken("name", body.name),
            identifier: open.isTaken("identifier", body.identifier),
          },
        }),
      ),
    );
  });
  service.openapi(route.readRoute, (context) =>
    answer(context, open.read(context.req.valid("param").app, context.get("account"))),
  );
  service.openapi(route.happeningsRoute, (context) => {
    const { app } = context.req.valid("param");
    const { after, most } = context.req.valid("query");
    const page = open.happenings(context.get("account"), app, numberBehind(app, after), most);
    return (page ? context.json(page, 200) : context.json({ wrong: `There is no app ${app}.` }, 404)) as never;
  });

  service.openapi(route.textsRoute, (context) => {
    const { language } = context.req.valid("param");
    const fields = context.req.valid("json");
    return change(context, fields, (app, now) => tellTexts(app, language, fields, now));
  });
  const tellTexts = (
    app: KeptApp,
    language: string,
    fields: Readonly<Record<string, string>>,
    now: number,
  ): Outcome => {
    const name = language === app.language ? fields.name : undefined;
    if (name !== undefined && open.isTaken("name", name, app.app))
      return wrong(409, `"${name}" is another app's name.`, { rule: "name unique", where: "name" });
    const { [language]: _, ...others } = app.draft.texts;
    const texts = Object.keys(fields).length > 0 ? { ...others, [language]: fields } : others;
    const named = name === undefined ? app : { ...app, name };
    return tell(named, { texts }, `texts (${language})`, now);
  };
  service.openapi(route.factsRoute, (context) => {
    const facts = context.req.valid("json");
    return change(context, facts, (app, now) => tell(app, { facts }, "facts", now));
  });
  service.openapi(route.answersRoute, (context) => {
    const answers = context.req.valid("json");
    return change(context, answers, (app, now) => tell(app, { answers }, "answers", now));
  });
  service.openapi(route.goodsRoute, (context) => {
    const goods = context.req.valid("json");
    return change(context, goods, (app, now) => tell(app, { goods }, "goods", now));
  });
  service.openapi(route.picturesRoute, (context) => {
    const pictures = context.req.valid("json");
    return change(context, pictures, (app, now) => {
      const missing = pictures.find(({ sum }) => !open.upload(sum)?.isWhole);
      if (missing) return wrong(422, `No picture was uploaded as ${missing.sum}.`, { where: missing.slot });
      return tell(app, { pictures }, "pictures", now);
    });
  });

  service.openapi(route.buildsRoute, async (context) => {
    const sent = context.req.valid("json");
    const there = open.upload(sent.sum);
    const facts = there?.isWhole ? await open.packageOf(sent.sum) : undefined;
    return change(context, sent, (app, now) =>
      there?.isWhole
        ? takeBuild(store, app, sent, { facts, now, seed: manner.seed })
        : wrong(422, `No package was uploaded as ${sent.sum}.`, { where: "sum" }),
    );
  });
  service.openapi(route.versionRoute, (context) => {
    const of = context.req.valid("json");
    return change(context, of, (app, now) => attach(app, of, now));
  });
  service.openapi(route.testersRoute, (context) => {
    const testers = context.req.valid("json");
    const { track } = context.req.valid("param");
    return change(context, testers, (app) => setTesters(store, app, track, testers));
  });
  service.openapi(route.testingRoute, (context) => {
    const of = context.req.valid("json");
    return change(context, of, (app, now) => giveToTesters(store, app, of, { now, seed: manner.seed }));
  });
  service.openapi(route.submitRoute, (context) => {
    const user = context.req.valid("json").access?.user;
    return change(context, user, (app, now) =>
      submit(store, context.get("account"), app, {
        ...{ now, seed: manner.seed, user },
        looked: lookAtRecord(store, app, pictureOf, today()),
      }),
    );
  });
  service.openapi(route.withdrawRoute, (context) => change(context, undefined, withdraw));
  service.openapi(route.repliesRoute, (context) => {
    const { says } = context.req.valid("json");
    return change(context, says, (app, now) => reply(app, says, now));
  });
  service.openapi(route.goingOutRoute, (context) => {
    const how = context.req.valid("json");
    return change(context, how, (app, now) => goOut(store, app, how, now));
  });

  service.openapi(route.uploadRoute, (context) => {
    const begun = beginUpload(keeping, context.req.valid("json"));
    return "status" in begun ? context.json({ wrong: begun.wrong }, 422) : context.json(begun, 200);
  });
  service.openapi(route.partRoute, async (context) => {
    const bytes = new Uint8Array(await context.req.arrayBuffer());
    if (bytes.length > largestPart) return context.json({ wrong: `At most ${largestPart} bytes at once.` }, 422);
    const taken = takePart(keeping, context.req.valid("param").sum, context.req.valid("query").from, bytes);
    return "status" in taken
      ? (context.json({ wrong: taken.wrong }, taken.status as 422) as never)
      : context.json(taken, 200);
  });
  service.openapi(route.hookRoute, (context) => {
    const hook = context.req.valid("json");
    const account = context.get("account");
    keeping.within(() => keeping.accounts.putSync(account.account, { ...account, hook }));
    return context.body(null, 204);
  });
  return service;
}

/** An answer that breaks off: the connection ends before its body. */
const brokenOff = (): Response =>
  new Response(
    new ReadableStream({
      start: (stream) => stream.error(new Error("broken off")),
    }),
    { headers: { "content-type": "application/json" } },
  );

function describe(service: OpenAPIHono<Env>, { title, key, conduct }: StoreDefinition): void {
  const { registerComponent } = service.openAPIRegistry;
  registerComponent.call(service.openAPIRegistry, "securitySchemes", "token", {
    ...{ type: "http", scheme: "bearer" },
    description:
      conduct.enters === "signed"
        ? `A token that the interface key signs (RFC 7519, ES256), for "${key}", of at most 20 minutes`
        : "A token that /token gives for credentials",
  });
  registerComponent.call(service.openAPIRegistry, "securitySchemes", "credentials", { type: "http", scheme: "basic" });
  service.doc31("/description.json", {
    openapi: "3.1.0",
    info: {
      title: `A stand-in for ${title}`,
      version: "1",
      description: "Keeps records of apps, takes packages, looks at them, and lets them out: for tries and tests.",
    },
  });
}
