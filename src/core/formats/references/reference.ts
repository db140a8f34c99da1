import { longPattern } from "../../ground/values/long-pattern.ts";

/** A file that another names, as the tool that reads that one looks for it. */
export interface Reference {
  from: string;
  /** As it is written. */
  name: string;
  /** Every path that would do; the first that is there counts. A resource or a tile may lie in many. */
  finds(files: FileIndex): readonly string[];
  /** What the name demands of the picture, in pixels. */
  width?: number;
  height?: number;
  /** No alpha channel may be in it. */
  opaque?: true;
}

/** The files of a folder, by the ways in which they are looked for. */
export interface FileIndex {
  has(path: string): boolean;
  /** Files of an Android resource, such as mipmap/lid, in every qualifier. */
  resource(type: string, name: string): readonly string[];
  /** Files that begin with a stem, with a qualifier or without: Assets/Logo, .png. */
  qualified(stem: string, ending: string): readonly string[];
  /** Folders of an asset catalog, such as Lid.imageset. */
  asset(name: string): readonly string[];
}

const pictureForm = /\.(png|jpe?g)$/i;
const resourceForm = longPattern()`
  (?:^|\/)(?:res|Resources(?=\/(?:drawable|mipmap|layout|values|xml|raw)\b))
  \/([a-z]+)(?:-[^/]+)?\/([^/]+?)(?:\.9)?\.[a-z0-9]+$
`;

export function indexFiles(files: readonly string[]): FileIndex {
  const all = new Set(files);
  const resources = new Map<string, string[]>();
  const stems = new Map<string, string[]>();
  const assets = new Map<string, string[]>();
  const into = (map: Map<string, string[]>, key: string, file: string) => {
    const there = map.get(key);
    if (there) there.push(file);
    else map.set(key, [file]);
  };
  for (const file of files) {
    const [, type, name] = /res\/|Resources\//.test(file) ? (resourceForm.exec(file) ?? []) : [];
    if (type && name) into(resources, `${type}/${name}`, file);
    if (pictureForm.test(file)) {
      const [, stem = "", ending = ""] =
        /^(.*?)(?:\.(?:scale|targetsize)-[\w-]+(?:_[\w-]+)*)?(\.\w+)$/.exec(file) ?? [];
      into(stems, `${stem}${ending}`.toLowerCase(), file);
    }
    const [, asset] = file.endsWith("Contents.json") ? (/([^/]+\.\w+set)\/Contents\.json$/.exec(file) ?? []) : [];
    if (asset) into(assets, asset, file);
  }
  return {
    has: (path) => all.has(path),
    resource: (type, name) => resources.get(`${type}/${name}`) ?? [],
    qualified: (stem, ending) => stems.get(`${stem}${ending}`.toLowerCase()) ?? [],
    asset: (name) => assets.get(name) ?? [],
  };
}
