import { createRoute, z } from "@hono/zod-openapi";
import {
  appWire,
  attachedWire,
  creationWire,
  fieldsWire,
  goingOutWire,
  goodsWire,
  happeningWire,
  pageOf,
  pictureWire,
  replyWire,
  reviewWire,
  sentBuildWire,
  testedWire,
  testerWire,
  uploadedWire,
  uploadWire,
  wrongWire,
} from "../../../core/making/submitting/wire.ts";
import { trackKinds } from "../../../core/stores/conduct.ts";

const json = <S extends z.ZodType>(schema: S) => ({ content: { "application/json": { schema } } });
const bodyOf = <S extends z.ZodType>(schema: S) => ({ body: { required: true, ...json(schema) } });
const no = (description: string) => ({ description, ...json(wrongWire) });

/** What every call can be answered with. */
const refusals = {
  400: no("It is not as described"),
  401: no("The token is not known, or has ended"),
  429: { ...no("Too many calls"), headers: z.object({ "Retry-After": z.string() }) },
  503: no("Nobody is there at present"),
};

const tag = z.object({ ETag: z.string().openapi({ description: "Give it as If-Match" }) });

/** An act's answers: the app as it is then, or why it is not done. */
const acted = {
  200: { description: "The app as it is then", ...json(appWire), headers: tag },
  403: no("An agreement is to be signed first"),
  404: no("There is no such thing"),
  409: no("Not now"),
  412: no("It has changed since it was read"),
  422: no("The store does not take it"),
  ...refusals,
};

const secured = { security: [{ token: [] }] };
const app = z.string().max(40);
const ofApp = { params: z.object({ app }) };
const actHeaders = z.object({
  "if-match": z.string().optional().openapi({ description: "The tag of the state that it sets out from" }),
  "idempotency-key": z
    .string()
    .max(200)
    .optional()
    .openapi({ description: "What the act is known by: under one key it is done once, and answered alike ever after" }),
});

const page = {
  after: z.string().max(80).optional(),
  most: z.coerce.number().int().min(1).max(100).default(50),
};

/** An act on an app. */
const onApp = <M extends "post" | "put" | "delete", P extends string, S extends z.ZodType>(
  method: M,
  path: P,
  summary: string,
  schema: S,
) =>
  createRoute({
    ...{ method, path, summary },
    ...secured,
    request: { ...ofApp, headers: actHeaders, ...bodyOf(schema) },
    responses: acted,
  });

export const tokenRoute = createRoute({
  ...{ method: "post", path: "/token", summary: "Gives a token for credentials (RFC 6749, 4.4)" },
  security: [{ credentials: [] }],
  responses: {
    200: {
      description: "The token, and for how many seconds it holds",
      ...json(z.object({ access_token: z.string(), token_type: z.literal("Bearer"), expires_in: z.int() })),
    },
    401: no("The credentials are not known"),
    503: refusals[503],
  },
});

export const listRoute = createRoute({
  ...{ method: "get", path: "/apps", summary: "Lists apps, or finds the one of an identifier" },
  ...secured,
  request: { query: z.object({ identifier: z.string().max(300).optional(), ...page }) },
  responses: { 200: { description: "Apps, by their numbers", ...json(pageOf(appWire)) }, ...refusals },
});

export const createAppRoute = createRoute({
  ...{ method: "post", path: "/apps", summary: "Creates the record of an app; its name is held from then on" },
  ...secured,
  request: { headers: actHeaders, ...bodyOf(creationWire) },
  responses: acted,
});

export const readRoute = createRoute({
  ...{ method: "get", path: "/apps/{app}", summary: "Gives an app as the store has it" },
  ...secured,
  request: ofApp,
  responses: acted,
});

export const happeningsRoute = createRoute({
  ...{ method: "get", path: "/apps/{app}/happenings", summary: "Gives what has happened to an app, the oldest first" },
  ...secured,
  request: { ...ofApp, query: z.object(page) },
  responses: { 200: { description: "Happenings", ...json(pageOf(happeningWire)) }, 404: acted[404], ...refusals },
});

export const textsRoute = createRoute({
  ...{ method: "put", path: "/apps/{app}/texts/{language}", summary: "Tells the texts of one language, all of them" },
  ...secured,
  request: { params: z.object({ app, language: z.string().max(40) }), headers: actHeaders, ...bodyOf(fieldsWire) },
  responses: acted,
});

export const factsRoute = onApp(
  "put",
  "/apps/{app}/facts",
  "Tells what holds in every language, all of it",
  fieldsWire,
);
export const answersRoute = onApp(
  "put",
  "/apps/{app}/answers",
  "Answers the store's questions, all of them",
  fieldsWire,
);
export const picturesRoute = onApp(
  "put",
  "/apps/{app}/pictures",
  "Says which pictures are shown where; each was uploaded before",
  z.array(pictureWire).max(2000),
);
export const goodsRoute = onApp(
  "put",
  "/apps/{app}/goods",
  "Says what can be bought in it",
  z.array(goodsWire).max(500),
);
export const buildsRoute = onApp(
  "post",
  "/apps/{app}/builds",
  "Hands in a package that was uploaded: its number is spent",
  sentBuildWire,
);
export const versionRoute = onApp("put", "/apps/{app}/version", "Lets a build stand for a version", attachedWire);
export const testersRoute = createRoute({
  ...{ method: "put", path: "/apps/{app}/testers/{track}", summary: "Says who tries it on a track, all of them" },
  ...secured,
  request: {
    params: z.object({ app, track: z.enum(trackKinds) }),
    headers: actHeaders,
    ...bodyOf(z.array(testerWire).max(500_000)),
  },
  responses: acted,
});
export const testingRoute = onApp("post", "/apps/{app}/testing", "Gives a build to those who try it", testedWire);
export const repliesRoute = onApp("post", "/apps/{app}/replies", "Answers a refusal or a question", replyWire);
export const goingOutRoute = onApp(
  "put",
  "/apps/{app}/going-out",
  "Lets an approved version out, or halts it",
  goingOutWire,
);

export const submitRoute = onApp(
  "post",
  "/apps/{app}/reviews",
  "Sends the version for review; a machine looks at it first",
  reviewWire,
);

export const withdrawRoute = createRoute({
  ...{ method: "delete", path: "/apps/{app}/reviews", summary: "Takes the version back" },
  ...secured,
  request: { ...ofApp, headers: actHeaders },
  responses: acted,
});

const uploaded = {
  200: { description: "How much of it is there", ...json(uploadedWire) },
  422: acted[422],
  ...refusals,
};

export const uploadRoute = createRoute({
  ...{ method: "post", path: "/uploads", summary: "Begins to upload a file, or tells how much of it is there" },
  ...secured,
  request: bodyOf(uploadWire),
  responses: uploaded,
});

export const partRoute = createRoute({
  ...{ method: "put", path: "/uploads/{sum}", summary: "Sends a part of a file, from where the last one ended" },
  ...secured,
  request: {
    params: z.object({ sum: uploadWire.shape.sum }),
    query: z.object({ from: z.coerce.number().int().min(0) }),
    body: { required: true, content: { "application/octet-stream": { schema: z.string() } } },
  },
  responses: { ...uploaded, 404: acted[404], 409: acted[409] },
});

export const hookRoute = createRoute({
  ...{ method: "put", path: "/hook", summary: "Says where messages go about what happens, and what signs them" },
  ...secured,
  request: bodyOf(z.object({ address: z.url({ protocol: /^https?$/ }).max(500), secret: z.string().min(16).max(200) })),
  responses: { 204: { description: "Kept" }, ...refusals },
});
