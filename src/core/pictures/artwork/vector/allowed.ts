/**
 * The elements, attributes and properties of an SVG that are drawn (W3C, SVG 2, "Element index", "Attribute index",
 * "Property index"). Nothing else is handed on: no scripts, no styles that fetch, no links, no foreign namespaces, no
 * notes of an editor.
 */

const list = (names: string): ReadonlySet<string> => new Set(names.trim().split(/\s+/));

export const drawnElements = list(`
  svg g defs symbol use path rect circle ellipse line polyline polygon text tspan textPath image style
  clipPath mask pattern marker linearGradient radialGradient stop
  filter feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap
  feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feImage feMerge feMergeNode
  feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence`);

/** Elements of which only what is in them is drawn. */
export const wrappers = list("a switch");

/** Elements whose text is drawn. */
export const lettered = list("text tspan textPath");

export const properties = list(`
  alignment-baseline baseline-shift clip-path clip-rule color color-interpolation color-interpolation-filters
  direction display dominant-baseline fill fill-opacity fill-rule filter flood-color flood-opacity font
  font-family font-kerning font-size font-size-adjust font-stretch font-style font-variant font-weight isolation
  letter-spacing lighting-color marker marker-end marker-mid marker-start mask mask-type mix-blend-mode opacity
  overflow paint-order shape-rendering stop-color stop-opacity stroke stroke-dasharray stroke-dashoffset
  stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity stroke-width text-anchor text-decoration
  text-rendering transform transform-origin unicode-bidi vector-effect visibility word-spacing writing-mode`);

export const attributes = list(`
  id class x y x1 y1 x2 y2 cx cy r rx ry fx fy fr d points pathLength width height viewBox preserveAspectRatio
  dx dy rotate textLength lengthAdjust startOffset method spacing side xml:space gradientUnits gradientTransform
  spreadMethod offset clipPathUnits maskUnits maskContentUnits patternUnits patternContentUnits patternTransform
  markerUnits markerWidth markerHeight refX refY orient filterUnits primitiveUnits in in2 result mode type
  values operator k1 k2 k3 k4 order kernelMatrix divisor bias targetX targetY edgeMode preserveAlpha
  surfaceScale diffuseConstant specularConstant specularExponent kernelUnitLength limitingConeAngle pointsAtX
  pointsAtY pointsAtZ z azimuth elevation scale xChannelSelector yChannelSelector stdDeviation radius
  baseFrequency numOctaves seed stitchTiles tableValues slope intercept amplitude exponent crossorigin`);

/** Values that only say how to draw: no escape, no function that fetches, no address but one within the picture. */
export const isPlainValue = (value: string): boolean =>
  !/[\\<>{}@;]|\/\*|expression|(?:image|image-set|cross-fade|element|attr|src|var|env|paint)\s*\(/i.test(value) &&
  [...value.matchAll(/url\s*\(([^)]*)\)?/gi)].every(([, inner = ""]) => /^\s*(["']?)#[\w:.-]+\1\s*$/.test(inner));
