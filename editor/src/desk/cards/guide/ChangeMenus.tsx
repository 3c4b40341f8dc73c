import { Menu } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import {
  addLinked,
  guideById,
  restartGuide,
  reverseGuide,
  ridersOf,
  straightenSpans,
  transformGuides,
  type Guide,
  type GuideLink,
} from '@pace-line/core';
import { keepGuide, useDocumentState } from '../../../document/index.ts';
import { tell } from '../../../look/notices.tsx';
import { offered, type Offer } from '../../actions/change.ts';
import { joinToNearest, placeBeside, reverseDirection, startAtNode, straightenBetween } from '../../actions/guides.ts';
import { copyPathData } from '../../actions/outlines.ts';
import { flipSelection } from '../../actions/transforming.ts';
import { useDesk } from '../../context.ts';
import { sceneOf } from '../../desk.ts';
import { Row } from '../Card.tsx';

interface ChangeMenusProps {
  readonly guide: Guide;
  readonly nodes: readonly string[];
}

/** Two menus: which way the guide runs, and what else can be made of it. */
export function ChangeMenus({ guide, nodes }: ChangeMenusProps) {
  return (
    <Row of="guide.change" label="">
      <DirectionMenu guide={guide} nodes={nodes} />
      <MoreMenu guide={guide} nodes={nodes} />
    </Row>
  );
}

function SmallMenu({ word, children }: { word: string; children: ReactNode }) {
  return (
    <Menu position="top-start" withinPortal>
      <Menu.Target>
        <button type="button" className="small-button">
          {word} <IconChevronDown size={12} aria-hidden />
        </button>
      </Menu.Target>
      <Menu.Dropdown>{children}</Menu.Dropdown>
    </Menu>
  );
}

function Item({ offer, onClick, children }: { offer?: Offer; onClick: () => void; children: ReactNode }) {
  return (
    <Menu.Item disabled={offer?.disabled ?? false} title={offer?.title} onClick={onClick}>
      {children}
    </Menu.Item>
  );
}

function DirectionMenu({ guide, nodes }: ChangeMenusProps) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.committed);
  const riders = ridersOf(scene, guide.id).length;
  const reversing = offered(scene, reverseGuide, { guide: guide.id, riders: 'place' });
  const [only] = nodes.length === 1 ? nodes : [];
  return (
    <SmallMenu word="Direction">
      <Item offer={reversing} onClick={() => reverseDirection(desk, guide.id, 'place')}>
        Reverse{riders > 0 ? ': riders keep their place and turn round' : ''}
      </Item>
      {riders > 0 && (
        <Item offer={reversing} onClick={() => reverseDirection(desk, guide.id, 'way')}>
          Reverse: riders keep their way along it
        </Item>
      )}
      <Item
        offer={
          only === undefined
            ? { disabled: true, title: 'Select one node to start at.' }
            : offered(scene, restartGuide, { guide: guide.id, node: only })
        }
        onClick={() => only !== undefined && startAtNode(desk, guide.id, only)}
      >
        Start at the selected node
      </Item>
    </SmallMenu>
  );
}

/** px between a guide and a parallel, and between it and a copy, at first. */
const BESIDE = 40;
const ELSEWHERE = 60;

function MoreMenu({ guide, nodes }: ChangeMenusProps) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.committed);
  const now = (): Guide => guideById(sceneOf(desk), guide.id) ?? guide;
  const straightening = offered(scene, straightenSpans, { guide: guide.id, spans: [] });
  const turning = offered(scene, transformGuides, { ids: [guide.id], matrix: [1, 0, 0, 1, 0, 0] });
  const parallel: GuideLink = { kind: 'parallel', of: guide.id, distance: BESIDE };
  const copy: GuideLink = { kind: 'copy', of: guide.id, dx: ELSEWHERE, dy: ELSEWHERE };
  const linking = (link: GuideLink): Offer => offered(scene, addLinked, { id: '·', name: '', link, linked: true });
  return (
    <SmallMenu word="More">
      <Item offer={straightening} onClick={() => straightenBetween(desk, now(), nodes)}>
        Straighten {nodes.length > 0 ? 'here' : 'all spans'}
      </Item>
      <Item
        offer={guide.closed ? { disabled: true, title: 'Only open guides can be joined.' } : straightening}
        onClick={() => joinToNearest(desk)}
      >
        Join to the nearest open end
      </Item>
      <Item offer={turning} onClick={() => flipSelection(desk, 'across')}>
        Flip left and right
      </Item>
      <Item offer={turning} onClick={() => flipSelection(desk, 'over')}>
        Flip up and down
      </Item>
      <Menu.Divider />
      <Item offer={linking(copy)} onClick={() => placeBeside(desk, now(), parallel, true)}>
        Parallel guide, linked
      </Item>
      <Item offer={linking(copy)} onClick={() => placeBeside(desk, now(), parallel, false)}>
        Parallel guide, independent
      </Item>
      <Item offer={linking(copy)} onClick={() => placeBeside(desk, now(), copy, true)}>
        Copy, linked
      </Item>
      <Menu.Divider />
      <Item onClick={() => void copyPathData(now())}>Copy as path data</Item>
      <Item onClick={() => void keepGuide(guide.name, now()).then(() => tell(`“${guide.name}” is in the collection.`))}>
        Keep in the collection
      </Item>
    </SmallMenu>
  );
}
