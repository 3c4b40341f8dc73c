import { Slider } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { guideById, lookedAlong, pathOfGuide, type Rider } from '@pace-line/core';
import { useDocumentState, type Gesture } from '../../../document/index.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';

/** Stands the rider anywhere along its guide just to look; left, it is where it was, and nothing was changed. */
export function LookRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const length = useDocumentState((state) => {
    const guide = guideById(state.committed, rider.guide);
    return guide ? pathOfGuide(guide).length : 0;
  });
  const [share, setShare] = useState(0);
  const gesture = useRef<Gesture>(undefined);
  // By the keyboard it stands there until the slider is left; a hand lets go of it.
  const keyed = useRef(false);
  const end = (): void => {
    gesture.current?.cancel();
    gesture.current = undefined;
  };
  useEffect(() => end, [rider.id]);
  if (rider.guide === null || length === 0) return null;
  return (
    <Row of="rider.look">
      <div
        className="look-along"
        onKeyDownCapture={() => (keyed.current = true)}
        onPointerDownCapture={() => (keyed.current = false)}
        onBlur={end}
      >
        <Slider
          thumbLabel="Preview along the guide; nothing is changed"
          value={share}
          onChange={(next) => {
            setShare(next);
            // Undo, or a key that changes something, may have ended the last one.
            if (!gesture.current?.isOpen()) gesture.current = desk.doc.glance();
            gesture.current.update((scene) => lookedAlong(scene, { rider: rider.id, foot: (next / 100) * length }));
          }}
          onChangeEnd={() => !keyed.current && end()}
          label={null}
          size="xs"
        />
      </div>
    </Row>
  );
}
