import { stampOf } from "../../core/ground/interfaces/message.ts";
import { secretOf } from "../../core/ground/values/secret.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import type { Account, KeptApp } from "./engine/kept.ts";
import type { Keeping, KeptMessage } from "./keeping.ts";

/** Tells accounts' addresses what happens, signed; what an address does not take is told again later. */
export interface Hooks {
  /** Notes what has happened behind so many happenings; within a transaction. */
  tell(store: StoreKey, app: KeptApp, before: number): void;
  /** Sends what has not been taken yet. */
  deliver(): Promise<void>;
}

/** A message that was not taken so often is dropped. */
const mostTried = 8;

/** Longest that an address may take, in milliseconds. */
const patience = 5000;

export function openHooks(keeping: Keeping, real: () => number): Hooks {
  const { messages, accounts } = keeping;

  async function send(key: string, message: KeptMessage, { hook }: Account): Promise<void> {
    if (!hook) return;
    const headers = {
      "content-type": "application/json",
      ...stampOf(secretOf(hook.secret), key, Math.floor(real() / 1000), message.body),
    };
    try {
      const signal = AbortSignal.timeout(patience);
      const answer = await fetch(hook.address, {
        method: "POST",
        body: message.body,
        headers,
        signal,
        redirect: "error",
      });
      await answer.body?.cancel();
      if (answer.ok) {
        keeping.within(() => messages.removeSync(key));
        return;
      }
    } catch {
      // It is told again.
    }
    keeping.within(() =>
      message.tried + 1 >= mostTried
        ? messages.removeSync(key)
        : messages.putSync(key, { ...message, tried: message.tried + 1 }),
    );
  }

  return {
    tell(store, app, before) {
      if (!accounts.get(app.account)?.hook) return;
      for (const { number, ...happened } of app.happened.slice(before)) {
        const id = `${app.app}-${number}`;
        const body = JSON.stringify({ store, app: app.app, identifier: app.identifier, id, ...happened });
        messages.putSync(`${store}-${id}`, { account: app.account, body, tried: 0 });
      }
    },
    async deliver() {
      for (const { key, value } of [...messages.getRange()]) {
        const account = accounts.get(value.account);
        if (account?.hook) await send(key, value, account);
        else keeping.within(() => messages.removeSync(key));
      }
    },
  };
}
