import type { PictureWords } from "../en/pictures.ts";

export const french: PictureWords = {
  isGone: "est introuvable",
  isNotSquare: "n'est pas carrée\u00a0: {lost} du grand côté seraient coupés\u202f; merci de dessiner le carré entier",
  isRounded: "a déjà les coins arrondis\u00a0: merci d'envoyer le carré entier, chaque système les découpe à sa façon",
  isTransparent:
    "est transparente par endroits, qui seraient remplis de {ground}\u00a0: merci de la remplir comme il faut",
  isCut: "va trop près du bord\u00a0: les systèmes découpent les icônes en rond, merci de laisser plus de marge",
  isFaint: "se détache à peine de {ground}",
  isUnseen:
    "ne se reconnaît pas sur {ground}\u00a0: merci d'envoyer une forme pour ce fond, ou d'indiquer une autre " +
    "couleur",
  isLostInDark: "disparaît sur un écran sombre\u00a0: merci d'envoyer une forme pour les écrans sombres",
  isLettering:
    "est un lettrage\u00a0: en icône, ses lettres font {points} points de haut, personne ne peut " +
    "les lire. Merci d'y joindre un signe sans lettres",
  isPhoto: "est une photo\u00a0: merci d'envoyer le signe seul, sans fond",
  isBlank:
    "ne dit pas grand-chose en une couleur (il reste {left} de sa forme)\u00a0: merci d'envoyer une forme " +
    "monochrome, sans fond",
  hasBitmap: "contient une photo ou une image en pixels\u00a0: merci de la dessiner en tracés",
  hasLiveText: "contient du texte dans une police que les autres n'ont pas\u00a0: merci de le vectoriser",
  isLike: "ressemble à l'image d'une autre application\u00a0: est-ce le bon fichier\u202f?",
  isBoxed: "est posée sur un cadre d'une seule couleur\u00a0: merci de l'envoyer sans fond",
  isUnlettered:
    "aucune police disponible n'a toutes les lettres du nom\u00a0: merci d'envoyer le logo avec son lettrage, " +
    "ou la police",
  isNoFont: "n'est pas une police lisible\u00a0: merci de l'envoyer en .ttf ou .otf",
  designerSubject: "{agency}\u00a0: images à reprendre",
  designerIntro:
    "Ces images ne peuvent pas entrer telles quelles dans les applications, ou n'y auraient pas l'aspect " +
    "voulu. Merci de les envoyer au plus tard le {until}\u00a0: en SVG si possible, sinon en PNG, sous les " +
    "mêmes noms de fichier.",
  designerNow: "telle qu'elle est",
  noPicture: "pas encore d'image",
  stopsApp: "l'application attend cela",
};
