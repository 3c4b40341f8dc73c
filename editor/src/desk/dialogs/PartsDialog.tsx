import { Modal } from '@mantine/core';
import { IconChevronDown, IconChevronRight } from '@tabler/icons-react';
import { useMemo, useRef, useState } from 'react';
import { tell } from '../../look/notices.tsx';
import { Segments } from '../cards/Card.tsx';
import { useDesk } from '../context.ts';
import { useDeskView, type TakenApart } from '../view.ts';
import { bringInParts, type Role } from '../actions/parts.ts';
import { svgUrl } from '../../look/svg-url.ts';
import { listedParts, roleOf, type ListedPart } from './part-tree.ts';
import { PartsPicture } from './PartsPicture.tsx';
import './PartsDialog.css';

const ROLES: readonly (readonly [Role, string])[] = [
  ['guide', 'guide'],
  ['rider', 'rider'],
  ['scenery', 'scenery'],
  ['none', 'leave out'],
];

/** Parts that are listed one by one; further ones are named as a whole. */
const MOST_ROWS = 200;

/** px by which what is in a group stands to the right. */
const INDENT = 18;

/** The parts of a drawing that was taken apart, groups as one until they are opened: each is named guide, rider or scenery; all stay where they are. */
export function PartsDialog() {
  const apart = useDeskView((state) => state.takenApart);
  return apart ? <Parts key={apart.name} takenApart={apart} /> : null;
}

/** Which groups are opened, and what was said of the parts. */
function useParts({ parts: { parts } }: TakenApart) {
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const [said, setSaid] = useState<ReadonlyMap<string, Role>>(new Map());
  const listed = useMemo(() => listedParts(parts, opened), [parts, opened]);
  const leaves = listed.filter(({ isOpen }) => !isOpen);
  return {
    ...{ listed, leaves, said },
    roles: leaves.map((one) => roleOf(one, said)),
    say: (path: string, role: Role) => setSaid(new Map(said).set(path, role)),
    sayAll: (role: Role) => setSaid(new Map(leaves.map(({ path }) => [path, role]))),
    toggle: (path: string) => {
      const next = new Set(opened);
      if (!next.delete(path)) next.add(path);
      setOpened(next);
    },
  };
}

const partsIn = (count: number): string => `${count} ${count === 1 ? 'part' : 'parts'}`;

function Parts({ takenApart: apart }: { takenApart: TakenApart }) {
  const desk = useDesk();
  const set = useDeskView((state) => state.set);
  const [pointed, point] = useState<string | null>(null);
  const list = useRef<HTMLUListElement>(null);
  const { listed, leaves, roles, said, say, sayAll, toggle } = useParts(apart);
  const taken = roles.filter((role) => role !== 'none').length;
  const close = (): void => set({ takenApart: null });
  const take = (): void => {
    bringInParts(desk, { ...apart, parts: { ...apart.parts, parts: leaves.map(({ part }) => part) } }, roles);
    const words = [...apart.parts.skipped.slice(0, 5), ...apart.notices];
    if (words.length > 0) tell(words.join(' · '), `${apart.name}: not everything could be read`);
    close();
  };
  /** Brings the row of what was pressed on the picture into sight. */
  const goTo = (path: string): void => {
    const row = list.current?.querySelector(`[data-part="${path}"]`);
    row?.scrollIntoView({ block: 'nearest' });
    row?.querySelector<HTMLElement>('.segments button')?.focus({ preventScroll: true });
  };
  return (
    <Modal
      opened
      onClose={close}
      title={`Parts of ${apart.name}`}
      size="min(1080px, 94vw)"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <p className="card-note">
        Say what each part is, in the list or by pressing it on the picture. All stay where they are in the drawing; a
        guide may be travelled, a rider is parked, scenery is locked behind.
      </p>
      <div className="parts-all">
        <span className="muted">{partsIn(leaves.length)}, all as</span>
        {ROLES.map(([role, label]) => (
          <button key={role} type="button" className="small-button" onClick={() => sayAll(role)}>
            {label}
          </button>
        ))}
      </div>
      <div className="parts-columns">
        <ul className="parts-list" ref={list}>
          {listed.slice(0, MOST_ROWS).map((one) => (
            <PartRow
              key={one.path}
              listed={one}
              role={roleOf(one, said)}
              isPointed={pointed === one.path}
              onPoint={point}
              onToggle={() => toggle(one.path)}
              onRole={(role) => say(one.path, role)}
            />
          ))}
        </ul>
        <PartsPicture
          drawing={apart.parts}
          leaves={leaves}
          pointed={pointed}
          onPoint={point}
          onPress={goTo}
          onOpen={toggle}
        />
      </div>
      {listed.length > MOST_ROWS && (
        <p className="card-note">
          … and {listed.length - MOST_ROWS} more, each as it looks: a line without a fill as a guide, the rest as
          scenery.
        </p>
      )}
      <div className="dialog-buttons">
        <button type="button" className="bar-button" onClick={close}>
          Cancel
        </button>
        <button type="button" className="bar-button strong" disabled={taken === 0} onClick={take}>
          Bring in {partsIn(taken)}
        </button>
      </div>
    </Modal>
  );
}

interface PartRowProps {
  readonly listed: ListedPart;
  readonly role: Role;
  readonly isPointed: boolean;
  readonly onPoint: (path: string | null) => void;
  readonly onToggle: () => void;
  readonly onRole: (role: Role) => void;
}

function PartRow({ listed: { path, depth, part, isOpen }, role, isPointed, onPoint, onToggle, onRole }: PartRowProps) {
  const picture = useMemo(() => svgUrl(part.art.markup), [part]);
  const options = part.outlines.length === 0 ? ROLES.slice(1) : ROLES;
  return (
    <li
      className={`parts-row ${isPointed ? 'pointed' : ''}`}
      data-part={path}
      style={{ paddingLeft: depth * INDENT }}
      onPointerEnter={() => onPoint(path)}
      onPointerLeave={() => onPoint(null)}
    >
      {part.inside.length > 0 ? (
        <button
          type="button"
          className="fold-button"
          aria-expanded={isOpen}
          aria-label={`${part.name}, ${part.inside.length} parts`}
          title={isOpen ? 'One part again' : `Opens the group: ${part.inside.length} parts`}
          onClick={onToggle}
        >
          {isOpen ? <IconChevronDown size={14} aria-hidden /> : <IconChevronRight size={14} aria-hidden />}
        </button>
      ) : (
        <span className="parts-no-fold" />
      )}
      <img alt="" src={picture} loading="lazy" />
      <span className="parts-name">{part.name}</span>
      {isOpen ? (
        <span className="muted">{part.inside.length} parts</span>
      ) : (
        <Segments label={`${part.name} is`} value={role} options={options} onChange={onRole} />
      )}
    </li>
  );
}
