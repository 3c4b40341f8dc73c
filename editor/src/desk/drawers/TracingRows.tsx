import { Slider } from '@mantine/core';
import { IconPhotoPlus, IconTrash } from '@tabler/icons-react';
import { useRef } from 'react';
import { deleteTracing, setTracing, type Tracing } from '@pace-line/core';
import { useDocument, useDocumentState, type Gesture } from '../../document/index.ts';
import { DEGREES, NumberField, PERCENT, PX, TextField } from '../../fields/index.ts';
import { IconAction } from '../../look/IconAction.tsx';
import { pickFiles } from '../../platform/files.ts';
import { useDesk } from '../context.ts';
import { addTracingFile } from '../intake/tracing.ts';
import { change } from '../actions/change.ts';
import { Toggles } from './Toggles.tsx';

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
          <IconAction
            label="Add a picture to draw over"
            hint="Add a picture to draw over"
            icon={<IconPhotoPlus size={15} aria-hidden />}
            onClick={() => void add()}
          />
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

interface PictureProps {
  readonly picture: Tracing;
}

/** What one picture is changed by: a patch with its name in the history. */
function usePatch({ id }: Tracing): (label: string, patch: Partial<Tracing>) => void {
  const desk = useDesk();
  return (label, patch) => change(desk, label, (scene) => setTracing(scene, { id, patch }));
}

function PictureRow({ picture }: PictureProps) {
  const desk = useDesk();
  const put = usePatch(picture);
  const { id, name } = picture;
  return (
    <li className="tracing-row">
      <div className="tracing-head">
        <TextField
          label={`Name of the picture ${name}`}
          value={name}
          onCommit={(next) => put('Rename picture', { name: next })}
        />
        <Toggles
          {...{ name, visible: picture.visible, locked: picture.locked }}
          unlocked="unlocked, it is dragged on the canvas"
          onVisible={(visible) => put(visible ? 'Show picture' : 'Hide picture', { visible })}
          onLocked={(locked) => put(locked ? 'Lock picture' : 'Unlock picture', { locked })}
        />
        <IconAction
          label={`Delete the picture ${name}`}
          icon={<IconTrash size={15} aria-hidden />}
          onClick={() => change(desk, 'Delete picture', (scene) => deleteTracing(scene, { id }))}
        />
      </div>
      <FadeSlider picture={picture} />
      <PictureNumbers picture={picture} />
    </li>
  );
}

function FadeSlider({ picture: { id, name, opacity } }: PictureProps) {
  const doc = useDocument();
  const gesture = useRef<Gesture | null>(null);
  return (
    <Slider
      size="xs"
      min={0.05}
      max={1}
      step={0.05}
      value={opacity}
      label={null}
      thumbLabel={`Opacity of ${name}`}
      onChange={(next) => {
        gesture.current ??= doc.tryOut('Change picture opacity');
        gesture.current.update((scene) => setTracing(scene, { id, patch: { opacity: next } }));
      }}
      onChangeEnd={() => {
        gesture.current?.commit();
        gesture.current = null;
      }}
    />
  );
}

function PictureNumbers({ picture }: PictureProps) {
  const put = usePatch(picture);
  const { name } = picture;
  return (
    <div className="tracing-numbers">
      {['x', 'y', 'size', 'turn'].map((word) => (
        <span key={word} className="muted" aria-hidden>
          {word}
        </span>
      ))}
      {(['x', 'y'] as const).map((axis) => (
        <NumberField
          key={axis}
          label={`${name}, ${axis}`}
          value={picture[axis]}
          unit="px"
          units={PX}
          onCommit={(value) => put('Move picture', { [axis]: value })}
        />
      ))}
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
        onCommit={(turn) => put('Rotate picture', { turn })}
      />
    </div>
  );
}
