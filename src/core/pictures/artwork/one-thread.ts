import sharp from "sharp";

/** Said before pictures are looked at or drawn: several are at once, and small ones gain nothing from threads. */
export function onOneThread(): void {
  sharp.cache(false); // no picture is made twice
  sharp.concurrency(1);
}
