/**
 * Kinds of products that nobody installs by themselves: tests, and libraries that only code refers to (Apple, product
 * types).
 */
export const isOfCode = (productType: string): boolean =>
  /\.(bundle(\.[\w-]+)?|framework(\.static)?|library\.\w+|tool|metal-library)$/.test(productType);

/** Settings that stand for a target's own name, or for its product's file (Apple, build settings reference). */
export const productNames = ["PRODUCT_NAME", "TARGET_NAME", "EXECUTABLE_NAME"] as const;
