/** Bumped when the same drawing would come out otherwise, so that what was drawn before counts as changed. */
export const rendererVersion = 9;
