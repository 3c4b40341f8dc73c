import { IconLock, IconLockOpen } from '@tabler/icons-react';
import type { Axes } from '@pace-line/core';
import { IconAction } from '../../look/IconAction.tsx';
import { ribbonBox } from '../../tools/sheet/index.ts';
import { usePreferences } from '../view.ts';

/** px left of the chart's edge, and below the strip's upper edge: under the strip's name. */
const [LEFT, DOWN] = [30, 34];

/** Whether a leg whose speed is drawn up or down on its strip keeps its duration. */
export function SpeedLock({ axes }: { axes: Axes }) {
  const keeps = usePreferences((state) => state.keepsDuration);
  const setKeeps = usePreferences((state) => state.setKeepsDuration);
  if (axes.ribbon === 0) return null;
  const Icon = keeps ? IconLock : IconLockOpen;
  return (
    <div className="speed-lock" style={{ left: axes.left - LEFT, top: ribbonBox(axes).top + DOWN }}>
      <IconAction
        label="Keep the leg’s duration"
        hint={
          keeps
            ? 'Drag the strip to set the speed there: the leg keeps its duration'
            : 'Drag the strip to set the speed there: the leg becomes shorter or longer'
        }
        icon={<Icon size={15} aria-hidden />}
        pressed={keeps}
        onClick={() => setKeeps(!keeps)}
      />
    </div>
  );
}
