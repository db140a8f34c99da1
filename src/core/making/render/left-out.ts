import { channels, type Hex } from "../../ground/values/color.ts";
import { inLight } from "../../pictures/artwork/vector/in-light.ts";
import type { Vector } from "../../pictures/artwork/vector/read.ts";
import { pixelsOf, type Raw, rawWith } from "./raw.ts";

/** Up to the first distance from it a colour is left out, from the second on it stays whole; sums of channels. */
const keyed = { ground: 36, mark: 132 };

type Channels = ReturnType<typeof channels>;

/** A vector as light, where one of its colours is dark and all that are far from it are white. */
export function lightWithout(vector: Vector, text: string, key: Hex): Vector | undefined {
  const ground = channels(key);
  return inLight(vector, text, (color) => Math.round(255 * shareOf(channels(color), ground)));
}

/** How much of a colour stays, 0 to 1, where another is left out. */
function shareOf([r, g, b]: Channels, [red, green, blue]: Channels): number {
  const distance = Math.abs(r - red) + Math.abs(g - green) + Math.abs(b - blue);
  return Math.min(1, Math.max(0, (distance - keyed.ground) / (keyed.mark - keyed.ground)));
}

/** Makes a colour transparent and takes its share out of the pixels at the mark's edge. */
export function leaveOut(layer: Raw, key: Hex): Raw {
  const ground = channels(key);
  const pixels = pixelsOf(layer);
  let [before, after] = [0, withoutGround(0, ground)];
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    if (color !== before) {
      before = color;
      after = withoutGround(color, ground);
    }
    pixels[at] = after;
  }
  return rawWith(layer, pixels);
}

function withoutGround(color: number, ground: Channels): number {
  const share = shareOf(channelsOf(color), ground);
  return share === 1 ? color : unmixed(color, share, ground);
}

/** The same pixels with no more of them than a drawing of light says; without the share of the colour left out. */
export function leaveByLight(layer: Raw, light: Raw, key: Hex): Raw {
  const ground = channels(key);
  const [pixels, shares] = [pixelsOf(layer), pixelsOf(light)];
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    const share = (shares[at] as number) & 255;
    if (color !== 0 && share < 255) pixels[at] = unmixed(color, share / 255, ground);
  }
  return rawWith(layer, pixels);
}

/** Light as the alpha of black. */
export function alphaOfLight(light: Raw): Raw {
  const pixels = pixelsOf(light);
  for (let at = 0; at < pixels.length; at++) {
    const color = pixels[at] as number;
    pixels[at] = Math.round(((color >>> 24) * (color & 255)) / 255) << 24;
  }
  return rawWith(light, pixels);
}

const channelsOf = (color: number): Channels => [color & 255, (color >>> 8) & 255, (color >>> 16) & 255];

/** What was mixed into a pixel beside a colour, with its share of the alpha; nothing where it had none. */
function unmixed(color: number, share: number, [red, green, blue]: Channels): number {
  const alpha = Math.round((color >>> 24) * share);
  if (alpha === 0) return 0;
  const [r, g, b] = channelsOf(color);
  return (alpha << 24) | (without(b, blue, share) << 16) | (without(g, green, share) << 8) | without(r, red, share);
}

/** A channel without the other colour's share in it. */
const without = (value: number, other: number, share: number): number =>
  Math.max(0, Math.min(255, Math.round(other + (value - other) / share)));
