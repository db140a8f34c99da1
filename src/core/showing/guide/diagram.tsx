import type { SlotFamily } from "../../app/catalog/all.ts";
import { definitions } from "../../app/platforms/all.ts";
import type { Say } from "../../pages/words/guide.ts";
import type { Slot } from "../../pictures/slots/slot.ts";
import { zoneSaid } from "./said.ts";

/** Width at which the widest picture is drawn, and the height none exceeds; in CSS pixels. */
const room = { width: 176, height: 150 };

/** A picture drawn to the proportions of its canvas: the zone to stay in, and in hatching what a mask may cut. */
export function Diagram({ family, say }: { family: SlotFamily; say: Say }) {
  const { first } = family;
  const scale = Math.min(room.width / first.width, room.height / first.height);
  const [width, height] = [first.width * scale, first.height * scale];
  const id = `${first.platform}-${first.role}-${first.qualifier}`.replace(/[^\w-]/g, "");
  const mask = definitions[first.platform].masks.find(({ role }) => role.test(first.role));
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={say("safeZone", { zone: zoneSaid(first, say) })}
    >
      <defs>
        <mask id={id}>
          <rect width={width} height={height} fill="#fff" />
          {mask ? <Shape shape={mask.shape} width={width} height={height} share={mask.share} fill="#000" /> : null}
        </mask>
      </defs>
      <Plate slot={first} width={width} height={height} />
      {mask ? <rect width={width} height={height} fill="url(#cut)" mask={`url(#${id})`} /> : null}
      <Zone slot={first} width={width} height={height} />
      <rect x="0.5" y="0.5" width={width - 1} height={height - 1} fill="none" stroke="#9aa3ae" stroke-dasharray="3 3" />
    </svg>
  );
}

interface Box {
  width: number;
  height: number;
}

function Shape({
  shape,
  width,
  height,
  share,
  fill,
}: Box & { shape: "circle" | "rounded"; share: number; fill: string }) {
  const side = Math.min(width, height) * share;
  const [x, y] = [(width - side) / 2, (height - side) / 2];
  return <rect x={x} y={y} width={side} height={side} rx={shape === "circle" ? side / 2 : side * 0.224} fill={fill} />;
}

/** The ground as it will be: over all, in a shape, or none. */
function Plate({ slot, width, height }: Box & { slot: Slot }) {
  const { ground } = slot;
  if (ground.kind === "none") return <rect width={width} height={height} fill="url(#nothing)" />;
  if (ground.kind === "full") return <rect width={width} height={height} fill="var(--tint)" />;
  const side = Math.min(width, height) * ground.side;
  const [x, y] = [(width - side) / 2, (height - side) / 2];
  const corner = ground.kind === "circle" ? side / 2 : Math.min(width, height) * ground.corner;
  return (
    <>
      <rect width={width} height={height} fill="url(#nothing)" />
      <rect x={x} y={y} width={side} height={side} rx={corner} fill="var(--tint)" />
    </>
  );
}

function Zone({ slot, width, height }: Box & { slot: Slot }) {
  const { shape, share } = slot.safe;
  const look = { fill: "var(--zone)", stroke: "var(--accent)", "stroke-width": 1.5 };
  if (slot.from === "ground") return null;
  if (shape === "circle")
    return <circle cx={width / 2} cy={height / 2} r={(Math.min(width, height) * share) / 2} {...look} />;
  const [w, h] = [width * share, height * share];
  return (
    <rect x={(width - w) / 2} y={(height - h) / 2} width={Math.max(1, w - 1)} height={Math.max(1, h - 1)} {...look} />
  );
}
