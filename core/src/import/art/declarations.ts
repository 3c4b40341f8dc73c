import { generate, parse } from 'css-tree';

/** A CSS declaration list as pairs, in order; `!important` is dropped (the cascade is over by then), names are in lower case. What is no declaration is passed over. */
export function declarationsOf(style: string): [name: string, value: string][] {
  const list = parse(style, { context: 'declarationList', parseValue: false });
  if (list.type !== 'DeclarationList') return [];
  return list.children.toArray().flatMap((one): [string, string][] => {
    if (one.type !== 'Declaration') return [];
    const value = generate(one.value).trim();
    return value ? [[one.property.toLowerCase(), value]] : [];
  });
}

/** Characters of a value beyond which it is no style that somebody wrote. */
const LONGEST_VALUE = 20_000;

const GEOMETRY = new Set(['x', 'y', 'cx', 'cy', 'r', 'rx', 'ry', 'width', 'height']);

/**
 * A declaration as attributes of SVG that draw the same: shorthands are taken apart, CSS lengths and angles of transforms lose their units.
 * Undefined where there is no such attribute.
 */
export function attributesOf(
  name: string,
  value: string,
  isPresentation: (name: string) => boolean,
): Record<string, string> | undefined {
  if (value.length > LONGEST_VALUE || /var\(|calc\(|env\(/i.test(value)) return undefined;
  if (name === 'transform') {
    const plain = value.replace(/(?<![\d.])(-?[\d.]+(?:e[+-]?\d+)?)(?:px|deg)\b/gi, '$1');
    return /^(?:none|(?:[\s,]*(?:matrix|translate|translateX|translateY|scale|scaleX|scaleY|rotate|skewX|skewY)\([-\d.,eE+\s]+\))+[\s,]*)$/.test(
      plain,
    )
      ? { transform: axisTransforms(plain) }
      : undefined;
  }
  if (name === 'marker') return { 'marker-start': value, 'marker-mid': value, 'marker-end': value };
  if (name === 'font') return fontAttributes(value);
  if (GEOMETRY.has(name)) return { [name]: value.replace(/^(-?[\d.]+)px$/i, '$1') };
  return isPresentation(name) ? { [name]: value } : undefined;
}

/** translateX and its like are CSS only; the attribute has the two-number forms. */
function axisTransforms(value: string): string {
  if (value.trim() === 'none') return '';
  return value
    .replace(/translateX\(([^)]*)\)/g, 'translate($1 0)')
    .replace(/translateY\(([^)]*)\)/g, 'translate(0 $1)')
    .replace(/scaleX\(([^)]*)\)/g, 'scale($1 1)')
    .replace(/scaleY\(([^)]*)\)/g, 'scale(1 $1)');
}

function fontAttributes(value: string): Record<string, string> | undefined {
  const match =
    /^((?:(?:italic|oblique|normal|bold|bolder|lighter|small-caps|[1-9]00)\s+)*)([\d.]+[a-z%]*)(?:\s*\/\s*\S+)?\s+(.+)$/i.exec(
      value,
    );
  if (!match) return undefined;
  const result: Record<string, string> = { 'font-size': match[2] ?? '', 'font-family': match[3] ?? '' };
  for (const word of (match[1] ?? '').toLowerCase().split(/\s+/).filter(Boolean)) {
    if (word === 'italic' || word === 'oblique') result['font-style'] = word;
    else if (word === 'small-caps') result['font-variant'] = word;
    else if (word !== 'normal') result['font-weight'] = word;
  }
  return result;
}
