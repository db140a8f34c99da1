import * as z from "zod";

/** A day that there is in the calendar, as 2026-12-01 (ISO 8601). */
export const day = z.iso.date("a day, such as 2026-12-01");

export const isDay = (text: string): boolean => day.safeParse(text).success;

/** The day so many days after another. */
export const daysAfter = (from: string, days: number): string =>
  new Date(Date.parse(`${from}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
