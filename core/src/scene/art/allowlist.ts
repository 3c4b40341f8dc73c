import { urlsIn } from './urls.ts';

/**
 * What the markup of an art may hold: static SVG drawing, nothing that runs, moves, links or loads. The importer reduces files to this, the
 * verifier refuses everything else.
 */
export const ALLOWED_ELEMENTS: ReadonlySet<string> = new Set(
  (
    'svg g defs symbol use title desc path rect circle ellipse line polyline polygon text tspan textPath ' +
    'linearGradient radialGradient stop pattern clipPath mask marker filter ' +
    'feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight ' +
    'feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feMerge feMergeNode feMorphology feOffset fePointLight ' +
    'feSpecularLighting feSpotLight feTile feTurbulence switch'
  ).split(' '),
);

/** Elements whose text is drawn or read out; elsewhere only white space may stand. */
export const TEXT_ELEMENTS: ReadonlySet<string> = new Set(['text', 'tspan', 'textPath', 'title', 'desc']);

/** CSS properties that are also attributes of SVG; a style declaration of one of them is kept as that attribute. */
export const PRESENTATION_ATTRIBUTES: ReadonlySet<string> = new Set(
  (
    'alignment-baseline baseline-shift clip-path clip-rule color color-interpolation color-interpolation-filters direction display ' +
    'dominant-baseline fill fill-opacity fill-rule filter flood-color flood-opacity font-family font-size font-size-adjust font-stretch ' +
    'font-style font-variant font-weight image-rendering letter-spacing lighting-color marker-end marker-mid marker-start mask mask-type ' +
    'opacity overflow paint-order shape-rendering stop-color stop-opacity stroke stroke-dasharray stroke-dashoffset stroke-linecap ' +
    'stroke-linejoin stroke-miterlimit stroke-opacity stroke-width text-anchor text-decoration text-rendering transform-origin ' +
    'unicode-bidi vector-effect visibility word-spacing writing-mode'
  ).split(' '),
);

const OTHER_ATTRIBUTES: ReadonlySet<string> = new Set(
  (
    'id x y x1 y1 x2 y2 cx cy r rx ry fx fy fr dx dy d points width height viewBox preserveAspectRatio transform href ' +
    'gradientUnits gradientTransform spreadMethod offset patternUnits patternContentUnits patternTransform clipPathUnits maskUnits ' +
    'maskContentUnits markerUnits markerWidth markerHeight refX refY orient filterUnits primitiveUnits in in2 result stdDeviation mode ' +
    'type values tableValues slope intercept amplitude exponent operator k1 k2 k3 k4 order kernelMatrix divisor bias targetX targetY ' +
    'edgeMode preserveAlpha surfaceScale diffuseConstant specularConstant specularExponent kernelUnitLength azimuth elevation ' +
    'pointsAtX pointsAtY pointsAtZ limitingConeAngle z scale xChannelSelector yChannelSelector radius baseFrequency numOctaves seed ' +
    'stitchTiles textLength lengthAdjust rotate startOffset method spacing side pathLength xml:space style xmlns'
  ).split(' '),
);

/** Whether the markup of art may hold an attribute of this name; what its value may be is another question. */
export const isAllowedAttribute = (name: string): boolean =>
  OTHER_ATTRIBUTES.has(name) || PRESENTATION_ATTRIBUTES.has(name);

/** Properties that have no attribute of their own and may stand in `style`. */
export const ALLOWED_STYLE = /^(?:(?:mix-blend-mode|isolation|transform-box):[a-z-]+;?)*$/;

/** A reference inside the same drawing. */
export const LOCAL_REFERENCE = /^#([A-Za-z_][\w.-]*)$/;

const LOCAL_URL = /^#[A-Za-z_][\w.-]*$/;

/** Whether a value names nothing outside the drawing: every url() points at an id, and there is no script, import or escape. */
export function isHarmlessValue(value: string): boolean {
  if (/[\\<]|javascript:|vbscript:|data:|@import|expression\s*\(|image(?:-set)?\s*\(|-moz-binding|&#/i.test(value))
    return false;
  return urlsIn(value)?.every(({ target }) => LOCAL_URL.test(target)) ?? false;
}

/** At most this many elements, each `use` counted with all that it draws. */
export const MOST_ELEMENTS = 20_000;
