import { Slider } from '@mantine/core';
import { useState } from 'react';
import { loopLength } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useFrame, useOpenScene } from '../../scene/context.ts';

/** Time to scrub before there is a pace line: a rider is set down at one time after another. */
export function ScrubSlider() {
  const { playback } = useOpenScene();
  const clock = useDocumentState((state) => state.shown.clock);
  const [shown, show] = useState(playback.time);
  const length = loopLength(clock);
  const step = 1 / clock.fps;
  useFrame(({ time }) => show(Math.round(time / step) * step));
  return (
    <Slider
      className="scrub-slider"
      size="sm"
      min={0}
      max={length}
      step={step}
      value={shown}
      label={null}
      thumbLabel="Time of the playhead, s"
      marks={[
        { value: 0, label: '0' },
        { value: length, label: `${Number(length.toFixed(2))} s` },
      ]}
      onChange={(time) => {
        playback.pause();
        playback.seek(time);
      }}
    />
  );
}
