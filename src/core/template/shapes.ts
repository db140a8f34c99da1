import { channels } from "../values/color.ts";

/** How a value is put where the template has `old`: some places hold only a part of it, or want another notation. */
const shapers = {
  text: (value: string) => value,
  /** For what is put in whatever the client: the text stands in `before`. */
  nothing: () => "",
  /** #rrggbb, with full opacity in front where the old value had it (Android, #aarrggbb). */
  color: (value: string, old: string) => (old.length === 9 ? `#ff${value.slice(1)}` : value),
  red: (value: string, old: string) => component(channels(value)[0], old),
  green: (value: string, old: string) => component(channels(value)[1], old),
  blue: (value: string, old: string) => component(channels(value)[2], old),
  alpha: (_: string, old: string) => (/^\d+$/.test(old) ? "1" : "1.000"),
} satisfies Record<string, (value: string, old: string) => string>;

export type Shape = keyof typeof shapers;

export const shaped = (shape: Shape, value: string, old: string): string => shapers[shape](value, old);

/** A colour's component in the notation of the old one: 0x2E, 0.180, or 46 (Apple, asset catalog format reference). */
function component(channel: number, old: string): string {
  if (/^0x/i.test(old)) return `0x${channel.toString(16).toUpperCase().padStart(2, "0")}`;
  if (old.includes(".") || old === "1" || old === "0") return (channel / 255).toFixed(3);
  return String(channel);
}
