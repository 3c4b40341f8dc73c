import { ActionIcon, Slider, Tooltip } from '@mantine/core';
import { IconEye, IconEyeOff, IconLock, IconLockOpen, IconPhotoPlus, IconTrash } from '@tabler/icons-react';
import { useRef } from 'react';
import { deleteTracing, setTracing, type Tracing } from '@pace-line/core';
import { useDocument, useDocumentState, type Gesture } from '../../document/index.ts';
import { DEGREES, NumberField, PERCENT, PX, TextField } from '../../fields/index.ts';
import { pickFiles } from '../../platform/files.ts';
import { useDesk } from '../context.ts';
import { addTracingFile } from '../tracing.ts';
import { change } from '../actions/change.ts';

/** The pictures to draw over: place, size, turn, fade, show and hide. */
export function TracingRows() {
  const desk = useDesk();
  const tracing = useDocumentState((state) => state.shown.tracing);
  const add = async (): Promise<void> => {
    for (const file of await pickFiles('.png,.jpg,.jpeg,.webp,.gif,.svg,image/*')) await addTracingFile(file, desk);
  };
  return (
    <>
      <h3 className="drawer-heading">
        Tracing pictures
        <span className="drawer-tools">
          <Tooltip label="Add a picture to draw over">
            <ActionIcon
              size="sm"
              variant="subtle"
              color="gray"
              aria-label="Add a picture to draw over"
              onClick={() => void add()}
            >
              <IconPhotoPlus size={15} aria-hidden />
            </ActionIcon>
          </Tooltip>
        </span>
      </h3>
      {tracing.length === 0 && <p className="card-note">None. A picture to draw over is never in what is sent.</p>}
      <ul className="contents-list">
        {tracing.map((picture) => (
          <PictureRow key={picture.id} picture={picture} />
        ))}
      </ul>
    </>
  );
}

function PictureRow({ picture }: { picture: Tracing }) {
  const doc = useDocument();
  const desk = useDesk();
  const gesture = useRef<Gesture | null>(null);
  const { id, name } = picture;
  const put = (label: string, patch: Partial<Tracing>): void =>
    change(desk, label, (scene) => setTracing(scene, { id, patch }));
  return (
    <li className="tracing-row">
      <div className="tracing-head">
        <TextField
          label={`Name of the picture ${name}`}
          value={name}
          onCommit={(next) => put('Rename picture', { name: next })}
        />
        <ActionIcon
          variant="subtle"
          color="gray"
          size="sm"
          aria-pressed={picture.visible}
          aria-label={`Show ${name}`}
          onClick={() => put(picture.visible ? 'Hide picture' : 'Show picture', { visible: !picture.visible })}
        >
          {picture.visible ? <IconEye size={15} aria-hidden /> : <IconEyeOff size={15} aria-hidden />}
        </ActionIcon>
        <ActionIcon
          variant="subtle"
          color="gray"
          size="sm"
          aria-pressed={picture.locked}
          aria-label={`Lock ${name}; unlocked, it is dragged on the canvas`}
          onClick={() => put(picture.locked ? 'Unlock picture' : 'Lock picture', { locked: !picture.locked })}
        >
          {picture.locked ? <IconLock size={15} aria-hidden /> : <IconLockOpen size={15} aria-hidden />}
        </ActionIcon>
        <ActionIcon
          variant="subtle"
          color="gray"
          size="sm"
          aria-label={`Delete the picture ${name}`}
          onClick={() => change(desk, 'Delete picture', (scene) => deleteTracing(scene, { id }))}
        >
          <IconTrash size={15} aria-hidden />
        </ActionIcon>
      </div>
      <Slider
        size="xs"
        min={0.05}
        max={1}
        step={0.05}
        value={picture.opacity}
        label={null}
        thumbLabel={`Opacity of ${name}`}
        onChange={(opacity) => {
          gesture.current ??= doc.begin('Fade picture');
          gesture.current.update((scene) => setTracing(scene, { id, patch: { opacity } }));
        }}
        onChangeEnd={() => {
          gesture.current?.commit();
          gesture.current = null;
        }}
      />
      <div className="tracing-numbers">
        {['x', 'y', 'size', 'turn'].map((word) => (
          <span key={word} className="muted" aria-hidden>
            {word}
          </span>
        ))}
        <NumberField
          label={`${name}, x`}
          value={picture.x}
          unit="px"
          units={PX}
          onCommit={(x) => put('Move picture', { x })}
        />
        <NumberField
          label={`${name}, y`}
          value={picture.y}
          unit="px"
          units={PX}
          onCommit={(y) => put('Move picture', { y })}
        />
        <NumberField
          label={`${name}, size`}
          value={picture.scale * 100}
          unit="%"
          units={PERCENT}
          min={0.1}
          max={100_000}
          onCommit={(percent) => put('Scale picture', { scale: percent / 100 })}
        />
        <NumberField
          label={`${name}, turn`}
          value={picture.turn}
          unit="°"
          units={DEGREES}
          onCommit={(turn) => put('Turn picture', { turn })}
        />
      </div>
    </li>
  );
}
