/** Largest answer that is read, in bytes: what a store knows of one app is far smaller. */
export const largestAnswer = 4 * 1024 * 1024;

/** Reads an answer's text, up to a size; undefined where it is larger: no more of it is read then. */
export async function textWithin(answer: Response, most: number): Promise<string | undefined> {
  const reader = answer.body?.getReader();
  if (!reader) return "";
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return Buffer.concat(parts).toString("utf8");
    size += value.length;
    if (size > most) {
      await reader.cancel();
      return undefined;
    }
    parts.push(value);
  }
}
