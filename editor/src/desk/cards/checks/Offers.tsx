import { useEffect, useEffectEvent, useRef, useState } from 'react';
import {
  offerWords,
  riderById,
  withOffer,
  type Offer,
  type Offers as Found,
  type Scene,
  type Told,
} from '@pace-line/core';
import { offers as lookForOffers, type Job } from '../../../jobs/index.ts';
import { EditButton, hideOffer } from './EditButton.tsx';

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
  return <FoundOffers scene={scene} found={state.found} />;
}

/** What was found: what is enough; else what comes nearest, and what is enough but for something else. */
function FoundOffers({ scene, found }: { scene: Scene; found: Found }) {
  const { offers, nearest, instead } = found;
  return (
    <>
      {offers.map((offer) => (
        <OfferButton key={keyOf(offer)} scene={scene} offer={offer} />
      ))}
      {offers.length === 0 && (
        <p className="card-note" role="status">
          No single change puts this right without a new finding.
        </p>
      )}
      {nearest && (
        <>
          <OfferButton scene={scene} offer={nearest.offer} title="What comes nearest" />
          <p className="card-note offer-then">Nearest. Then: {nearest.words}.</p>
        </>
      )}
      {instead && (
        <>
          <OfferButton scene={scene} offer={instead.offer} title="Enough, with a new finding" />
          <p className="card-note offer-then">
            Enough, but then: {instead.found.map((one) => foundWords(scene, one)).join('; ')}.
          </p>
        </>
      )}
    </>
  );
}

const keyOf = ({ kind, rider, part = '', to }: Offer): string => `${kind} ${rider} ${part} ${to}`;

/** What is found of whom, in a line. */
const foundWords = (scene: Scene, { label, riders, words }: Told): string =>
  [label, ...riders.map((id) => riderById(scene, id)?.name ?? id), words].join(', ');

interface OfferButtonProps {
  readonly scene: Scene;
  readonly offer: Offer;
  readonly title?: string;
}

function OfferButton({ scene, offer, title = 'The smallest change of this kind' }: OfferButtonProps) {
  const words = offerWords(scene, offer);
  return (
    <EditButton className="offer" label={words} title={title} scene={scene} edit={(base) => withOffer(base, offer)}>
      {words}
    </EditButton>
  );
}
