/** What a variant's receipt is called: a folder that has one is a variant. A template's file of that name is not. */
export const receiptFile = ".receipt.json";
