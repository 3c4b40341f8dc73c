import { create } from 'zustand';
import { resizeCanvas, ROUTE_COLORS, setBackground, type Refit } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ColorField, NumberField, PX } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row, Segments } from '../Card.tsx';
import { ChoiceRow } from '../rows.tsx';

const REFITS: readonly (readonly [Refit, string])[] = [
  ['keep', 'contents stay'],
  ['centre', 'centre'],
  ['scale', 'scale'],
];

/** Paper for the canvas that goes with the route colours. */
const PAPERS = ['#F7F3EA', '#FFFFFF', '#1F2933', '#2F6670', '#E6D3B1'];

/** What becomes of what is on the canvas when its size changes: chosen before it does. */
const useRefit = create<{ refit: Refit }>()(() => ({ refit: 'keep' }));

/** Whether it becomes something else than usual; and back to that. */
export const isRefitted = (): boolean => useRefit.getState().refit !== 'keep';
export const refitAsUsual = (): void => useRefit.setState({ refit: 'keep' });

/** The canvas: its size and its background. */
export function CanvasRows() {
  const desk = useDesk();
  const { width, height, background } = useDocumentState((state) => state.shown.canvas);
  const resize = (size: { width?: number; height?: number }): void =>
    void perform(desk, 'Resize canvas', resizeCanvas, { width, height, refit: useRefit.getState().refit, ...size });
  return (
    <>
      <Row of="scene.size">
        <NumberField
          label="Canvas width"
          value={width}
          unit=""
          units={PX}
          digits={0}
          min={1}
          max={16_384}
          onCommit={(next) => resize({ width: next })}
        />
        <span aria-hidden>×</span>
        <NumberField
          label="Canvas height"
          value={height}
          unit=""
          units={PX}
          digits={0}
          min={1}
          max={16_384}
          onCommit={(next) => resize({ height: next })}
        />
      </Row>
      <Row of="scene.background">
        <Segments
          label="Background"
          value={background === null ? 'none' : 'colour'}
          options={[
            ['colour', 'colour'],
            ['none', 'none'],
          ]}
          onChange={(value) =>
            perform(desk, 'Change background', setBackground, {
              background: value === 'none' ? null : (PAPERS[0] ?? null),
            })
          }
        />
        {background !== null && (
          <ColorField
            isShort
            width={86}
            label="Background colour"
            swatches={[...PAPERS, ...ROUTE_COLORS]}
            value={background}
            onCommit={(color) => perform(desk, 'Change background', setBackground, { background: color })}
          />
        )}
      </Row>
    </>
  );
}

/** What becomes of what is on the canvas. */
export function RefitRow() {
  const refit = useRefit((state) => state.refit);
  return (
    <ChoiceRow
      of="scene.refit"
      value={refit}
      options={REFITS}
      onChange={(next) => useRefit.setState({ refit: next })}
    />
  );
}
