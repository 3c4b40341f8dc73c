import { Checkbox, Popover, Tooltip } from '@mantine/core';
import { IconMagnet } from '@tabler/icons-react';
import { useState } from 'react';
import { NumberField, PX, type Units } from '../../fields/index.ts';
import { SNAP_KINDS, type SnapKind } from '../../tools/index.ts';
import { usePreferences, type Seeing } from '../view.ts';

const SNAP_NAMES: Readonly<Record<SnapKind, string>> = {
  nodes: 'nodes',
  ends: 'ends of guides, and in line with them',
  lines: 'anywhere on other guides',
  landmarks: 'crests, troughs, tightest bends',
  pivots: 'pivots of riders',
  canvas: 'edges and middle of the canvas',
  grid: 'a grid',
};

const FRAMES: Units = { '': 1, f: 1 };
const TIMES: Units = { '': 1, '×': 1, x: 1 };

const SEEING_NAMES: Readonly<Record<keyof Seeing, string>> = {
  arrows: 'direction arrows',
  nodeNames: 'names of nodes',
  landmarks: 'crests, troughs, tightest bends',
  speeds: 'speed as a band along the guide',
  heading: 'heading over time, on the sheet',
  onionMarks: 'onion skin: the rider at its marks',
  onionFrames: 'onion skin: frames before and after',
  onionWays: 'onion skin: at equal distances',
};

/** What points snap to and what is shown of guides: each can be switched off, and the browser remembers it. */
export function SeeingMenu() {
  const [open, setOpen] = useState(false);
  const { snapping, setSnap, setGrid, seeing, setSeeing, toolOptions, setToolOptions } = usePreferences();
  const count = SNAP_KINDS.filter((kind) => snapping.kinds[kind]).length;
  return (
    <Popover opened={open} onChange={setOpen} position="bottom-end" width={280} trapFocus shadow="md">
      <Popover.Target>
        <Tooltip label="Snapping and display">
          <button
            type="button"
            className="plain-button"
            aria-label={`Snapping and display: ${count} of ${SNAP_KINDS.length} kinds snap`}
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            <IconMagnet size={16} aria-hidden />
          </button>
        </Tooltip>
      </Popover.Target>
      <Popover.Dropdown className="seeing-menu" aria-label="Snapping and display">
        <h2>Snap to</h2>
        {SNAP_KINDS.map((kind) => (
          <div key={kind} className="menu-line">
            <Checkbox
              size="xs"
              label={SNAP_NAMES[kind]}
              checked={snapping.kinds[kind]}
              onChange={(event) => setSnap(kind, event.currentTarget.checked)}
            />
            {kind === 'grid' && (
              <NumberField
                label="Step of the grid"
                value={snapping.grid}
                unit="px"
                units={PX}
                min={1}
                max={1000}
                onCommit={setGrid}
              />
            )}
          </div>
        ))}
        <p className="card-note">Hold Ctrl to switch it off; Shift keeps to multiples of 15°.</p>
        <h2>Spacing by hand</h2>
        <div className="menu-line">
          <span className="menu-words">a tick takes along, frames to each side (0: its leg)</span>
          <NumberField
            label="Frames that a spacing tick takes along"
            value={toolOptions.tickReach}
            unit=""
            units={FRAMES}
            digits={0}
            min={0}
            max={1000}
            onCommit={(frames) => setToolOptions({ tickReach: Math.round(frames) })}
          />
        </div>
        <h2>Show</h2>
        {(Object.keys(SEEING_NAMES) as (keyof Seeing)[]).map((key) => (
          <div key={key} className="menu-line">
            <Checkbox
              size="xs"
              label={SEEING_NAMES[key]}
              checked={seeing[key]}
              onChange={(event) => setSeeing({ [key]: event.currentTarget.checked })}
            />
            {key === 'onionFrames' && seeing.onionFrames && <OnionFields />}
          </div>
        ))}
      </Popover.Dropdown>
    </Popover>
  );
}

/** How many skins there are, and how far they are apart. */
function OnionFields() {
  const { onion, setOnion } = usePreferences();
  return (
    <>
      <NumberField
        label="Onion skin: how many before and after"
        value={onion.count}
        unit="×"
        units={TIMES}
        digits={0}
        min={1}
        max={20}
        onCommit={(count) => setOnion({ count: Math.round(count) })}
      />
      <NumberField
        label="Onion skin: frames between them"
        value={onion.step}
        unit="f"
        units={FRAMES}
        digits={0}
        min={1}
        max={1000}
        onCommit={(step) => setOnion({ step: Math.round(step) })}
      />
    </>
  );
}
