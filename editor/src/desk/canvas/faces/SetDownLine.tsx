import { guideById, riderById } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { useOpenScene } from '../../../scene/context.ts';

export function SetDownLine() {
  const { playback } = useOpenScene();
  const rider = useDocumentState((state) => riderById(state.shown, state.selection.riders[0] ?? ''));
  const guide = useDocumentState((state) => guideById(state.shown, rider?.guide ?? null));
  const text = !rider
    ? 'Press a rider to begin.'
    : guide
      ? `${rider.name}: ${rider.pace.marks.length} placements on ${guide.name}. Move the playhead, then drag it on.`
      : `${rider.name} is parked: that is its place at 0 s. Move the playhead, then drag it on.`;
  return (
    <>
      <span className="muted option-line">{text}</span>
      {rider && (
        <button
          type="button"
          className="small-button"
          title="The playhead at the loop’s end: what is set down then is where the loop arrives (End)"
          onClick={() => {
            playback.pause();
            playback.seek(Infinity);
          }}
        >
          to the end
        </button>
      )}
    </>
  );
}
