import type { Client } from "../../agency/workspace/workspace.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { writtenAt } from "../../ground/values/trail.ts";
import { stores } from "../../stores/all.ts";
import type { StoreDefinition } from "../../stores/definition.ts";

/** So many days before a reserved name lapses, somebody is told. */
const noticeDays = 21;

/** Answers that want a paper or somebody's consent, of which the brief names none. */
export function judgeConsents({ key: client, brief }: Client, { declared }: StoreRecord): Problem[] {
  const consents = brief?.data.store?.consents ?? [];
  return declared.flatMap(({ declaration, answer }) => {
    const { name, wantsConsent = [], rule } = declaration;
    if (!answer || !wantsConsent.includes(answer.value) || consents.some((each) => each.for === name)) return [];
    return [
      problem("consent-missing", `${name} says "${answer.value}", and no consent or paper is named. ${rule}.`, {
        ...{ client, place: writtenAt(answer), severity: "warning" },
        expected: `store: { consents: [{ for: ${name}, to: …, by: …, on: … }] }`,
      }),
    ];
  });
}

/** Goods for sale, and names that stores hold for a client: what of them does not fit together. */
export function judgeHeld(
  { key: client, brief }: Client,
  { name, today, into }: { name: string; today: string; into: readonly StoreDefinition[] },
): Problem[] {
  const { goods = [], reserved = [] } = brief?.data.store ?? {};
  const placeOf = (list: string, at: number) => brief?.document.placeOf(["store", list, at]);
  return [
    ...goods.flatMap(({ id, kind, duration, trial }, at) => {
      const place = placeOf("goods", at);
      const say = (what: string, expected: string) => [
        problem("record-invalid", `The goods "${id}" ${what}.`, { client, place, expected }),
      ];
      const odd = into.find((store) => store.goods && !store.goods.is.test(id));
      if (odd?.goods) {
        const { says, isSure } = odd.goods;
        const message = `The goods "${id}" have a name that ${odd.title} does not take.`;
        const severity = isSure ? "error" : "warning";
        return [problem("record-invalid", message, { client, place, expected: says, severity })];
      }
      if (kind === "subscription" && duration === undefined)
        return say("are a subscription without a duration", "duration: P1M");
      if (kind !== "subscription" && (duration ?? trial) !== undefined)
        return say("have a duration or a trial, and are no subscription", "no duration");
      return goods.findIndex((each) => each.id === id) < at ? say("are there twice", "a name of their own") : [];
    }),
    ...reserved.flatMap(({ store: key, name: held, until }, at) => {
      const store = stores[key].title;
      const place = placeOf("reserved", at);
      const detail = { client, place, severity: "warning" } as const;
      if (held !== name) {
        const message = `${store} holds the name "${held}" for the client, and the app is called "${name}".`;
        return [problem("name-reserved", message, { ...detail, expected: held })];
      }
      const left = Math.floor((Date.parse(until) - Date.parse(today)) / 86_400_000);
      if (left >= noticeDays) return [];
      const when = left < 0 ? `has lapsed on ${until}` : `lapses on ${until}`;
      return [problem("name-reserved", `The name "${held}" that ${store} holds ${when}.`, detail)];
    }),
  ];
}
