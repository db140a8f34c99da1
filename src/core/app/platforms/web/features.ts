import { memberCuts, pageCuts } from "../../../formats/splice/cut.ts";
import type { FeatureSearch } from "../../template/feature-places.ts";
import { isWebManifest } from "./manifest.ts";

/** What template.yaml may say that a feature needs: members of the web manifest, ids of elements in the pages. */
export const webDeclares = ["members", "elements"] as const;

/** Members of a web manifest and elements of pages, as template.yaml names them. */
export const webFeatures: FeatureSearch = (template, files, { declared: { web } }) => ({
  cuts: [
    ...(web?.members?.length
      ? files.filter(isWebManifest).flatMap((file) => memberCuts(file, template.source(file), web.members ?? []))
      : []),
    ...(web?.elements?.length
      ? files
          .filter((file) => /\.html?$/i.test(file))
          .flatMap((file) => pageCuts(file, template.source(file), web.elements ?? []))
      : []),
  ],
});
