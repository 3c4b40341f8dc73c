import { Menu, Slider } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import { memo, useState } from 'react';
import {
  canSplitGuide,
  fairGuide,
  guideById,
  nodesThrough,
  ridersOf,
  setClosed,
  setOutline,
  simplifyGuide,
  type Guide,
  type Scene,
} from '@pace-line/core';
import { keepGuide, useCalmState } from '../../../document/index.ts';
import { DEGREES, NumberField, PERCENT } from '../../../fields/index.ts';
import { tell } from '../../../look/notices.tsx';
import { useDesk } from '../../context.ts';
import { useTrial } from '../../use-trial.ts';
import { useDeskView } from '../../view.ts';
import { Row, Segments } from '../Card.tsx';

interface DeedRowsProps {
  readonly guide: Guide;
  readonly nodes: readonly string[];
}

/** While a guide is bent, nothing of what its deeds show changes: they are not rendered again, and take the guide as it is when they are done. */
function isSameForDeeds(a: DeedRowsProps, b: DeedRowsProps): boolean {
  const [g, h] = [a.guide, b.guide];
  return (
    g.id === h.id &&
    g.name === h.name &&
    g.closed === h.closed &&
    g.locked === h.locked &&
    g.link === h.link &&
    g.nodes.length === h.nodes.length &&
    a.nodes === b.nodes
  );
}

/** What can be done to the guide: open and close, split, a menu of deeds, and those that are tried out live. */
export const DeedRows = memo(function DeedRows({ guide, nodes }: DeedRowsProps) {
  const { actions } = useDesk();
  const now = (): Guide => guideById(actions.scene, guide.id) ?? guide;
  const [only] = nodes.length === 1 ? nodes : [];
  const remembered = useDeskView((state) => state.remembered);
  const riders = useCalmState((state) => ridersOf(state.shown, guide.id).length);
  const fixed = guide.locked || guide.link !== undefined;
  const deeds = actions.guides;
  const canSplit =
    only !== undefined &&
    !canSplitGuide(actions.scene, { guide: guide.id, node: only, nodeId: '\0a', guideId: '\0b', name: '' });
  return (
    <>
      <Row label="Runs">
        <Segments
          label="Open or closed"
          value={guide.closed ? 'closed' : 'open'}
          disabled={fixed}
          options={[
            ['open', 'open'],
            ['closed', 'closed'],
          ]}
          onChange={(value) =>
            actions.do(value === 'closed' ? 'Close guide' : 'Open guide', (scene) =>
              setClosed(scene, { guide: guide.id, closed: value === 'closed' }),
            )
          }
        />
        {canSplit && (
          <button type="button" className="small-button" onClick={() => deeds.splitAt(now(), only)}>
            {guide.closed ? 'open here' : 'split here'}
          </button>
        )}
      </Row>
      <Row label="Change">
        <Menu position="top-start" withinPortal>
          <Menu.Target>
            <button type="button" className="small-button">
              direction <IconChevronDown size={12} aria-hidden />
            </button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item disabled={fixed} onClick={() => deeds.reverse(guide.id, 'place')}>
              Reverse{riders > 0 ? ': riders keep their place and turn round' : ''}
            </Menu.Item>
            {riders > 0 && (
              <Menu.Item disabled={fixed} onClick={() => deeds.reverse(guide.id, 'way')}>
                Reverse: riders keep their way along it
              </Menu.Item>
            )}
            <Menu.Item
              disabled={fixed || !guide.closed || only === undefined}
              onClick={() => only !== undefined && deeds.startAt(guide.id, only)}
            >
              Start at the selected node
            </Menu.Item>
          </Menu.Dropdown>
        </Menu>
        <Menu position="top-start" withinPortal>
          <Menu.Target>
            <button type="button" className="small-button">
              more <IconChevronDown size={12} aria-hidden />
            </button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item disabled={fixed} onClick={() => deeds.straighten(now(), nodes)}>
              Straighten {nodes.length > 0 ? 'here' : 'all spans'}
            </Menu.Item>
            <Menu.Item disabled={fixed || guide.closed} onClick={() => deeds.join()}>
              Join to the nearest open end
            </Menu.Item>
            <Menu.Item disabled={fixed} onClick={() => deeds.flip('left-right')}>
              Flip left and right
            </Menu.Item>
            <Menu.Item disabled={fixed} onClick={() => deeds.flip('up-down')}>
              Flip up and down
            </Menu.Item>
            <Menu.Divider />
            <Menu.Item
              disabled={guide.link !== undefined}
              onClick={() => deeds.addLinked(now(), { kind: 'parallel', of: guide.id, distance: 40 }, true)}
            >
              Parallel beside it, linked
            </Menu.Item>
            <Menu.Item
              disabled={guide.link !== undefined}
              onClick={() => deeds.addLinked(now(), { kind: 'parallel', of: guide.id, distance: 40 }, false)}
            >
              Parallel beside it, on its own
            </Menu.Item>
            <Menu.Item
              disabled={guide.link !== undefined}
              onClick={() => deeds.addLinked(now(), { kind: 'copy', of: guide.id, dx: 60, dy: 60 }, true)}
            >
              The same guide elsewhere, linked
            </Menu.Item>
            <Menu.Divider />
            <Menu.Item onClick={() => void deeds.copyPathData(now())}>Copy as path data</Menu.Item>
            <Menu.Item
              onClick={() =>
                void keepGuide(guide.name, now()).then(() => tell(`“${guide.name}” is in the collection.`))
              }
            >
              Keep in the collection
            </Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </Row>
      {!fixed && (
        <>
          <Row label="Scale, turn by">
            <NumberField
              label="Scale the selection by"
              value={100}
              unit="%"
              units={PERCENT}
              min={1}
              max={10_000}
              onCommit={(percent) => deeds.scale(percent / 100)}
            />
            <NumberField
              label="Turn the selection by"
              value={0}
              unit="°"
              units={DEGREES}
              onCommit={(degrees) => deeds.turn(degrees)}
            />
          </Row>
          <LiveRow
            label="Simplify"
            unit="px"
            max={20}
            step={0.5}
            from={guide}
            change={(scene, tolerance) => simplifyGuide(scene, { guide: guide.id, tolerance })}
          />
          <LiveRow
            label="Fair"
            unit="%"
            max={100}
            step={2}
            from={guide}
            change={(scene, percent) =>
              fairGuide(scene, { guide: guide.id, nodes: nodes.length > 1 ? nodes : [], strength: percent / 100 })
            }
          />
        </>
      )}
      {remembered?.kind === 'points' && remembered.guide === guide.id && !fixed && (
        <LiveRow
          label="Roundness"
          unit="%"
          max={100}
          step={5}
          first={100}
          from={guide}
          change={(scene, percent) => {
            const round = nodesThrough(remembered.points, percent / 100, remembered.closed);
            const bent = now().nodes.map((node, i) => ({ ...node, in: round[i]?.in, out: round[i]?.out }));
            return setOutline(scene, { guide: guide.id, nodes: bent, closed: remembered.closed });
          }}
        />
      )}
    </>
  );
}, isSameForDeeds);

interface LiveRowProps {
  readonly label: string;
  readonly unit: string;
  readonly max: number;
  readonly step: number;
  readonly first?: number;
  readonly from: Guide;
  readonly change: (scene: Scene, value: number) => Scene;
}

/** A deed that is tried out as its slider moves, always from the guide as it was when the slider was taken; one step of undo. */
function LiveRow({ label, unit, max, step, first = 0, from, change }: LiveRowProps) {
  const trial = useTrial();
  const [value, setValue] = useState(first);
  const count = from.nodes.length;
  const move = (next: number): void => {
    setValue(next);
    trial.show(label, (base) => (next === 0 && first === 0 ? base : change(base, next)));
  };
  const end = (): void => trial.rest(() => first === 0 && setValue(0));
  return (
    <Row label={label}>
      <Slider
        className="live-slider"
        size="xs"
        min={0}
        max={max}
        step={step}
        value={value}
        onChange={move}
        onChangeEnd={end}
        label={null}
        thumbLabel={`${label}, ${unit}`}
      />
      <span className="figures option-value">{value > 0 ? `${value} ${unit}` : `${count} nodes`}</span>
    </Row>
  );
}
