import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { offerWords, withOffer, type Offer, type Offers as Found, type Scene, type Told } from '@pace-line/core';
import { offers as lookForOffers, type Job } from '../../../jobs/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';

/** The key of a ghost that shows what an offer would make. */
const OFFERED = '·offered';

type State =
  | { readonly is: 'closed' }
  | { readonly is: 'looking' }
  | { readonly is: 'failed' }
  | { readonly is: 'found'; readonly found: Found };

interface OffersProps {
  readonly scene: Scene;
  readonly finding: Told;
}

/** The smallest changes that put a finding right: looked for when they are asked for, each shown as a ghost before it is taken. */
export function Offers({ scene, finding }: OffersProps) {
  const [state, setState] = useState<State>({ is: 'closed' });
  const job = useRef<Job<Found> | null>(null);
  const look = (): void => {
    setState({ is: 'looking' });
    const mine = (job.current = lookForOffers(scene, finding));
    void mine.end.then((end) => {
      if (job.current !== mine) return;
      job.current = null;
      setState(end.state === 'done' ? { is: 'found', found: end.result } : { is: 'failed' });
    });
  };
  const cancel = (): void => {
    job.current?.cancel();
    job.current = null;
    setState({ is: 'closed' });
  };
  // What was found is of the scene as it was then; what is still looked for is looked for in the one that is now.
  const again = useEffectEvent((): void => {
    const wasLooking = job.current !== null;
    cancel();
    hideOffer();
    if (wasLooking) look();
  });
  const asked = useRef(scene);
  useEffect(() => {
    if (asked.current === scene) return;
    asked.current = scene;
    again();
  }, [scene]);
  useEffect(
    () => () => {
      job.current?.cancel();
      hideOffer();
    },
    [],
  );
  if (state.is === 'closed')
    return (
      <button
        type="button"
        className="small-button"
        title="Looks for the smallest changes after which this finding is gone and nothing else is worse"
        onClick={look}
      >
        put it right…
      </button>
    );
  if (state.is === 'looking')
    return (
      <span role="status" className="offers-looking">
        Looking…{' '}
        <button type="button" className="small-button" onClick={cancel}>
          cancel
        </button>
      </span>
    );
  if (state.is === 'failed') return <p className="card-note">It could not be worked out.</p>;
  const { offers, nearest } = state.found;
  return (
    <>
      {offers.length === 0 && (
        <p className="card-note" role="status">
          No single change is enough.{nearest && ` Nearest: ${nearest.words}.`}
        </p>
      )}
      {(nearest ? [nearest.offer] : offers).map((offer) => (
        <OfferButton key={`${offer.kind} ${offer.rider} ${offer.to}`} scene={scene} offer={offer} />
      ))}
    </>
  );
}

function OfferButton({ scene, offer }: { scene: Scene; offer: Offer }) {
  const desk = useDesk();
  const words = offerWords(scene, offer);
  const show = (): void => showOffer(withOffer(scene, offer));
  return (
    <button
      type="button"
      className="small-button offer"
      title="Shown as a ghost on the canvas and the sheet; pressed, it is done"
      onPointerEnter={show}
      onFocus={show}
      onPointerLeave={hideOffer}
      onBlur={hideOffer}
      onClick={() => {
        hideOffer();
        change(desk, words, (base) => withOffer(base, offer));
      }}
    >
      {words}
    </button>
  );
}

/** The ghost that an offer's stands in for: one that is held by hand comes back after it. */
let held: ReturnType<typeof useDeskView.getState>['ghost'] = null;

function showOffer(scene: Scene): void {
  const { ghost, set } = useDeskView.getState();
  if (ghost?.key !== OFFERED) held = ghost;
  set({ ghost: { key: OFFERED, scene } });
}

function hideOffer(): void {
  const { ghost, set } = useDeskView.getState();
  if (ghost?.key === OFFERED) set({ ghost: held });
}
