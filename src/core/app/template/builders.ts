import { longPattern } from "../../ground/values/long-pattern.ts";

/** Scripts that build programs: what says a name beside none of them is somebody else's. */
export const builders = longPattern()`
  (^|\/)(CMakeLists\.txt|meson\.build|configure\.(ac|in)|Makefile(\.am)?|[\w-]+\.pro|setup\.py
  |pyproject\.toml|Cargo\.toml)$
`;

/** Folders of what an app takes from others, and of its tests. */
export const aside = longPattern("i")`
  (^|\/)(external|third[_-]?party|3rd[_-]?party|vendor|node_modules|subprojects|((gui|ui|unit|auto|e2e)[_-]?)?tests?
  |test[_-]?apps?|examples?|docs?|debian|build)\/
`;
