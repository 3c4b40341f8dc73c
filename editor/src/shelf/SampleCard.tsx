import { loopLength } from '@pace-line/core';
import { MovingPicture } from '../look/MovingPicture.tsx';
import type { Sample } from './samples.ts';

/** A sample, moving; pressed, a copy of it is opened. */
export function SampleCard({ sample, onOpen }: { sample: Sample; onOpen: () => void }) {
  const { name, clock } = sample.scene;
  return (
    <li className="scene-card">
      <button type="button" className="scene-face" onClick={onOpen} aria-label={`Open the sample ${name}`}>
        <MovingPicture name={sample.file} scene={() => sample.scene} />
      </button>
      <div className="scene-line">
        <span className="scene-title">{name}</span>
        <span className="muted figures">{seconds(loopLength(clock))}</span>
      </div>
    </li>
  );
}

/** A length in seconds without needless noughts. */
const seconds = (value: number): string => `${Number(value.toFixed(2))} s`;
