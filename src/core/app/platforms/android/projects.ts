import { type AppModule, valuesOf } from "./gradle-project.ts";

/** The Android apps of a template: the one that clients get, what belongs to it in other projects, and others. */
export interface AndroidApps {
  first: AppModule;
  /** Further modules of the same app: of its own project, and of projects beside it, as a watch's or a television's. */
  further: readonly AppModule[];
  /** Modules that make another app, by their identifier. */
  others: readonly { module: AppModule; identifier: string | undefined }[];
}

/** Folders in which a library shows how it is used, or an app is tried. */
const aside = /(^|\/)(examples?|samples?|demos?|playground|tests?|integration[-_]tests?|e2e)(\/|$)/i;

/**
 * Tells the apps of several Gradle projects apart: what has the identifier of the app that most have, or that one with
 * something behind it, is the same app for another device.
 * @param modules those that make an app, the one nearest the top first
 */
export function appsOf(modules: readonly AppModule[]): AndroidApps | undefined {
  const named = modules.map((module) => ({ module, identifier: identifierOf(module) }));
  const projects = [...new Set(modules.map(({ root }) => root))].map((root) => {
    const own = named.filter(({ module }) => module.root === root);
    const identifier = own[0]?.identifier;
    const count = named.filter((each) => isSame(identifier, each.identifier)).length;
    return { root, own, identifier, count, isAside: aside.test(root) };
  });
  const [main] = [...projects].sort((a, b) => Number(a.isAside) - Number(b.isAside) || b.count - a.count);
  const first = main?.own[0]?.module;
  if (!main || !first) return undefined;
  const belongs = ({ root, own, identifier }: (typeof projects)[number]) =>
    root === main.root ||
    own.some(
      (each) => isSame(identifier ?? each.identifier, main.identifier) || isSame(main.identifier, each.identifier),
    );
  const related = projects.filter(belongs);
  const apart = projects.filter((each) => !belongs(each) && !each.isAside);
  return {
    first,
    further: related.flatMap(({ own }) => own.map(({ module }) => module)).filter((module) => module !== first),
    others: apart.flatMap(({ own }) => own),
  };
}

/** Whether an identifier is another, or that one with something behind it. */
const isSame = (base: string | undefined, identifier: string | undefined): boolean =>
  base !== undefined && identifier !== undefined && (identifier === base || identifier.startsWith(`${base}.`));

/** The application ID that a module says itself, in its defaults before its flavours. */
export function identifierOf(module: AppModule): string | undefined {
  if (module.project) return module.project.said("ApplicationId")?.value;
  const values = valuesOf(module, "applicationId");
  const base = values.find(({ statement }) => statement.blocks.at(-1) === "defaultConfig") ?? values[0];
  return base?.sites[0]?.value;
}
