import { submitAll } from "./running/all-submissions.ts";
import { operation } from "./running/operation.ts";

/** Brings clients' apps into stores, as far as each goes; one that is refused stops nobody else. */
export const submitApps = operation(submitAll);
