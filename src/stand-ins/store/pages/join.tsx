import type { StoreDefinition } from "../../../core/stores/definition.ts";
import type { KeptApp } from "../engine/kept.ts";
import { framed } from "./frame.tsx";

/** Where somebody agrees to try an app. */
export const joinPage = ({ title }: StoreDefinition, { name }: KeptApp): string =>
  framed(
    name,
    `${title} asks whether you want to try it before everybody gets it.`,
    <section class="strip">
      <p>You may stop at any time.</p>
      <form method="post">
        <button type="submit" class="accept">
          Take part
        </button>
      </form>
    </section>,
  );
