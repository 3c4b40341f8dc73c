import { useCallback, type ReactNode } from 'react';
import { cssMatrix } from '../../figures/view-transform.ts';
import { useDeskView } from '../view.ts';

interface ViewGroupProps {
  readonly children?: ReactNode;
  /** Is given the group while it is there. */
  readonly hold?: (group: SVGGElement | null) => void;
}

/** What lies in it is in canvas px, as the view shows them. The view moves it at once: it is not rendered. */
export function ViewGroup({ children, hold }: ViewGroupProps) {
  const ref = useCallback(
    (group: SVGGElement) => {
      let shown = '';
      const show = (): void => {
        const transform = cssMatrix(useDeskView.getState().view);
        if (transform !== shown) group.setAttribute('transform', (shown = transform));
      };
      show();
      hold?.(group);
      const stop = useDeskView.subscribe(show);
      return () => {
        stop();
        hold?.(null);
      };
    },
    [hold],
  );
  return <g ref={ref}>{children}</g>;
}
