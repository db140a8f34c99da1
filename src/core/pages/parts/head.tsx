import base from "./base.css";

/** The head of a self-contained page: its styles are inside, nothing is fetched. */
export function Head({
  title,
  accent,
  onAccent,
  style,
}: {
  title: string;
  accent: string;
  onAccent: string;
  style: string;
}) {
  const colors = `:root{--accent:${accent};--on-accent:${onAccent}}`;
  return (
    <head>
      <meta charset="utf-8" />
      <meta name="viewport" content="width=device-width, initial-scale=1" />
      <title>{title}</title>
      <style dangerouslySetInnerHTML={{ __html: `${colors}\n${base}\n${style}` }} />
    </head>
  );
}
