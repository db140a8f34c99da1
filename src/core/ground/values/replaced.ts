/**
 * A pattern with a text in it replaced, but within a field that stands there already. @param options.isWhole only where
 * it is whole words
 */
export function replacedIn(pattern: string, text: string, by: string, { isWhole }: { isWhole: boolean }): string {
  return pattern
    .split(/(\{[\w.]+\})/)
    .map((part, at) => {
      if (at % 2 === 1) return part;
      let result = part;
      for (let from = 0; ; ) {
        const found = result.indexOf(text, from);
        if (found === -1) return result;
        const around = `${result[found - 1] ?? " "}${result[found + text.length] ?? " "}`;
        const isMeant = !isWhole || !/[\p{L}\p{N}]/u.test(around);
        if (isMeant) result = result.slice(0, found) + by + result.slice(found + text.length);
        from = found + (isMeant ? by.length : text.length);
      }
    })
    .join("");
}
