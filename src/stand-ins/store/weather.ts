import * as z from "zod";

/** What can go wrong with a store that is far away: for tests of whoever asks it. */
export const weatherWire = z.object({
  outage: z.boolean().default(false).describe("Every call is answered with 503"),
  losesAnswers: z
    .number()
    .min(0)
    .max(1)
    .default(0)
    .describe("Share of acts that are done, and of which no answer comes"),
  slow: z.int().min(0).max(60_000).default(0).describe("Milliseconds before each answer"),
  callsAMinute: z.int().min(1).optional().describe("Calls that an account has, before it is told to wait"),
});

export type Weather = z.infer<typeof weatherWire>;

export const fairWeather: Weather = { outage: false, losesAnswers: 0, slow: 0 };

/** How long somebody has to wait who has called too often, in seconds; undefined where they have not. */
export function newThrottle(real: () => number) {
  const calls = new Map<string, number[]>();
  return (who: string, most: number | undefined): number | undefined => {
    if (most === undefined) return undefined;
    const now = real();
    const recent = (calls.get(who) ?? []).filter((at) => at > now - 60_000);
    if (recent.length >= most) return Math.max(1, Math.ceil(((recent[0] ?? now) + 60_000 - now) / 1000));
    recent.push(now);
    calls.set(who, recent);
    return undefined;
  };
}
