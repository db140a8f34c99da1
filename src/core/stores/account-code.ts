import type { InEach } from "../ground/values/page-language.ts";

/** A number or code by which a store knows an account, or an app within it. */
export interface AccountCode {
  /** In a brief, under store: { accounts }. */
  name: string;
  says: string;
  /** What a client is asked for. */
  asks: InEach;
  /** What it looks like, and that in words. */
  form: { is: RegExp; says: string };
  /** Of one app alone, so that no other client can have it. */
  isOwn?: true;
}
