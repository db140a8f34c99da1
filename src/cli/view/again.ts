/** What a command was given of where and for whom it works: what the next one is to be given again. */
export interface Where {
  workspace?: string | undefined;
  stage?: string | undefined;
  clients?: readonly string[];
}

const quoted = (word: string): string => (/^[\w./@:-]+$/.test(word) ? word : `'${word.replaceAll("'", "'\\''")}'`);

/** A command to run next, in the same workspace, at the same stage, for the same clients. */
export const again = (command: string, { workspace, stage, clients = [] }: Where): string =>
  [
    `oxalis ${command}`,
    ...clients.map(quoted),
    ...(stage === undefined ? [] : ["--stage", quoted(stage)]),
    ...(workspace === undefined ? [] : ["-C", quoted(workspace)]),
  ].join(" ");
