import { useEffect, useRef, type RefObject } from 'react';

/** Views shown since the page was loaded: at the first one the browser's own focus is right. */
let views = 0;

/** The heading of a view: after a change of views the keyboard goes on there, unless something in the view has taken it. */
export function useArrival(): RefObject<HTMLHeadingElement | null> {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    views++;
    if (views > 1 && document.activeElement === document.body) heading.current?.focus({ preventScroll: true });
  }, []);
  return heading;
}
