import { useState } from 'react';
import { resizeCanvas, ROUTE_COLORS, setBackground, type Refit } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { ColorField, NumberField, PX } from '../../fields/index.ts';
import { perform } from '../actions/change.ts';
import { useDesk } from '../context.ts';
import { Row, Segments } from './Card.tsx';

const REFITS: readonly (readonly [Refit, string])[] = [
  ['keep', 'stays'],
  ['centre', 'centred'],
  ['scale', 'scaled'],
];

/** Paper for the canvas that goes with the route colours. */
const PAPERS = ['#F7F3EA', '#FFFFFF', '#1F2933', '#2F6670', '#E6D3B1'];

/** The canvas while nothing is selected: its size, what then happens to what is on it, and its paper. */
export function CanvasRows() {
  const desk = useDesk();
  const { width, height, background } = useDocumentState((state) => state.shown.canvas);
  const [refit, setRefit] = useState<Refit>('keep');
  const resize = (size: { width?: number; height?: number }): void =>
    void perform(desk, 'Resize canvas', resizeCanvas, { width, height, refit, ...size });
  return (
    <>
      <Row label="Size">
        <NumberField
          label="Canvas width"
          value={width}
          unit="px"
          units={PX}
          digits={0}
          min={1}
          max={16_384}
          onCommit={(next) => resize({ width: next })}
        />
        <NumberField
          label="Canvas height"
          value={height}
          unit="px"
          units={PX}
          digits={0}
          min={1}
          max={16_384}
          onCommit={(next) => resize({ height: next })}
        />
      </Row>
      <Row label="What is on it">
        <Segments label="When the size changes, what is on it" value={refit} options={REFITS} onChange={setRefit} />
      </Row>
      <Row label="Paper">
        <Segments
          label="Paper of the canvas"
          value={background === null ? 'none' : 'colour'}
          options={[
            ['colour', 'colour'],
            ['none', 'none'],
          ]}
          onChange={(value) =>
            perform(desk, 'Change paper', setBackground, { background: value === 'none' ? null : (PAPERS[0] ?? null) })
          }
        />
        {background !== null && (
          <ColorField
            isShort
            width={86}
            label="Colour of the paper"
            swatches={[...PAPERS, ...ROUTE_COLORS]}
            value={background}
            onCommit={(color) => perform(desk, 'Change paper', setBackground, { background: color })}
          />
        )}
      </Row>
    </>
  );
}
