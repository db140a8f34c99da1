import { createRoute, OpenAPIHono, z } from "@hono/zod-openapi";
import { folderContents, pathOfSum } from "../../core/ground/contents/folder.ts";
import { lookAt } from "../../core/ground/files/writing/door.ts";
import { given, receive } from "../../core/ground/files/writing/received.ts";
import { attemptAsync } from "../../core/ground/problems/result.ts";
import { sumForm } from "../../core/ground/values/hash.ts";
import { largestPackage } from "../../core/ground/values/package.ts";
import { isSameSecret, reveal, type Secret } from "../../core/ground/values/secret.ts";

const sum = z.string().regex(sumForm).openapi({ description: "SHA-256 in lower-case hexadecimal digits" });
const wrong = z.object({ wrong: z.string() }).openapi("Wrong");
const json = <S extends z.ZodType>(schema: S) => ({ content: { "application/json": { schema } } });
const bytes = { content: { "application/octet-stream": { schema: z.string() } } };
const refused = { description: "What is wrong with it", ...json(wrong) };
const secured = { security: [{ token: [] }] };
const named = { params: z.object({ sum }) };

/** Most sums that are asked after at once. */
const mostAsked = 100_000;

const missingRoute = createRoute({
  ...{ method: "post", path: "/missing", summary: "Says of which sums nothing is kept" },
  ...secured,
  request: { body: { required: true, ...json(z.object({ sums: z.array(sum).max(mostAsked) })) } },
  responses: { 200: { description: "Those", ...json(z.object({ missing: z.array(sum) })) }, 401: refused },
});

const getRoute = createRoute({
  ...{ method: "get", path: "/contents/{sum}", summary: "Gives what has a sum" },
  ...secured,
  request: named,
  responses: { 200: { description: "The file", ...bytes }, 401: refused, 404: refused },
});

const putRoute = createRoute({
  ...{ method: "put", path: "/contents/{sum}", summary: "Keeps a file; one with another sum is refused" },
  ...secured,
  request: { ...named, body: { required: true, ...bytes } },
  responses: { 204: { description: "Kept" }, 400: refused, 401: refused },
});

/** Contents of a folder over HTTP, for whoever has the token, described at /description.json (OpenAPI 3.1). */
export function contentsService(root: string, token: Secret): OpenAPIHono {
  const contents = folderContents(root);
  const service = new OpenAPIHono({
    defaultHook: (result, context) =>
      result.success
        ? undefined
        : context.json({ wrong: result.error.issues[0]?.message ?? "it is not as described" }, 400),
  });
  service.openAPIRegistry.registerComponent("securitySchemes", "token", { type: "http", scheme: "bearer" });
  for (const path of ["/missing", "/contents/*"])
    service.use(path, async (context, next) => {
      const [kind, own = ""] = (context.req.header("authorization") ?? "").split(" ");
      if (kind !== "Bearer" || !isSameSecret(own, reveal(token)))
        return context.json({ wrong: "the token is not known" }, 401);
      return next();
    });
  service.openapi(missingRoute, async (context) =>
    context.json({ missing: [...(await contents.missing(context.req.valid("json").sums))] }, 200),
  );
  service.openapi(getRoute, (context) => {
    const path = pathOfSum(context.req.valid("param").sum);
    if (!lookAt(root, path)?.isFile()) return context.json({ wrong: "nothing is kept under that sum" }, 404);
    return context.body(given(root, path) as never, 200, { "content-type": "application/octet-stream" });
  });
  service.openapi(putRoute, async (context) => {
    const { sum: own } = context.req.valid("param");
    const stream = context.req.raw.body as AsyncIterable<Uint8Array> | null;
    if (!stream) return context.json({ wrong: "there is nothing in it" }, 400);
    const kept = await attemptAsync(() => receive(root, pathOfSum(own), own, { stream, most: largestPackage }));
    if (!kept.ok) return context.json({ wrong: kept.problems.map(({ message }) => message).join(" ") }, 400);
    return context.body(null, 204);
  });
  service.doc31("/description.json", {
    openapi: "3.1.0",
    info: {
      title: "Contents by their sums",
      version: "1",
      description: "What jobs are made from, and what they gave.",
    },
  });
  return service;
}
