import type { Sample } from '../scene/samples.ts';

/** A sample, moving; pressed, a copy of it is opened. */
export function SampleCard({ sample, onOpen }: { sample: Sample; onOpen: () => void }) {
  const { name, seconds, picture } = sample;
  return (
    <li className="scene-card">
      <button type="button" className="scene-face" onClick={onOpen} aria-label={`Open the sample ${name}`}>
        <img alt="" src={picture} />
      </button>
      <div className="scene-line">
        <span className="scene-title">{name}</span>
        <span className="muted figures">{inSeconds(seconds)}</span>
      </div>
    </li>
  );
}

/** A length in seconds without needless noughts. */
const inSeconds = (value: number): string => `${Number(value.toFixed(2))} s`;
