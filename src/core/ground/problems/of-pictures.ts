import type { ProblemKind } from "./kind.ts";

/** What can be wrong with the pictures that clients supply. */
export const ofPictures = {
  "art-missing": {
    title: "A client has no picture to draw from",
    fix: "Name a picture under `art` in the brief: an icon (a square picture) or a mark (the logo alone).",
  },
  "art-unreadable": {
    title: "A picture that is none, or is broken",
    fix: "Ask for it again as SVG, PNG or JPEG; open it in a viewer before you send it on.",
  },
  "art-unsafe": {
    title: "A picture that reaches outside itself",
    fix: "Ask the designer to export it again as plain SVG: no scripts, no entities, no links to other files.",
  },
  "art-too-large": {
    title: "A picture larger than Oxalis takes",
    fix: "Supply it smaller; the limits are listed in docs/files.md.",
  },
  "art-empty": {
    title: "A picture with nothing on it",
    fix: "Supply the picture that was meant; this one is fully transparent or of one colour.",
  },
  "art-small": {
    title: "A picture is smaller than what is drawn from it",
    fix: "Ask for a larger one, best as SVG; until then it is enlarged and looks soft.",
  },
  "art-not-square": {
    title: "An icon that is not square",
    fix: "Ask for a square one, or accept that the longer side is cut.",
  },
  "art-rounded": {
    title: "An icon whose corners are cut round already",
    fix: "Ask for the full square: each system cuts the corners in its own shape.",
  },
  "art-transparent": {
    title: "An icon with transparency where it will be filled",
    fix: "Ask for an opaque one, or check that the colour it is filled with is the right one.",
  },
  "art-cut": {
    title: "An icon that reaches beyond what masks leave of it",
    fix: "Ask for more room around what is drawn, or supply the mark alone as `art.mark`.",
  },
  "art-unseen": {
    title: "A mark that cannot be told from its ground",
    fix: "Give another `colors.ground`, or ask for the mark in another colour.",
  },
  "ground-chosen": {
    title: "A ground that was chosen, since the mark is lost on the brand colour",
    fix: "Look at it on the proof page; a client's own is `colors: { ground: … }` in its brief.",
  },
  "art-contrast": {
    title: "A mark that hardly stands out from its ground",
    fix: "Choose another `colors.ground`, or ask for the mark in another colour.",
  },
  "art-dark": {
    title: "A mark that is lost on dark screens",
    fix: "Ask for the mark in a light colour; without, its icon stays the light one.",
  },
  "art-bitmap": {
    title: "A vector picture with a bitmap in it",
    fix: "Ask for one drawn in paths: the bitmap gets soft or ragged at other sizes.",
  },
  "art-text": {
    title: "A vector picture with text in a font it does not bring along",
    fix: "Ask the designer to turn the text into paths.",
  },
  "art-alike": {
    title: "A picture that looks like another client's, or the template's",
    fix: "Make sure that the right file was supplied; stores refuse copies.",
  },
  "art-boxed": {
    title: "A logo on a box of one colour",
    fix: "Ask for the logo on nothing: SVG, or PNG with transparency.",
  },
  "art-thin": {
    title: "A logo that is too wide for an icon",
    fix: "Ask for a sign without lettering; with it, a wide logo goes onto banners.",
  },
  "art-photo": {
    title: "A photo where a sign is wanted",
    fix: "Ask for the sign alone, on nothing: SVG, or PNG with transparency.",
  },
  "art-blank": {
    title: "A logo that says nothing in one colour",
    fix: "Ask for the one-coloured form: the sign cut out of its shape.",
  },
  "name-unlettered": {
    title: "A name that banners cannot be lettered with",
    fix:
      "Ask for the logo with its lettering, as `art.wide`, or give a font that has these letters, as `art.font`; " +
      "without them, banners show the mark alone.",
  },
  "lettering-hand": {
    title: "A name that is lettered in another hand than its language is written in",
    fix: "Ask for the logo with its lettering, as `art.wide`, or give a font in that hand, as `art.font`; or leave it.",
  },
  "lettering-refused": {
    title: "A name that this machine cannot letter",
    fix: "Let the process have more addresses (ulimit -v), or make this client on another machine.",
  },
  "font-unreadable": {
    title: "A font that cannot be read",
    fix: "Give the font as .ttf or .otf; web fonts (.woff, .woff2) are packed, and have to be unpacked first.",
  },
} satisfies Record<string, ProblemKind>;
