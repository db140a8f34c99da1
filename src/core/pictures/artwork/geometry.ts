/** A rectangle; in fractions of a picture's width and height, or in pixels, as the place that uses it says. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** All of a picture, in fractions of it. */
export const wholeBox: Box = { x: 0, y: 0, width: 1, height: 1 };

export interface Circle {
  x: number;
  y: number;
  radius: number;
}

interface Point {
  x: number;
  y: number;
}

/**
 * The smallest circle around a set of points (Welzl's incremental way: expected linear time on points in mixed
 * order).
 */
export function enclosingCircle(given: readonly Point[]): Circle {
  const points = mix(given);
  const at = (index: number) => points[index] as Point;
  let circle: Circle = { x: points[0]?.x ?? 0, y: points[0]?.y ?? 0, radius: 0 };
  for (let i = 0; i < points.length; i++) {
    if (holds(circle, at(i))) continue;
    circle = { ...at(i), radius: 0 };
    for (let j = 0; j < i; j++) {
      if (holds(circle, at(j))) continue;
      circle = around(at(i), at(j));
      for (let k = 0; k < j; k++) if (!holds(circle, at(k))) circle = through(at(i), at(j), at(k)) ?? circle;
    }
  }
  return circle;
}

/** The same points in an order that has no pattern, and is the same each time. */
function mix(points: readonly Point[]): Point[] {
  const result = [...points];
  let state = 1;
  for (let i = result.length - 1; i > 0; i--) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    const j = state % (i + 1);
    [result[i], result[j]] = [result[j] as Point, result[i] as Point];
  }
  return result;
}

const holds = ({ x, y, radius }: Circle, point: Point): boolean =>
  Math.sqrt((point.x - x) ** 2 + (point.y - y) ** 2) <= radius + 1e-9;

const around = (p: Point, q: Point): Circle => ({
  x: (p.x + q.x) / 2,
  y: (p.y + q.y) / 2,
  radius: Math.hypot(p.x - q.x, p.y - q.y) / 2,
});

/** The circle through three points; undefined when they lie on a line. */
function through(p: Point, q: Point, r: Point): Circle | undefined {
  const [bx, by, cx, cy] = [q.x - p.x, q.y - p.y, r.x - p.x, r.y - p.y];
  const d = 2 * (bx * cy - by * cx);
  if (Math.abs(d) < 1e-12) return undefined;
  const x = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / d;
  const y = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / d;
  return { x: p.x + x, y: p.y + y, radius: Math.hypot(x, y) };
}
