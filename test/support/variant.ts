import { type Artwork, noArtwork, type Variant } from "../../src/core/app/variant/variant.ts";
import { platforms } from "../../src/core/ground/values/platform.ts";
import { trace } from "../../src/core/ground/values/trail.ts";
import type { Art } from "../../src/core/pictures/artwork/art.ts";
import type { ArtRole } from "../../src/core/pictures/slots/art-roles.ts";

/** A client's pictures, by role. */
export const artwork = (given: Partial<Record<ArtRole, Art | undefined>>, more: Partial<Artwork> = {}): Artwork => ({
  ...noArtwork,
  ...more,
  given: given as Artwork["given"],
});

/** A client that is nothing but pictures, a name and colours. */
export function variantOf(art: Artwork, values: Readonly<Record<string, string>>): Variant {
  const all = { "app.name": "Bean Row", "colors.startDark": values["colors.start"] ?? "", ...values };
  const written = Object.entries(all).map(([field, value]) => [field, trace({ by: "brief", note: "", value })]);
  return {
    key: "x",
    values: Object.fromEntries(written),
    platforms,
    art,
    names: { further: {} },
    features: [],
    answers: {},
    supplied: [],
    content: {},
    profiles: {},
    kept: {},
    texts: [],
    policies: [],
    captures: [],
    lettering: { further: {} },
  };
}
