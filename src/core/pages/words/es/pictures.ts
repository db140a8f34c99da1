import type { PictureWords } from "../en/pictures.ts";

export const spanish: PictureWords = {
  isGone: "no está",
  isNotSquare: "no es cuadrada: se cortaría el {lost} del lado mayor; dibujen el cuadrado entero, por favor",
  isRounded: "ya tiene las esquinas redondeadas: envíen el cuadrado entero, cada sistema las recorta a su manera",
  isTransparent: "es transparente en partes, que se rellenarían de {ground}: rellénenla como deba ser, por favor",
  isCut: "llega demasiado cerca del borde: los sistemas recortan los iconos en redondo, dejen más margen, por favor",
  isFaint: "apenas destaca sobre {ground}",
  isUnseen: "no se reconoce sobre {ground}: envíen una forma para ese fondo o indiquen otro color, por favor",
  isLostInDark: "se pierde en una pantalla oscura: envíen una forma para pantallas oscuras, por favor",
  isLettering:
    "es un rótulo: como icono, sus letras miden {points} puntos de alto y nadie puede leerlas. " +
    "Envíen además un signo sin letras, por favor",
  isPhoto: "es una foto: envíen el signo solo, sin fondo, por favor",
  isBlank: "dice poco en un solo color (queda el {left} de su forma): envíen una forma monocroma, sin fondo, por favor",
  hasBitmap: "contiene una foto o una imagen de píxeles: dibújenla en trazados, por favor",
  hasLiveText: "contiene texto en una fuente que los demás no tienen: conviértanlo en trazados, por favor",
  isLike: "se parece a la imagen de otra aplicación: ¿es el archivo correcto?",
  isBoxed: "está sobre un recuadro de un solo color: envíenla sin fondo, por favor",
  isUnlettered:
    "ninguna fuente disponible tiene todas las letras del nombre: envíen el logotipo con su rótulo, o la fuente",
  isNoFont: "no es una fuente legible: envíenla como .ttf u .otf, por favor",
  designerSubject: "{agency}: imágenes por corregir",
  designerIntro:
    "Estas imágenes no pueden ir así en las aplicaciones, o no se verían como deben. Envíenlas, por favor, a " +
    "más tardar el {until}: en SVG si es posible, si no en PNG, con los mismos nombres de archivo.",
  designerNow: "tal como está",
  noPicture: "todavía sin imagen",
  stopsApp: "la aplicación espera esto",
};
