import { IconFlipHorizontal, IconFlipVertical, IconLock, IconLockOpen } from '@tabler/icons-react';
import { useState } from 'react';
import type { Rider } from '@pace-line/core';
import { flipSelection } from '../../actions/transforming.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { KeyedRow } from '../keys/KeyedRow.tsx';

/** How large it is, how opaque, and which way round. */
export function LookRows({ rider }: { rider: Rider }) {
  const [locked, setLocked] = useState(true);
  return (
    <>
      <KeyedRow of="rider.scale" rider={rider} channel="scale" isSize isTogether={locked}>
        <button
          type="button"
          className="small-button icon"
          aria-pressed={locked}
          aria-label="Keep proportions"
          title={
            locked ? 'Both axes together; press to scale them apart' : 'Each axis alone; press to scale them together'
          }
          onClick={() => setLocked(!locked)}
        >
          {locked ? <IconLock size={15} aria-hidden /> : <IconLockOpen size={15} aria-hidden />}
        </button>
      </KeyedRow>
      <KeyedRow of="rider.opacity" rider={rider} channel="opacity" />
      <FlipRow rider={rider} />
    </>
  );
}

/** Flips are buttons that stay pressed: a size has no sign. */
function FlipRow({ rider: { scale } }: { rider: Rider }) {
  const desk = useDesk();
  return (
    <Row of="rider.flip">
      <button
        type="button"
        className="small-button icon"
        aria-label="Flip left and right"
        aria-pressed={scale[0] < 0}
        title="Flip left and right (F)"
        onClick={() => flipSelection(desk, 'across')}
      >
        <IconFlipHorizontal size={15} aria-hidden />
      </button>
      <button
        type="button"
        className="small-button icon"
        aria-label="Flip up and down"
        aria-pressed={scale[1] < 0}
        title="Flip up and down (Shift F)"
        onClick={() => flipSelection(desk, 'over')}
      >
        <IconFlipVertical size={15} aria-hidden />
      </button>
    </Row>
  );
}
