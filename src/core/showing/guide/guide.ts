import type { Workspace } from "../../agency/workspace/workspace.ts";
import { families } from "../../app/catalog/all.ts";
import { openTemplate } from "../../app/survey/template.ts";
import { type PageLanguage, pageLanguageOf } from "../../ground/values/page-language.ts";
import { accentOf } from "../../pages/parts/accent.ts";
import type { Slot } from "../../pictures/slots/slot.ts";
import { needsOf } from "./needs.ts";
import { guidePage } from "./page.tsx";

/** The designer's page of a workspace, in the agency's name and colour, for the pictures that its template has. */
export function makeGuide(workspace: Workspace, wanted: readonly Slot[], language?: PageLanguage): string {
  const { agency, defaults } = workspace.agency.data;
  const shown = new Set(
    openTemplate(workspace).parts.flatMap(({ pictures }) =>
      pictures.flatMap((use) => ("within" in use ? use.within : [use.slot]).map(nameOf)),
    ),
  );
  const used = wanted.filter((slot) => shown.has(nameOf(slot)));
  return guidePage({
    language: language ?? pageLanguageOf(agency.language, defaults.locale),
    agency: agency.name,
    email: agency.email,
    ...accentOf(workspace),
    needs: needsOf(used),
    families: families(used),
  });
}

/** A picture whatever its size: templates differ in the densities that they have. */
const nameOf = ({ platform, role }: Slot): string => `${platform}/${role}`;
