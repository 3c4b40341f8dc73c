import { Modal } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import type { DrawingPart } from '@pace-line/core/art-import';
import { tell } from '../../look/notices.tsx';
import { Segments } from '../cards/Card.tsx';
import { useDesk } from '../context.ts';
import { useDeskView, type TakenApart } from '../view.ts';
import { bringInParts, roleAtFirst, type Role } from '../actions/parts.ts';
import { svgUrl } from '../../look/svg-url.ts';
import './PartsDialog.css';

const ROLES: readonly (readonly [Role, string])[] = [
  ['guide', 'guide'],
  ['rider', 'rider'],
  ['scenery', 'scenery'],
  ['none', 'leave out'],
];

/** Parts that are listed one by one; further ones are named as a whole. */
const MOST_ROWS = 200;

/** The parts of a drawing that was taken apart: each is named guide, rider or scenery; all stay where they are. */
export function PartsDialog() {
  const apart = useDeskView((state) => state.takenApart);
  return apart ? <Parts key={apart.name} takenApart={apart} /> : null;
}

function Parts({ takenApart: apart }: { takenApart: TakenApart }) {
  const desk = useDesk();
  const set = useDeskView((state) => state.set);
  const { parts } = apart.parts;
  const [roles, setRoles] = useState<readonly Role[]>([]);
  useEffect(() => setRoles(parts.map(roleAtFirst)), [parts]);
  const close = (): void => set({ takenApart: null });
  const all = (role: Role): void =>
    setRoles(parts.map((part) => (role === 'guide' && part.outlines.length === 0 ? 'none' : role)));
  const take = (): void => {
    bringInParts(desk, apart, roles);
    const said = [...apart.parts.skipped.slice(0, 5), ...apart.notices];
    if (said.length > 0) tell(said.join(' · '), `${apart.name}: not everything could be read`);
    close();
  };
  const taken = roles.filter((role) => role !== 'none').length;
  return (
    <Modal
      opened
      onClose={close}
      title={`Parts of ${apart.name}`}
      size="lg"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <p className="card-note">
        Say what each part is. All stay where they are in the drawing; a guide may be travelled, a rider is parked,
        scenery is locked behind.
      </p>
      <div className="parts-all">
        <span className="muted">{parts.length} parts, all as</span>
        {ROLES.map(([role, label]) => (
          <button key={role} type="button" className="small-button" onClick={() => all(role)}>
            {label}
          </button>
        ))}
      </div>
      <ul className="parts-list">
        {parts.slice(0, MOST_ROWS).map((part, i) => (
          <PartRow
            key={i}
            part={part}
            role={roles[i] ?? 'none'}
            onRole={(role) => setRoles(roles.map((one, k) => (k === i ? role : one)))}
          />
        ))}
      </ul>
      {parts.length > MOST_ROWS && (
        <p className="card-note">
          … and {parts.length - MOST_ROWS} more, each as it looks: a line without a fill as a guide, the rest as
          scenery.
        </p>
      )}
      <div className="dialog-buttons">
        <button type="button" className="bar-button" onClick={close}>
          Cancel
        </button>
        <button type="button" className="bar-button strong" disabled={taken === 0} onClick={take}>
          Bring in {taken} {taken === 1 ? 'part' : 'parts'}
        </button>
      </div>
    </Modal>
  );
}

function PartRow({ part, role, onRole }: { part: DrawingPart; role: Role; onRole: (role: Role) => void }) {
  const picture = useMemo(() => svgUrl(part.art.markup), [part]);
  const options = part.outlines.length === 0 ? ROLES.slice(1) : ROLES;
  return (
    <li className="parts-row">
      <img alt="" src={picture} loading="lazy" />
      <span className="parts-name">{part.name}</span>
      <Segments label={`${part.name} is`} value={role} options={options} onChange={onRole} />
    </li>
  );
}
