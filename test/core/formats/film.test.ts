import { readFileSync } from "node:fs";
import fc from "fast-check";
import { expect, test } from "vitest";
import { filmIn } from "../../../src/core/formats/films/film.ts";

const held = (name: string): Buffer => readFileSync(`test/fixtures/films/${name}`);

const filmOf = (bytes: Buffer) => filmIn(bytes.length, (from, length) => bytes.subarray(from, from + length));

/** Films that FFmpeg wrote; lengths and sizes as its own ffprobe tells them. */
test.each([
  ["tour.mp4", { seconds: 16, size: { width: 886, height: 1920 } }],
  ["tour.mov", { seconds: 16, size: { width: 886, height: 1920 } }],
  ["short.m4v", { seconds: 8, size: { width: 1920, height: 886 } }],
  ["turned.mp4", { seconds: 8, size: { width: 886, height: 1920 } }],
  // In pieces, as it was recorded: nobody wrote at its head how long it would get.
  ["pieces.mp4", { size: { width: 320, height: 240 } }],
  ["sound.mp4", { seconds: expect.closeTo(3, 0) }],
])("%s", (name, expected) => {
  expect(filmOf(held(name))).toEqual(expected);
});

test("what is not all there is no film, and none that lies about its sizes keeps anybody busy", () => {
  const whole = held("tour.mp4");
  fc.assert(
    fc.property(fc.integer({ min: 0, max: whole.length - 1 }), (length) => {
      expect(filmOf(whole.subarray(0, length))).toBeUndefined();
    }),
  );
  const byte = fc.record({ at: fc.nat(whole.length - 1), is: fc.nat(255) });
  fc.assert(
    fc.property(fc.array(byte, { minLength: 1, maxLength: 40 }), (changed) => {
      const other = Buffer.from(whole);
      for (const { at, is } of changed) other[at] = is;
      let reads = 0;
      filmIn(other.length, (from, length) => {
        reads++;
        return other.subarray(from, from + length);
      });
      expect(reads).toBeLessThan(10_000);
    }),
  );
});
