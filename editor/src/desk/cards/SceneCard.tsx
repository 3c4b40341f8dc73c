import { loopLength } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { seconds } from '../../words/labels.ts';
import { Card } from './Card.tsx';
import { Groups } from './groups/Groups.tsx';
import { CanvasRows } from './scene/CanvasRows.tsx';
import { ClockRows } from './scene/ClockRows.tsx';
import { DriverRows } from './scene/DriverRows.tsx';
import { SCENE_GROUPS } from './scene/groups.tsx';

/** What belongs to the scene: there whatever is selected. */
export function SceneCard() {
  const scene = useDocumentState((state) => state.shown);
  const { clock } = scene;
  const isAlone = useDocumentState(({ selection }) => selection.guides.length + selection.riders.length === 0);
  return (
    <Card
      name="scene"
      title="Scene"
      summary={`${clock.repeat === 'once' ? 'plays' : 'loop of'} ${seconds(loopLength(clock))}`}
      isBusy={isAlone}
      groups={
        <div>
          <DriverRows />
          <Groups of="scene" name="the scene" on={scene} groups={SCENE_GROUPS} />
        </div>
      }
    >
      <CanvasRows />
      <ClockRows />
    </Card>
  );
}
