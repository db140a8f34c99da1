import * as z from "zod";

/** A day that there is in the calendar, as 2026-12-01 (ISO 8601). */
export const day = z.iso.date("a day, such as 2026-12-01");

export const isDay = (text: string): boolean => day.safeParse(text).success;
