import { moveGuides, setShape, type Guide, type GuideShape } from '@pace-line/core';
import { DEGREES, NumberField, PX, type Units } from '../../../fields/index.ts';
import { SHAPE_NAMES } from '../../../tools/index.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { change, perform } from '../../actions/change.ts';
import { PointFields } from '../PointFields.tsx';

interface Parameter {
  readonly key: string;
  readonly label: string;
  readonly unit: string;
  readonly units: Units;
  readonly min?: number;
  readonly max?: number;
}

const COUNT: Units = {};

const length = (key: string, label: string): Parameter => ({ key, label, unit: 'px', units: PX, min: 0 });
const angle = (key: string, label: string): Parameter => ({ key, label, unit: '°', units: DEGREES });
const count = (key: string, label: string, min: number, max: number): Parameter => ({
  key,
  label,
  unit: '',
  units: COUNT,
  min,
  max,
});

const PARAMETERS: Readonly<Record<GuideShape['kind'], readonly Parameter[]>> = {
  line: [length('length', 'Length')],
  circle: [length('radius', 'Radius')],
  ellipse: [length('width', 'Width'), length('height', 'Height')],
  arc: [length('radius', 'Radius'), angle('from', 'From'), angle('sweep', 'Sweep')],
  rectangle: [length('width', 'Width'), length('height', 'Height'), length('radius', 'Corner radius')],
  polygon: [count('sides', 'Sides', 3, 360), length('radius', 'Radius')],
  wave: [length('length', 'Length'), length('height', 'Height'), count('waves', 'Waves', 0.25, 500)],
  spiral: [length('inner', 'Inner radius'), length('outer', 'Outer radius'), count('turns', 'Turns', 0.1, 200)],
  'figure-eight': [length('width', 'Width'), length('height', 'Height')],
  loops: [length('length', 'Length'), length('radius', 'Radius'), count('loops', 'Loops', 1, 200)],
  bounces: [
    length('length', 'Length'),
    length('height', 'First height'),
    count('bounces', 'Bounces', 1, 100),
    count('keep', 'Height kept, share', 0, 1),
  ],
};

const WHOLE = new Set(['sides', 'loops', 'bounces']);

/** The parameters of a shape, live until a node is edited. */
export function ShapeRows({ guide, shape }: { guide: Guide; shape: GuideShape }) {
  const desk = useDesk();
  const values = shape as unknown as Readonly<Record<string, number>>;
  const put = (key: string, value: number): void =>
    change(desk, 'Change shape', (scene) =>
      setShape(scene, {
        guide: guide.id,
        shape: { ...shape, [key]: WHOLE.has(key) ? Math.round(value) : value },
      }),
    );
  const rows = [...PARAMETERS[shape.kind], angle('turn', 'Rotation')];
  const centred = ([x, y]: readonly [number, number]): void =>
    void perform(desk, 'Move the shape', moveGuides, { ids: [guide.id], dx: x - shape.x, dy: y - shape.y });
  return (
    <>
      {rows.map(({ key, label, unit, units, min, max }) => (
        <Row key={key} of="guide.shape" label={label}>
          <NumberField
            label={`${SHAPE_NAMES[shape.kind]}, ${label.toLowerCase()}`}
            value={values[key] ?? 0}
            unit={unit}
            units={units}
            disabled={guide.locked}
            {...(min === undefined ? {} : { min })}
            {...(max === undefined ? {} : { max })}
            onCommit={(value) => put(key, value)}
          />
        </Row>
      ))}
      {!guide.link && (
        <Row of="guide.shape.centre">
          <PointFields label="Centre" point={[shape.x, shape.y]} disabled={guide.locked} onCommit={centred} />
        </Row>
      )}
    </>
  );
}
