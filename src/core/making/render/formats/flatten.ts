import { pixelsOf, type Raw, type Samples } from "../raw.ts";

/** What was flattened, as long as what it was made from is kept; by the ground's colour. */
const known = new WeakMap<Raw, Map<number, Samples>>();

/** A bitmap on a plain ground, without alpha. The ground is a pixel as it lies in memory, red lowest. */
export function flatten(raw: Raw, ground: number): Samples {
  const before = known.get(raw) ?? new Map<number, Samples>();
  known.set(raw, before);
  const opaque = before.get(ground) ?? onGround(raw, ground);
  before.set(ground, opaque);
  return opaque;
}

function onGround(raw: Raw, ground: number): Samples {
  const pixels = pixelsOf(raw);
  const data = Buffer.allocUnsafeSlow(pixels.length * 3);
  let [before, after] = [ground, ground];
  for (let at = 0, to = 0; at < pixels.length; at++, to += 3) {
    const color = pixels[at] as number;
    if (color !== before) {
      before = color;
      after = blend(color, ground);
    }
    data[to] = after;
    data[to + 1] = after >> 8;
    data[to + 2] = after >> 16;
  }
  return { data, width: raw.width, height: raw.height, channels: 3 };
}

/** A color over another that is opaque. */
function blend(color: number, ground: number): number {
  const alpha = color >>> 24;
  if (alpha === 255) return color;
  const mixed = (shift: number): number => {
    const [over, under] = [(color >>> shift) & 255, (ground >>> shift) & 255];
    return Math.round((over * alpha + under * (255 - alpha)) / 255) << shift;
  };
  return mixed(0) | mixed(8) | mixed(16);
}
