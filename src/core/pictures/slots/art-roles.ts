/** What is known of a picture that a client may supply. */
export interface RoleFact {
  /** What it is, for a producer or a designer. */
  says: string;
  /** What stands for it where nobody supplies it. */
  otherwise: string;
}

const facts = {
  icon: { says: "Square picture, its ground included", otherwise: "the mark on the ground" },
  mark: { says: "The logo alone, on nothing", otherwise: "the icon without its plain ground" },
  mono: { says: "The logo in one colour", otherwise: "the mark's shape" },
  wide: {
    says: "The logo with its lettering, wider than high",
    otherwise: "the mark, with the name beside it",
  },
  splash: {
    says: "A picture over the whole start screen",
    otherwise: "the mark on the start screen's ground",
  },
  repeat: { says: "A tile that is repeated over the start screen's ground", otherwise: "a plain ground" },
  "dark.icon": {
    says: "Square picture for dark screens",
    otherwise: "the mark, on the system's dark ground",
  },
  "dark.mark": { says: "The logo alone, for dark screens", otherwise: "the mark" },
  "dark.wide": { says: "The wide logo for dark screens", otherwise: "the wide logo" },
  "dark.splash": { says: "A picture over the whole dark start screen", otherwise: "the light one" },
} satisfies Record<string, RoleFact>;

/** A picture that a client may supply. */
export type ArtRole = keyof typeof facts;

export const artRoles: Readonly<Record<ArtRole, RoleFact>> = facts;

export const artRoleNames = Object.keys(facts) as ArtRole[];

/** Where a brief names it. */
export const rolePath = (role: ArtRole): string[] => ["art", ...role.split(".")];
