import { renderToStaticMarkup } from "preact-render-to-string";
import type { LanguageWords } from "../../pages/words/own.ts";
import type { Track } from "../../stores/conduct.ts";
import { LetterFrame } from "../letters/frame.tsx";

/** One way in which somebody gets an app that they try. */
export type WayToGet =
  | { joins: Track["joins"]; storeTitle: string; link?: string | undefined }
  /** A page of the agency's own, which says how it is installed. */
  | { joins: "page"; link: string };

export interface Invitation {
  agency: string;
  accent: string;
  /** What the app is called. */
  name: string;
  version: string;
  person: string;
  address: string;
  consent: string;
  ways: readonly WayToGet[];
  words: LanguageWords;
}

/** What somebody does, step by step. */
function stepsFor({ ways, name, address, words: { say } }: Invitation): string[] {
  return ways.flatMap((way): string[] => {
    if (way.joins === "page") return [say("invitePage", { link: way.link })];
    const { storeTitle: store, link } = way;
    const agree =
      link === undefined ? say("inviteWritten", { store, address }) : say("inviteLink", { store, address, link });
    return way.joins === "tester-app"
      ? [say("inviteApp"), agree, say("inviteInTester", { name })]
      : [agree, say("inviteInstall", { store })];
  });
}

/** An invitation to try an app, as text and as mail programs show it. */
export function invitationOf(of: Invitation): { subject: string; text: string; html: string } {
  const { agency, accent, name, version, person, consent, words } = of;
  const { say, language } = words;
  const steps = stepsFor(of);
  const subject = say("inviteSubject", { name });
  const before = [say("greetingTo", { person }), say("inviteIntro", { name, version })];
  const after = [say("inviteTell"), say("inviteEnd"), say("inviteConsent", { day: consent })];
  const listed = steps.map((step, at) => `${at + 1}. ${step}`).join("\n");
  const text = [...before, `${say("inviteHow")}\n\n${listed}`, ...after, `${say("thanks")}\n${agency}`].join("\n\n");
  const html = renderToStaticMarkup(
    <LetterFrame title={subject} {...{ agency, accent, language }} width={640} thanks={say("thanks")}>
      {before.map((each) => (
        <p key={each}>{each}</p>
      ))}
      <h2 style="margin: 24px 0 8px; font-size: 18px">{say("inviteHow")}</h2>
      <ol style="margin: 0; padding-inline-start: 22px">
        {steps.map((step) => (
          <li style="margin-bottom: 8px" key={step}>
            <Linked text={step} />
          </li>
        ))}
      </ol>
      {after.map((each) => (
        <p key={each}>{each}</p>
      ))}
    </LetterFrame>,
  );
  return { subject, text: `${text}\n`, html: `<!doctype html>\n${html}\n` };
}

/** A text in which addresses of pages can be opened. */
function Linked({ text }: { text: string }) {
  return (
    <>
      {text.split(/(https?:\/\/\S+)/).map((part) =>
        /^https?:\/\//.test(part) ? (
          <a href={part} key={part}>
            {part}
          </a>
        ) : (
          part
        ),
      )}
    </>
  );
}
