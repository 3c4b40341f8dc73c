import { dequal } from 'dequal/lite';
import { memo, useLayoutEffect, useRef, useState, type ComponentType } from 'react';

/**
 * A field that is rendered again only when something it shows has changed, though it is handed another function each time: cards follow a hand several
 * times a second, and most of their fields stay as they are. What the field calls is always the function of the latest rendering.
 */
export function steady<P extends object, K extends keyof P>(
  Field: ComponentType<P>,
  handler: K & (P[K] extends (value: never) => void ? K : never),
): ComponentType<P> {
  const Shown = memo(Field, dequal) as unknown as ComponentType<P>;
  return function Steady(props: P) {
    const latest = useRef(props[handler]);
    useLayoutEffect(() => {
      latest.current = props[handler];
    });
    const [call] = useState(
      () =>
        (value: never): void =>
          (latest.current as (value: never) => void)(value),
    );
    return <Shown {...props} {...{ [handler]: call }} />;
  };
}
