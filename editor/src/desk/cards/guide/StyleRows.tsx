import { memo } from 'react';
import { NativeSelect } from '@mantine/core';
import { ridersOf, ROUTE_COLORS, setGuide, type Guide, type GuideStroke } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ColorField, NumberField, PX, TextField } from '../../../fields/index.ts';
import { tell } from '../../../look/notices.tsx';
import { useDesk } from '../../context.ts';
import { Row, Segments } from '../Card.tsx';
import { change } from '../../actions/change.ts';
import { sceneOf } from '../../desk.ts';

const COLOR_NAMES = ['teal', 'indigo', 'plum', 'rust', 'moss', 'marigold'];

/** Screen px of a guide's line where nothing else is said. */
const USUAL_THICKNESS = 4;

const isSameStyle = ({ guide: a }: { guide: Guide }, { guide: b }: { guide: Guide }): boolean =>
  a.id === b.id && a.color === b.color && a.thickness === b.thickness;

/** How the guide looks on the Desk. */
export const LineRow = memo(function LineRow({ guide }: { guide: Guide }) {
  const desk = useDesk();
  const put = (label: string, patch: Parameters<typeof setGuide>[1]['patch']): void =>
    change(desk, label, (scene) => setGuide(scene, { id: guide.id, patch }));
  return (
    <Row of="guide.color">
      <div className="swatches" role="group" aria-label="Guide line colour">
        {ROUTE_COLORS.map((color, i) => (
          <button
            key={color}
            type="button"
            aria-label={`Guide line ${COLOR_NAMES[i] ?? color}`}
            aria-pressed={guide.color.toUpperCase() === color}
            style={{ background: color }}
            onClick={() => put('Change guide colour', { color })}
          />
        ))}
      </div>
      <NumberField
        label="Guide line width"
        value={guide.thickness ?? USUAL_THICKNESS}
        unit="px"
        units={PX}
        min={1}
        max={40}
        onCommit={(thickness) => put('Thickness', { thickness })}
      />
    </Row>
  );
}, isSameStyle);

/** The line as it begins to be drawn in what is sent. */
export const firstStroke = ({ color }: Guide): GuideStroke => ({ color, width: 3, dash: null, draws: null });

const DASHES: readonly (readonly [string, readonly number[] | null])[] = [
  ['solid', null],
  ['dashed', [12, 8]],
  ['dotted', [1, 8]],
];

/** A pattern of a file: as many numbers, each this large at most. */
const [MOST_DASHES, LONGEST_DASH] = [12, 10_000];

/** Dashes and gaps as they are typed, px; an odd number of them is gone through twice, as drawings have it. Null where it is none. */
function dashesOf(text: string): readonly number[] | null {
  const found = (text.match(/[\d.]+/g) ?? []).map(Number);
  const whole = found.length % 2 === 0 ? found : [...found, ...found];
  const isGood =
    whole.length > 0 && whole.length <= MOST_DASHES && whole.every((one) => one > 0 && one <= LONGEST_DASH);
  return isGood && /^[\d.,;\s]*(px)?[\d.,;\s]*$/i.test(text) ? whole : null;
}

/** How the guide is drawn in what is sent. */
export function StrokeRows({ guide, stroke }: { guide: Guide; stroke: GuideStroke }) {
  const desk = useDesk();
  const onChange = (next: GuideStroke): void =>
    change(desk, 'Stroke', (scene) => setGuide(scene, { id: guide.id, patch: { stroke: next } }));
  const riders = useDocumentState((state) =>
    ridersOf(state.shown, guide.id)
      .map(({ id, name }) => `${id}\n${name}`)
      .join('\t'),
  );
  const list = riders ? riders.split('\t').map((one) => one.split('\n')) : [];
  const dash = DASHES.find(([, value]) => JSON.stringify(value) === JSON.stringify(stroke.dash))?.[0] ?? null;
  return (
    <>
      <DrawnRow guide={guide} stroke={stroke} onChange={onChange} />
      <Row of="guide.stroke">
        <ColorField
          label="Colour of the stroke"
          width={112}
          swatches={ROUTE_COLORS}
          value={stroke.color}
          onCommit={(color) => onChange({ ...stroke, color })}
        />
        <NumberField
          label="Width of the stroke"
          value={stroke.width}
          unit="px"
          units={PX}
          min={0.1}
          max={1000}
          onCommit={(width) => onChange({ ...stroke, width })}
        />
      </Row>
      {stroke.draws === null ? (
        <Row of="guide.pattern">
          <Segments
            label="Pattern of the stroke"
            value={dash}
            options={DASHES.map(([name]) => [name, name] as const)}
            onChange={(name) => onChange({ ...stroke, dash: DASHES.find(([one]) => one === name)?.[1] ?? null })}
          />
          {stroke.dash && (
            <TextField
              label="Dashes and gaps, px"
              value={stroke.dash.join(' ')}
              onCommit={(text) => {
                const dash = dashesOf(text);
                if (dash) onChange({ ...stroke, dash });
                else tell(`“${text}” is not a pattern; enter dashes and gaps in px, such as 12 4 2 4.`);
              }}
            />
          )}
        </Row>
      ) : (
        <Row of="guide.drawer">
          <NativeSelect
            size="xs"
            aria-label="Rider that draws it"
            value={stroke.draws}
            data={list.map(([value = '', label = '']) => ({ value, label }))}
            onChange={(event) => onChange({ ...stroke, draws: event.currentTarget.value })}
          />
        </Row>
      )}
    </>
  );
}

interface DrawnRowProps {
  readonly guide: Guide;
  readonly stroke: GuideStroke;
  readonly onChange: (stroke: GuideStroke) => void;
}

/** The whole line, or as far as a rider has come. */
function DrawnRow({ guide, stroke, onChange }: DrawnRowProps) {
  const desk = useDesk();
  return (
    <Row of="guide.drawn">
      <Segments
        label="Drawn"
        value={stroke.draws === null ? 'whole' : 'rider'}
        options={[
          ['whole', 'whole'],
          ['rider', 'by a rider'],
        ]}
        onChange={(value) =>
          onChange({
            ...stroke,
            draws: value === 'whole' ? null : (ridersOf(sceneOf(desk), guide.id)[0]?.id ?? null),
          })
        }
      />
    </Row>
  );
}
