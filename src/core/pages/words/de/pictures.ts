import type { PictureWords } from "../en/pictures.ts";

export const german: PictureWords = {
  isGone: "ist nicht da",
  isNotSquare:
    "ist nicht quadratisch: {lost} der längeren Seite würden abgeschnitten; bitte das volle Quadrat zeichnen",
  isRounded: "hat schon runde Ecken: bitte das volle Quadrat schicken, jedes System schneidet sie selbst zu",
  isTransparent: "ist stellenweise durchsichtig und würde mit {ground} gefüllt: bitte so füllen, wie es sein soll",
  isCut: "reicht zu weit an den Rand: Systeme schneiden Symbole rund zu, bitte mehr Platz lassen",
  isFaint: "hebt sich kaum von {ground} ab",
  isUnseen:
    "ist auf {ground} nicht zu erkennen: bitte eine Form für diesen Grund schicken oder eine andere Farbe " + "nennen",
  isLostInDark: "geht auf einem dunklen Bildschirm unter: bitte eine Form für dunkle Bildschirme schicken",
  isLettering:
    "ist ein Schriftzug: als Symbol sind die Buchstaben {points} Punkt hoch, das kann niemand " +
    "lesen. Bitte dazu ein Zeichen ohne Schrift schicken",
  isPhoto: "ist ein Foto: bitte das Zeichen allein schicken, ohne Grund",
  isBlank: "sagt in einer Farbe wenig ({left} der Form bleiben): bitte eine einfarbige Form ohne Grund schicken",
  hasBitmap: "enthält ein Foto oder Pixelbild: bitte in Pfaden zeichnen",
  hasLiveText: "enthält Text in einer Schrift, die andere nicht haben: bitte in Pfade umwandeln",
  isLike: "sieht aus wie das Bild einer anderen App: ist es die richtige Datei?",
  isBoxed: "steht auf einem einfarbigen Kasten: bitte ohne Grund schicken",
  isUnlettered:
    "keine vorhandene Schrift hat alle Buchstaben des Namens: bitte das Logo mit Schriftzug oder die Schrift " +
    "schicken",
  isNoFont: "ist keine lesbare Schrift: bitte als .ttf oder .otf schicken",
  designerSubject: "{agency}: Bilder, die zu verbessern sind",
  designerIntro:
    "Diese Bilder können so nicht in die Apps, oder sie sähen nicht so aus, wie sie gemeint sind. Bitte " +
    "schicken Sie sie bis zum {until}: wo es geht als SVG, sonst als PNG, unter denselben Dateinamen.",
  designerNow: "wie es jetzt ist",
  noPicture: "noch kein Bild",
  stopsApp: "darauf wartet die App",
};
