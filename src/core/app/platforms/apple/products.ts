/**
 * Kinds of products that nobody installs by themselves: tests, and libraries that only code refers to (Apple, product
 * types).
 */
export const isOfCode = (productType: string): boolean =>
  /\.(bundle(\.[\w-]+)?|framework(\.static)?|library\.\w+|tool|metal-library)$/.test(productType);
