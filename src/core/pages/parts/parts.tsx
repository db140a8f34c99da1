import type { ComponentChildren } from "preact";

/** A picture of the client, by its name on the page. Drawn as a background, so that each is in the page once. */
export function Pic({ name, label, size }: { name: string; label?: string; size?: number }) {
  const style = size === undefined ? undefined : `width:${size}px;height:${size}px`;
  // One that says nothing stands beside words that do.
  const told = label ? ({ role: "img", "aria-label": label } as const) : ({ "aria-hidden": "true" } as const);
  return <i class={`pic p-${name}`} style={style} {...told} />;
}

/** An adaptive icon as a launcher cuts it: two layers of 108, of which the middle 72 show. */
export function Adaptive({ shape }: { shape: string }) {
  return (
    <span class={`cut ${shape}`}>
      <i class="layer pic p-and-back" />
      <i class="layer pic p-and-front" />
    </span>
  );
}

/** An icon with its name under it, cut off where the device would. */
export function Launcher({ label, note, children }: { label: string; note?: string; children: ComponentChildren }) {
  return (
    <figure class="launcher">
      {children}
      <figcaption dir="auto">{label}</figcaption>
      {note === undefined ? null : <small>{note}</small>}
    </figure>
  );
}

/** A titled group of views of one platform. */
export function Scene({ title, note, children }: { title: string; note?: string; children: ComponentChildren }) {
  return (
    <section class="scene">
      <h3>
        {title}
        {note === undefined ? null : <span>{note}</span>}
      </h3>
      <div class="views">{children}</div>
    </section>
  );
}
