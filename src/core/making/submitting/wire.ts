import * as z from "zod";
import { sumForm } from "../../ground/values/hash.ts";
import { trackKinds } from "../../stores/conduct.ts";
import { happeningKinds } from "../../stores/happening.ts";

/** What goes over the wire to a store's interface, and comes back: the shapes that both sides are held to. */

const line = z.string().max(1000);
const prose = z.string().max(20_000);
const sum = z.string().regex(sumForm).describe("SHA-256 in lower-case hexadecimal digits");
const time = z.iso.datetime().describe("In UTC");
const version = z.string().regex(/^\d+\.\d+\.\d+$/, "three numbers, such as 1.0.0");
const build = z.int().min(1).max(2_100_000_000);
const share = z.number().min(0).max(100).describe("Percent of the people who have the app");

/** Texts or values by their field. */
export const fieldsWire = z.record(line, prose);

export const pictureWire = z.object({
  slot: line.describe("Which picture: a class of devices, or a role such as store-icon"),
  language: line.optional(),
  position: z.int().min(1).max(100),
  sum,
});

export const goodsWire = z.object({ id: line, name: line, kind: line, price: line });

export const testerWire = z.object({ address: z.email().max(320), group: line });

/** Somebody who tries an app, as the store knows them. */
const triesWire = testerWire.extend({
  link: line.optional().describe("Where they agree to take part: an address, or a path of the same host"),
  came: time.optional().describe("When they did"),
  build: build.optional().describe("The last build that they have"),
});

const stations = [
  "open",
  "waiting",
  "in-review",
  "asked",
  "refused",
  "approved",
  "going-out",
  "paused",
  "live",
] as const;

/** How far a version is. */
export type Station = (typeof stations)[number];

const refusalWire = z.object({ rule: line, where: line.optional(), says: prose });

const buildWire = z.object({
  build,
  version,
  sum,
  state: z.enum(["processing", "ready", "refused", "ended"]),
  why: prose.optional(),
  since: time,
  until: time.optional().describe("From then on nobody can try it"),
});

const testingWire = z.object({
  track: z.enum(trackKinds),
  build,
  state: z.enum(["waiting", "allowed", "refused"]),
  why: prose.optional(),
});

/** An app as a store has it. */
export const appWire = z
  .object({
    app: line.describe("What the store calls it"),
    identifier: line,
    name: line,
    language: line,
    heldUntil: time.optional().describe("Until then the name is held, where nothing is sent"),
    texts: z.record(line, fieldsWire).describe("By language"),
    facts: fieldsWire,
    answers: fieldsWire,
    pictures: z.array(pictureWire),
    goods: z.array(goodsWire),
    builds: z.array(buildWire).describe("The latest first"),
    version: z
      .object({
        version,
        build: build.optional(),
        station: z.enum(stations),
        since: time,
        refusal: refusalWire.optional(),
      })
      .optional(),
    live: z.object({ version, build, since: time }).optional(),
    out: z.object({ share, isPhased: z.boolean(), isPaused: z.boolean(), since: time }).optional(),
    testers: z.partialRecord(z.enum(trackKinds), z.array(triesWire)),
    testing: z.array(testingWire),
    agreements: z.array(line).describe("Those of the account that nobody has signed: nothing goes on without them"),
    isChanged: z.boolean().describe("Whether the record differs from what people see"),
  })
  .describe("An app as the store has it");

export type StoreApp = z.infer<typeof appWire>;

export const creationWire = z.object({
  identifier: line.min(1),
  name: line.min(1),
  language: line.min(2),
  facts: fieldsWire.describe("What else the store wants for a record to be there, by field"),
});

export const uploadWire = z.object({
  sum,
  size: z.int().min(1),
  kind: z.enum(["package", "picture"]),
});

export const uploadedWire = z.object({
  sum,
  received: z.int().min(0).describe("Bytes that are there"),
  isWhole: z.boolean(),
});

export const sentBuildWire = z.object({ sum, version, build });
export const attachedWire = z.object({ version, build });
export const replyWire = z.object({ says: prose.min(1) });
/** What goes along with a version that is sent for review: how the people who look at it sign in. */
export const reviewWire = z.object({
  access: z.object({ user: prose.min(1), password: prose.min(1) }).optional(),
});
export const testedWire = z.object({ build, tracks: z.array(z.enum(trackKinds)).min(1) });

/** How a version goes out: to a share, in the store's phases, halted, on with it, or to everybody. */
export const goingOutWire = z.discriminatedUnion("how", [
  z.object({ how: z.literal("share"), share: share.gt(0) }),
  z.object({ how: z.literal("phases") }),
  z.object({ how: z.literal("halt") }),
  z.object({ how: z.literal("go-on") }),
  z.object({ how: z.literal("everybody") }),
]);

export type GoingOut = z.infer<typeof goingOutWire>;

export const happeningWire = z.object({
  id: line.describe("Rises from one to the next"),
  app: line,
  identifier: line,
  kind: z.enum(happeningKinds),
  at: time,
  version: version.optional(),
  build: build.optional(),
  share: share.optional(),
  says: prose.optional(),
  rule: line.optional(),
  where: line.optional(),
});

export type StoreHappening = z.infer<typeof happeningWire>;

/** A list, a page at a time. */
export const pageOf = <T extends z.ZodType>(of: T) =>
  z.object({ items: z.array(of), next: line.optional().describe("Give it as `after` for the next page") });

/** What a store does not take, and why. */
export const wrongWire = z.object({
  wrong: prose,
  rule: line.optional().describe("The store's rule that it goes against"),
  where: line.optional().describe("The field, picture or file"),
  lacks: z.array(line).optional().describe("Everything that is not there yet"),
});
