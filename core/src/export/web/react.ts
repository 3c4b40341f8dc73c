import { DRAWN } from '../features.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';
import { MODULE_TYPES, moduleOptions, moduleText } from './module.ts';

/** A component's name from a file's. */
const componentName = (stem: string): string => {
  const name = stem
    .split('-')
    .map((word) => word.charAt(0).toUpperCase() + word.slice(1))
    .join('');
  return /^[A-Z]/.test(name) ? name : `Loop${name}`;
};

const componentText = (
  name: string,
  stem: string,
): string => `import { createElement, forwardRef, useEffect, useImperativeHandle, useRef } from 'react';
import { mount } from './${stem}.module.js';

/** The loop as a component: it is mounted with it and cleaned up after it, in strict mode as well. \`ref\` gives play, pause, seek and the rest. */
export const ${name} = forwardRef(function ${name}({ driver, then, leadIn, on, fit, progress, className, style }, ref) {
  const host = useRef(null);
  const mounted = useRef(null);
  useEffect(() => {
    const made = mount(host.current, { driver: progress === undefined ? driver : 'none', then, leadIn, on, fit });
    made.element.style.maxWidth = '100%';
    made.element.style.height = 'auto';
    mounted.current = made;
    return () => {
      made.destroy();
      mounted.current = null;
    };
  }, [driver, then, leadIn, on, fit, progress === undefined]);
  useEffect(() => {
    if (progress !== undefined) mounted.current?.setProgress(progress);
  }, [progress]);
  useImperativeHandle(ref, () => ({
    play: () => mounted.current?.play(),
    reverse: () => mounted.current?.reverse(),
    pause: () => mounted.current?.pause(),
    seek: (seconds) => mounted.current?.seek(seconds),
    setProgress: (share) => mounted.current?.setProgress(share),
  }));
  return createElement('div', { ref: host, className, style });
});

export default ${name};
export { sample } from './${stem}.module.js';
`;

const typesText = (
  name: string,
  stem: string,
): string => `import type { CSSProperties, ForwardRefExoticComponent, RefAttributes } from 'react';
import type { Mounted, MountOptions } from './${stem}.module.js';

export interface ${name}Props extends Omit<MountOptions, 'className'> {
  /** Share of the loop, 0 to 1: given, nothing else moves it. */
  progress?: number;
  className?: string;
  style?: CSSProperties;
}

export type ${name}Handle = Pick<Mounted, 'play' | 'reverse' | 'pause' | 'seek' | 'setProgress'>;

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
    const stem = fileStem(take.name);
    const name = componentName(stem);
    await writeFile(sink, `${stem}.jsx`, 'text/javascript', componentText(name, stem));
    await writeFile(sink, `${stem}.d.ts`, 'text/plain', typesText(name, stem));
    await writeFile(sink, `${stem}.module.js`, 'text/javascript', moduleText(take, given));
    await writeFile(sink, `${stem}.module.d.ts`, 'text/plain', MODULE_TYPES);
  },
};
