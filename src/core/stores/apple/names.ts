/** Names of what Apple makes, which other stores do not take in a text. */
export const appleMobile = /\b(ios|ipados|iphone|ipad|app store|apple watch)\b/i;
export const appleMac = /\b(macos|macbook|imac)\b/i;
