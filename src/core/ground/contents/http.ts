import { problem } from "../problems/problem.ts";
import { refuse, stop } from "../problems/result.ts";
import { reveal, type Secret } from "../values/secret.ts";
import { type Contents, sound } from "./contents.ts";

/** How long an answer is waited for, in milliseconds. */
const patience = 120_000;

/** So often is asked again where no answer comes, and how long is waited between, in milliseconds. */
const again = { times: 5, after: 500 };

/** Contents that are served over HTTP (`oxalis serve-contents`). @param address without a path's end */
export function servedContents(address: string, token: Secret | undefined): Contents {
  const base = address.replace(/\/+$/, "");
  const headers = token ? { authorization: `Bearer ${reveal(token)}` } : {};

  async function ask(path: string, init: RequestInit): Promise<Response> {
    for (let tried = 1; ; tried++) {
      const answer = await once(path, init);
      const isAway = typeof answer === "string" || answer.status >= 500;
      if (!isAway) return answer;
      if (tried > again.times)
        return stop([
          problem(
            "contents-unreachable",
            `${base} does not give what is kept there: ${typeof answer === "string" ? answer : answer.status}.`,
          ),
        ]);
      await new Promise((over) => setTimeout(over, again.after * tried));
    }
  }
  const once = async (path: string, init: RequestInit): Promise<Response | string> => {
    try {
      return await fetch(`${base}${path}`, {
        ...init,
        headers: { ...headers, ...init.headers },
        signal: AbortSignal.timeout(patience),
        redirect: "error",
      });
    } catch (error) {
      return ((error as Error).cause as Error | undefined)?.message ?? (error as Error).message;
    }
  };
  const refused = async (answer: Response): Promise<never> => {
    const text = (await answer.text()).slice(0, 200);
    if (answer.status === 401) return refuse("contents-refused", `${base} does not know the token.`);
    return refuse("contents-unreachable", `${base} answers with ${answer.status}: ${text}`);
  };

  return {
    async missing(sums) {
      if (sums.length === 0) return [];
      const body = JSON.stringify({ sums });
      const answer = await ask("/missing", { method: "POST", body, headers: { "content-type": "application/json" } });
      if (!answer.ok) return refused(answer);
      const { missing } = (await answer.json()) as { missing: string[] };
      const wanted = new Set(sums);
      return missing.filter((sum) => wanted.has(sum));
    },
    async get(sum) {
      const answer = await ask(`/contents/${sum}`, { method: "GET" });
      if (answer.status === 404) return refuse("contents-missing", `Nothing is kept as ${sum}.`);
      if (!answer.ok) return refused(answer);
      return sound(sum, new Uint8Array(await answer.arrayBuffer()));
    },
    async put(sum, bytes) {
      const answer = await ask(`/contents/${sum}`, {
        method: "PUT",
        body: Uint8Array.from(bytes),
        headers: { "content-type": "application/octet-stream" },
      });
      if (!answer.ok) return refused(answer);
    },
  };
}
