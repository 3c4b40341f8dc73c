import { moveGuides, pathOfGuide, type Guide } from '@pace-line/core';
import { kept } from '../../../figures/shapes.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { PointFields } from '../PointFields.tsx';

/** Left and upper edge of a guide: asked for by two fields, and worked out once. */
const cornerOf = kept((guide: Guide): readonly [number, number] => {
  const { left, top } = pathOfGuide(guide).bounds;
  return [left, top];
});

/** Where a guide lies, in numbers. */
export function PositionRow({ guide }: { guide: Guide }) {
  const desk = useDesk();
  const corner = cornerOf(guide);
  return (
    <Row of="guide.position">
      <PointFields
        label="Guide"
        point={corner}
        disabled={guide.locked || guide.link !== undefined}
        live={({ scene }) => {
          const now = scene.guides.find(({ id }) => id === guide.id);
          return now && cornerOf(now);
        }}
        onCommit={([x, y]) =>
          perform(desk, 'Move guide', moveGuides, { ids: [guide.id], dx: x - corner[0], dy: y - corner[1] })
        }
      />
    </Row>
  );
}
