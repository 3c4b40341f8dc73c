/**
 * What stands after a module while it is worked on: what is mounted is replaced where it is when the scene is another, and goes on from the moment that it shows. `mount` gives something that
 * stands for whatever is mounted now.
 */
export const LIVE = `
const live = (import.meta.hot.data.live ??= new Set());
const follow = (element, options = {}) => {
  let made = mount(element, options);
  let given = options;
  const heard = new Set();
  const one = {
    swap(next) {
      const state = made.state();
      const rate = made.rate;
      made.destroy();
      given.svg?.remove();
      given = { ...given, svg: undefined, state, rate };
      made = next(element, given);
      if (options.svg) Object.assign(made.element.style, { maxWidth: '100%', height: 'auto' });
      heard.forEach((each) => (each.off = made.on(...each.told)));
    },
  };
  live.add(one);
  const own = {
    on(...told) {
      const each = { told, off: made.on(...told) };
      heard.add(each);
      return () => {
        heard.delete(each);
        each.off();
      };
    },
    destroy() {
      live.delete(one);
      made.destroy();
    },
  };
  return new Proxy({}, {
    get: (_, key) => own[key] ?? (typeof made[key] === 'function' ? (...rest) => made[key](...rest) : made[key]),
    set: (_, key, value) => ((made[key] = value), true),
  });
};
export { follow as mount, mount as mountPlain, picture, sample };
import.meta.hot.accept((next) => next && live.forEach((one) => one.swap(next.mountPlain)));
`;

/** A module's text with that after it. */
export const livelyModule = (text: string): string => `${text.replace(/export\{mount,picture,sample\};/, '')}${LIVE}`;
