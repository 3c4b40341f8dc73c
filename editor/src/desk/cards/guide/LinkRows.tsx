import { guideById, setLink, type Guide, type GuideLink } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { NumberField, PX } from '../../../fields/index.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { change } from '../../actions/change.ts';

/** How a guide follows another one. */
export function LinkRows({ guide, link }: { guide: Guide; link: GuideLink }) {
  const desk = useDesk();
  const original = useDocumentState((state) => guideById(state.shown, link.of));
  const put = (next: GuideLink): void =>
    change(desk, 'Change link', (scene) => setLink(scene, { id: guide.id, link: next }));
  return (
    <>
      <Row of="guide.link">
        <span>{original?.name}</span>
      </Row>
      {link.kind === 'parallel' ? (
        <Row of="guide.link.distance">
          <NumberField
            label="Distance from the original"
            value={link.distance}
            unit="px"
            units={PX}
            onCommit={(distance) => put({ ...link, distance })}
          />
        </Row>
      ) : (
        <Row of="guide.link.offset">
          <NumberField label="Offset x" value={link.dx} unit="px" units={PX} onCommit={(dx) => put({ ...link, dx })} />
          <NumberField label="Offset y" value={link.dy} unit="px" units={PX} onCommit={(dy) => put({ ...link, dy })} />
        </Row>
      )}
    </>
  );
}
