import { lazy, Suspense, useEffect } from 'react';
import { endShow, useShow } from './state.ts';

const ShowStrip = lazy(async () => ({ default: (await import('./ShowStrip.tsx')).ShowStrip }));

/** The recipe that is being shown in a scene, if one is; what shows it is loaded then. */
export function ShowHere({ scene }: { readonly scene: string }) {
  const isHere = useShow(({ show }) => show?.scene === scene);
  useEffect(() => {
    if (!isHere) endShow();
  }, [isHere, scene]);
  return (
    isHere && (
      <Suspense>
        <ShowStrip />
      </Suspense>
    )
  );
}
