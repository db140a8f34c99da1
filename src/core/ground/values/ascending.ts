/** How many of some things lie not behind a place; found by halves. @param placeOf ascends */
export function countUpTo<T>(things: readonly T[], most: number, placeOf: (each: T) => number): number {
  let [low, high] = [0, things.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (placeOf(things[middle] as T) <= most) low = middle + 1;
    else high = middle;
  }
  return low;
}
