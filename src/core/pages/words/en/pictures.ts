/** What a letter says of pictures, in English; other languages have the same keys. Names in braces are put in. */
export const english = {
  isGone: "is not there",
  isNotSquare: "is not square: {lost} of its longer side would be cut; please draw the full square",
  isRounded: "has its corners cut round: please send the full square, each system cuts them in its own shape",
  isTransparent: "is transparent in places, which would be filled with {ground}: please fill it as you want it",
  isCut: "reaches too far to the edge: systems cut icons round, please leave more room",
  isFaint: "hardly stands out from {ground}",
  isUnseen: "cannot be told on {ground}: please send a form for that ground, or name another colour",
  isLostInDark: "is lost on a dark screen: please send a form for dark screens",
  isLettering:
    "is lettering: as an icon its letters are {points} points high, which nobody can read. Please " +
    "send a sign without lettering beside it",
  isPhoto: "is a photo: please send the sign alone, on nothing",
  isBlank: "says little in one colour ({left} of its shape is left): please send a form in one colour, on nothing",
  hasBitmap: "holds a photo or a bitmap: please draw it in paths",
  hasLiveText: "holds live text, whose font others do not have: please turn it into outlines",
  isLike: "looks like another app's picture: is it the right file?",
  isBoxed: "stands on a box of one colour: please send it on nothing",
  isUnlettered: "no font at hand has all letters of the name: please send the logo with its lettering, or the font",
  isNoFont: "is no font that can be read: please send it as .ttf or .otf",
  designerSubject: "{agency}: pictures to be mended",
  designerIntro:
    "These pictures cannot go into apps as they are, or would not look as they are meant. Please send them by " +
    "{until}: SVG where there is one, otherwise PNG, under the same file names.",
  designerNow: "as it is now",
  noPicture: "no picture yet",
  stopsApp: "the app waits for this",
} as const;

export type PictureWord = keyof typeof english;
export type PictureWords = Readonly<Record<PictureWord, string>>;
