import { createRoute, OpenAPIHono, z } from "@hono/zod-openapi";
import { profileKinds } from "../../core/app/platforms/apple/profile.ts";
import { keyRoleFacts, keyRoles } from "../../core/clients/keys/roles.ts";
import type { Authority } from "./authority.ts";

const team = z.string().regex(/^[A-Z0-9]{10}$/, "ten letters and digits");
const days = z.number().int().min(-3650).max(3650).default(365);
const pem = z.string().min(1).max(20_000);

const certificateAsked = z
  .object({
    request: pem.describe("PKCS#10 as PEM, of an RSA key"),
    role: z.enum(keyRoles.filter((role) => keyRoleFacts[role].comes === "requested")),
    team,
    owner: z.string().min(1).max(200).describe("Whose team it is"),
    days,
  })
  .openapi("CertificateAsked");

const profileAsked = z
  .object({
    title: z.string().min(1).max(200),
    identifier: z.string().regex(/^[A-Za-z0-9.-]+(?:\.\*)?$|^\*$/),
    team,
    kind: z.enum(profileKinds),
    platform: z.enum(["ios", "mac"]).default("ios"),
    devices: z.array(z.string().max(100)).max(1000).default([]),
    entitlements: z.record(z.string(), z.unknown()).default({}),
    certificates: z.array(pem).max(100).describe("Certificates that may sign with it, as PEM").default([]),
    days,
  })
  .openapi("ProfileAsked");

const wrong = z.object({ wrong: z.string() }).openapi("Wrong");

const text = <S extends z.ZodType>(schema: S) => ({ content: { "application/json": { schema } } });
const file = (type: string, description: string) => ({ description, content: { [type]: { schema: z.string() } } });
const refused = { description: "What is wrong with it", ...text(wrong) };

const certificateRoute = createRoute({
  method: "post",
  path: "/certificates",
  summary: "Turns a request into a certificate",
  request: { body: { required: true, ...text(certificateAsked) } },
  responses: { 200: file("application/x-pem-file", "The certificate, as PEM"), 400: refused },
});

const profileRoute = createRoute({
  method: "post",
  path: "/profiles",
  summary: "Makes a provisioning profile",
  request: { body: { required: true, ...text(profileAsked) } },
  responses: { 200: file("application/x-apple-aspen-mobileprovision", "The profile: a signed message"), 400: refused },
});

const rootRoute = createRoute({
  method: "get",
  path: "/root",
  summary: "The root that everything is signed under",
  responses: { 200: file("application/x-pem-file", "The certificate, as PEM") },
});

/** The authority over HTTP, with its description at /description.json (OpenAPI 3.1). */
export function authorityService(authority: Authority): OpenAPIHono {
  const service = new OpenAPIHono({
    defaultHook: (result, context) =>
      result.success
        ? undefined
        : context.json(
            { wrong: result.error.issues.map(({ path, message }) => `${path.join(".")}: ${message}`).join("; ") },
            400,
          ),
  });
  service.openapi(rootRoute, (context) =>
    context.text(authority.root, 200, { "content-type": "application/x-pem-file" }),
  );
  service.openapi(certificateRoute, async (context) => {
    const made = await authority.certify(context.req.valid("json"));
    if ("wrong" in made) return context.json(made, 400);
    return context.text(made.certificate, 200, { "content-type": "application/x-pem-file" });
  });
  service.openapi(profileRoute, async (context) => {
    const made = await authority.provision(context.req.valid("json"));
    return context.body(Uint8Array.from(made), 200, { "content-type": "application/x-apple-aspen-mobileprovision" });
  });
  service.doc31("/description.json", {
    openapi: "3.1.0",
    info: {
      title: "A stand-in for an authority",
      version: "1",
      description: "Makes certificates and profiles under a root that nobody trusts: for tries and tests.",
    },
  });
  return service;
}
