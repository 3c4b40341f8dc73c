import { DRAWN } from '../features.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { stemOf } from '../text.ts';
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
): string => `import { createElement, forwardRef, useEffect, useImperativeHandle, useRef } from 'react';
import { mount } from './${stem}.module.js';

const words = (given) => (given === undefined ? '' : [given].flat().join());

/** The loop as a component: it is mounted with it and cleaned up after it, in strict mode as well. \`ref\` gives play, pause, seek and the rest. */
export const ${name} = forwardRef(function ${name}(
  { driver, then, leadIn, rate = 1, on, fit, progress, className, style },
  ref,
) {
  const host = useRef(null);
  const mounted = useRef(null);
  const before = useRef(undefined);
  const told = progress !== undefined;
  // Options are compared by what is in them: a parent that renders anew makes new objects of the same.
  const wanted = [told || words(driver), words(then), leadIn, on, fit?.from, fit?.to, fit?.upright, fit?.size, JSON.stringify(fit?.ends)];
  useEffect(() => {
    const made = mount(host.current, { driver: told ? 'none' : driver, then, leadIn, rate, on, fit, state: before.current });
    if (!fit) Object.assign(made.element.style, { maxWidth: '100%', height: 'auto' });
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
    play: () => mounted.current?.play(),
    reverse: () => mounted.current?.reverse(),
    pause: () => mounted.current?.pause(),
    seek: (seconds) => mounted.current?.seek(seconds),
    setProgress: (share) => mounted.current?.setProgress(share),
    setRate: (next) => mounted.current?.setRate(next),
    refit: () => mounted.current?.refit(),
  }), []);
  // Its place is kept before it is there, as on a server.
  return createElement('div', { ref: host, className, style: { ...(fit ? {} : { maxWidth: '100%', width: '${ratio.slice(0, ratio.indexOf(' '))}px', aspectRatio: '${ratio}' }), ...style } });
});

export default ${name};
export { sample } from './${stem}.module.js';
`;

const typesText = (
  name: string,
  stem: string,
): string => `import type { CSSProperties, ForwardRefExoticComponent, RefAttributes } from 'react';
import type { Mounted, MountOptions } from './${stem}.module.js';

export interface ${name}Props extends Omit<MountOptions, 'className' | 'state'> {
  /** Share of the loop, 0 to 1: given, nothing else moves it. */
  progress?: number;
  className?: string;
  style?: CSSProperties;
}

export type ${name}Handle = Pick<Mounted, 'play' | 'reverse' | 'pause' | 'seek' | 'setProgress' | 'setRate' | 'refit'>;

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
