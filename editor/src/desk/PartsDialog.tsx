import { Modal } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import {
  addArt,
  addGuide,
  addRider,
  freeId,
  freeName,
  idsIn,
  newRider,
  restackRider,
  type Art,
  type Scene,
} from '@pace-line/core';
import type { DrawingPart } from '@pace-line/core/art-import';
import { NOTHING } from '../document/index.ts';
import { tell } from '../look/notices.tsx';
import { guideFrom } from '../tools/index.ts';
import { Segments } from './cards/Card.tsx';
import { useDesk } from './context.ts';
import { useDeskView, type TakenApart } from './view.ts';
import { change } from './actions/change.ts';
import './PartsDialog.css';

type Role = 'guide' | 'rider' | 'scenery' | 'none';

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
  useEffect(() => setRoles(parts.map((part) => (part.looksLike === 'guide' ? 'guide' : 'scenery'))), [parts]);
  const close = (): void => set({ takenApart: null });
  const all = (role: Role): void =>
    setRoles(parts.map((part) => (role === 'guide' && part.outlines.length === 0 ? 'none' : role)));
  const take = (): void => {
    const selection: { guides: string[]; riders: string[] } = { guides: [], riders: [] };
    change(desk, `Bring in ${apart.name}`, (scene) => placeParts(scene, apart, roles, selection));
    desk.doc.select({
      ...NOTHING,
      guides: selection.guides,
      riders: selection.guides.length > 0 ? [] : selection.riders,
    });
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
  const picture = useMemo(() => `data:image/svg+xml,${encodeURIComponent(part.art.markup)}`, [part]);
  const options = part.outlines.length === 0 ? ROLES.slice(1) : ROLES;
  return (
    <li className="parts-row">
      <img alt="" src={picture} loading="lazy" />
      <span className="parts-name">{part.name}</span>
      <Segments label={`${part.name} is`} value={role} options={options} onChange={onRole} />
    </li>
  );
}

/** The scene with the parts put where they are in their drawing, which is fitted into the canvas if it is larger. Scenery goes behind all riders. */
function placeParts(
  scene: Scene,
  { name, parts: drawing }: TakenApart,
  roles: readonly Role[],
  made: { guides: string[]; riders: string[] },
): Scene {
  const { width, height } = scene.canvas;
  const scale = Math.min(1, width / drawing.width, height / drawing.height);
  const dx = (width - drawing.width * scale) / 2;
  const dy = (height - drawing.height * scale) / 2;
  let sum = scene;
  let behind = 0;
  drawing.parts.forEach((part, i) => {
    const role = roles[i] ?? 'none';
    if (role === 'guide')
      for (const { nodes, closed } of part.outlines) {
        if (nodes.length < 2) continue;
        const at = (v: readonly [number, number] | undefined): readonly [number, number] | undefined =>
          v && [v[0] * scale, v[1] * scale];
        const placed = nodes.map((node) => ({
          x: node.x * scale + dx,
          y: node.y * scale + dy,
          in: at(node.in),
          out: at(node.out),
          join: 'corner' as const,
        }));
        const guide = guideFrom(sum, placed, closed, part.name);
        made.guides.push(guide.id);
        sum = addGuide(sum, { guide });
      }
    if (role === 'rider' || role === 'scenery') {
      const taken = idsIn(sum);
      const artId = freeId(taken, `art-${name}-${i + 1}`.toLowerCase().replace(/[^a-z0-9-]+/g, '-'));
      const { markup, width: w, height: h } = part.art;
      const art: Art = {
        id: artId,
        name: part.name,
        kind: 'svg',
        markup,
        width: w,
        height: h,
        pivot: [w / 2, h / 2],
        facing: 0,
      };
      sum = addArt(sum, { art });
      const id = freeId(idsIn(sum), `${artId}-rider`);
      const called = freeName(
        sum.riders.map((rider) => rider.name),
        part.name,
      );
      const rider = newRider({
        id,
        name: called,
        art: artId,
        at: [(part.x + w / 2) * scale + dx, (part.y + h / 2) * scale + dy],
        scale: [scale, scale],
        locked: role === 'scenery',
      });
      sum = addRider(sum, { rider });
      if (role === 'scenery') {
        // Scenery keeps its own order behind everything that was there.
        sum = restackRider(sum, { id, to: behind });
        behind++;
      } else made.riders.push(id);
    }
  });
  return sum;
}
