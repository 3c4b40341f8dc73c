import { DRAWN } from '../features.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { stemOf } from '../text.ts';
import { isLight } from './plays.ts';
import { moduleOptions, moduleText, moduleTypes } from './module.ts';

/** A component's name from a file's. */
const componentName = (stem: string): string => {
  const name = stem
    .split(/[^A-Za-z0-9]+/)
    .map((word) => word.charAt(0).toUpperCase() + word.slice(1))
    .join('');
  return /^[A-Z]/.test(name) ? name : `Loop${name}`;
};

const componentText = (
  name: string,
  stem: string,
  ratio: string,
): string => `import { createElement, forwardRef, useEffect, useId, useImperativeHandle, useMemo, useRef } from 'react';
import { mount, picture } from './${stem}.module.js';

const words = (given) => (given === undefined ? '' : [given].flat().join());
const camel = (name) => (/^(data|aria)-/.test(name) ? name : name.replace(/[-:](\\w)/g, (_, letter) => letter.toUpperCase()));
const styleOf = (text) => Object.fromEntries(text.split(/;(?![^(]*\\))/).flatMap((rule) => {
  const at = rule.indexOf(':');
  return at < 0 ? [] : [[camel(rule.slice(0, at).trim()), rule.slice(at + 1)]];
}));
const made = (more) => (name, { class: className, style, ...attributes }, children) => createElement(name, {
  ...Object.fromEntries(Object.entries(attributes).map(([key, value]) => [camel(key), value])),
  ...(className && { className }),
  ...(style && { style: { ...styleOf(style), ...(attributes.role === 'img' && more) } }),
}, ...children);

/** The loop as a component: its first picture is there on a server already, it is set in motion when it is mounted, and cleaned up after it, in strict mode as well. \`ref\` gives play, pause, seek and the rest. */
export const ${name} = forwardRef(function ${name}(
  { driver, then, leadIn, rate = 1, on, fit, lazy, progress, onStart, onLoop, onEnd, onMark, className, style },
  ref,
) {
  const host = useRef(null);
  const mounted = useRef(null);
  const before = useRef(undefined);
  const listeners = useRef({});
  const tail = useId().replace(/\\W/g, '');
  // Made once: what is set in motion is not rendered anew.
  const drawing = useMemo(() => picture(made(fit ? {} : { maxWidth: '100%', height: 'auto' }), tail), [tail, !fit]);
  const told = progress !== undefined;
  // Options are compared by what is in them: a parent that renders anew makes new objects of the same.
  const wanted = [told || words(driver), words(then), leadIn, on, lazy, fit?.from, fit?.to, fit?.upright, fit?.size, JSON.stringify(fit?.ends)];
  useEffect(() => {
    listeners.current = { start: onStart, loop: onLoop, end: onEnd, mark: onMark };
  });
  useEffect(() => {
    const svg = host.current.firstElementChild;
    const made = mount(host.current, { driver: told ? 'none' : driver, then, leadIn, rate, on, fit, ...(lazy === undefined ? {} : { lazy }), state: before.current, svg });
    for (const event of ['start', 'loop', 'end', 'mark']) made.on(event, (mark) => listeners.current[event]?.(mark));
    if (told) made.setProgress(progress);
    mounted.current = made;
    return () => {
      // What is mounted next goes on from there.
      before.current = made.state();
      made.destroy();
      mounted.current = null;
    };
  }, wanted);
  useEffect(() => {
    if (told) mounted.current?.setProgress(progress);
  }, [progress]);
  useEffect(() => {
    mounted.current?.setRate(rate);
  }, [rate]);
  useImperativeHandle(ref, () => ({
    get time() { return mounted.current?.time ?? 0; },
    play: () => mounted.current?.play(),
    reverse: () => mounted.current?.reverse(),
    pause: () => mounted.current?.pause(),
    seek: (to) => mounted.current?.seek(to),
    setProgress: (share) => mounted.current?.setProgress(share),
    setRate: (next) => mounted.current?.setRate(next),
    refit: () => mounted.current?.refit(),
  }), []);
  return createElement('div', { ref: host, className, style: { ...(fit ? {} : { maxWidth: '100%', width: '${ratio.slice(0, ratio.indexOf(' '))}px', aspectRatio: '${ratio}' }), ...style } }, drawing);
});

export default ${name};
export { sample } from './${stem}.module.js';
`;

const typesText = (
  name: string,
  stem: string,
): string => `import type { CSSProperties, ForwardRefExoticComponent, RefAttributes } from 'react';
import type { MarkReached, Mounted, MountOptions } from './${stem}.module.js';

export interface ${name}Props extends Omit<MountOptions, 'className' | 'state' | 'svg'> {
  /** Share of the loop, 0 to 1: given, nothing else moves it. */
  progress?: number;
  /** Told in the frame in which it happens, as \`on\` of the module has it. */
  onStart?: () => void;
  onLoop?: () => void;
  onEnd?: () => void;
  onMark?: (mark: MarkReached) => void;
  className?: string;
  style?: CSSProperties;
}

export type ${name}Handle = Pick<Mounted, 'time' | 'play' | 'reverse' | 'pause' | 'seek' | 'setProgress' | 'setRate' | 'refit'>;

export const ${name}: ForwardRefExoticComponent<${name}Props & RefAttributes<${name}Handle>>;
export default ${name};
export { sample } from './${stem}.module.js';
`;

/** A React component over the module. */
export const react: Format<'take', typeof moduleOptions> = {
  id: 'react',
  name: 'React component',
  group: 'web',
  about: 'The module with a component over it: for React 18 and later, safe in strict mode.',
  extension: 'jsx',
  type: 'text/javascript',
  several: true,
  options: moduleOptions,
  needs: 'take',
  joint: isLight,
  holds: [...DRAWN, 'driver', 'lead-in'],
  embed: (_, [file = '']) => `import Loop from './${file}';\n\n<Loop />`,
  async write(take, given, sink) {
    const stem = stemOf(given.file, take.name);
    const name = componentName(stem);
    await writeFile(
      sink,
      `${stem}.jsx`,
      'text/javascript',
      componentText(name, stem, `${take.canvas.width * given.scale} / ${take.canvas.height * given.scale}`),
    );
    await writeFile(sink, `${stem}.d.ts`, 'text/plain', typesText(name, stem));
    await writeFile(sink, `${stem}.module.js`, 'text/javascript', moduleText(take, given));
    await writeFile(sink, `${stem}.module.d.ts`, 'text/plain', moduleTypes(take));
  },
};
