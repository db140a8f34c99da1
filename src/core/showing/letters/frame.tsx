import type { ComponentChildren } from "preact";
import { directionOf } from "../../ground/values/language.ts";

const text = "font: 16px/1.5 system-ui, 'Segoe UI', Roboto, Helvetica, Arial, sans-serif; color: #1d2229";

/** What stands beside the text of a letter, and is read second. */
export const small = "font-size: 14px; color: #5d6775";

interface Props {
  title: string;
  agency: string;
  accent: string;
  /** BCP 47 tag. */
  language: string;
  /** The widest that it gets, in CSS pixels. */
  width: number;
  thanks: string;
  children: ComponentChildren;
}

/** A letter's paper: whom it is from, what it is about, and the end of it; as mail programs show it. */
export function LetterFrame({ title, agency, accent, language, width, thanks, children }: Props) {
  return (
    <html lang={language} dir={directionOf(language)}>
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{title}</title>
      </head>
      <body style={`margin: 0 auto; padding: 24px; max-width: ${width}px; background: #ffffff; ${text}`}>
        <main>
          <p style={`margin: 0 0 20px; padding-bottom: 10px; border-bottom: 3px solid ${accent}; font-weight: 600`}>
            {agency}
          </p>
          <h1 style="margin: 0 0 20px; font-size: 20px; font-weight: 600">{title}</h1>
          {children}
          <p>
            {thanks}
            <br />
            {agency}
          </p>
        </main>
      </body>
    </html>
  );
}
