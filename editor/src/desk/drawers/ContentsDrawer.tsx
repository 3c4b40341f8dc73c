import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { IconChevronDown, IconChevronRight, IconGripVertical } from '@tabler/icons-react';
import { useMemo, useState } from 'react';
import { guideById, holdersAround, restackRider, setGuide, setRider, type Guide, type Rider } from '@pace-line/core';
import { selectGuide, selectRider, useDocument, useDocumentState } from '../../document/index.ts';
import { TextField } from '../../fields/index.ts';
import { useDesk } from '../context.ts';
import { Drawer } from './Drawer.tsx';
import { Toggles } from './Toggles.tsx';
import { TracingRows } from './TracingRows.tsx';
import { change } from '../actions/change.ts';

/** Everything in the scene: riders from front to back, then guides; show, lock, rename, restack. */
export function ContentsDrawer() {
  const desk = useDesk();
  const riders = useDocumentState((state) => state.committed.riders);
  const guides = useDocumentState((state) => state.committed.guides);
  const { isFolded, depth, foldOf } = useFolding();
  const front = riders.filter(({ id }) => !isFolded(id)).reverse();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const to = riders.findIndex((rider) => rider.id === over.id);
    change(desk, 'Change stacking order', (scene) => restackRider(scene, { id: String(active.id), to }));
  };
  return (
    <Drawer title="Contents">
      <h3 className="drawer-heading">Riders, front to back</h3>
      {front.length === 0 && <p className="card-note">No riders yet.</p>}
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={onDragEnd}
        accessibility={{ announcements: announcing(front), screenReaderInstructions: { draggable: HOW } }}
      >
        <SortableContext items={front.map((rider) => rider.id)} strategy={verticalListSortingStrategy}>
          <ul className="contents-list">
            {front.map((rider) => (
              <RiderRow key={rider.id} rider={rider} depth={depth(rider.id)} fold={foldOf(rider.id)} />
            ))}
          </ul>
        </SortableContext>
      </DndContext>
      <h3 className="drawer-heading">Guides</h3>
      {guides.length === 0 && <p className="card-note">No guides yet.</p>}
      <ul className="contents-list">
        {guides
          .filter(({ id }) => !isFolded(id))
          .map((guide) => (
            <GuideRow key={guide.id} guide={guide} />
          ))}
      </ul>
      <TracingRows />
    </Drawer>
  );
}

interface Fold {
  readonly isOpen: boolean;
  readonly count: number;
  readonly toggle: () => void;
}

/** Scenes that were set in are one row each, until one is opened or something in it is selected. */
function useFolding() {
  const scene = useDocumentState((state) => state.committed);
  const selection = useDocumentState((state) => state.selection);
  const [opened, setOpened] = useState<readonly string[]>([]);
  const around = holdersAround(scene);
  const entered = new Set([...selection.guides, ...selection.riders].flatMap((id) => around.get(id) ?? []));
  const isOpen = (holder: string): boolean => opened.includes(holder) || entered.has(holder);
  const counts = useMemo(() => {
    const made = new Map<string, number>();
    for (const holders of around.values()) for (const holder of holders) made.set(holder, (made.get(holder) ?? 0) + 1);
    return made;
  }, [around]);
  return {
    isFolded: (id: string) => around.get(id)?.some((holder) => !isOpen(holder)) ?? false,
    depth: (id: string) => around.get(id)?.length ?? 0,
    foldOf: (id: string): Fold | undefined => {
      const count = counts.get(id);
      return count === undefined
        ? undefined
        : {
            ...{ isOpen: isOpen(id), count },
            toggle: () => setOpened(opened.includes(id) ? opened.filter((one) => one !== id) : [...opened, id]),
          };
    },
  };
}

const HOW = 'Space picks it up; then the arrow keys move it, Space puts it down, Escape leaves it where it was.';

/** What is said of a rider on its way through the list, by its name and its place from the front. */
function announcing(front: readonly Rider[]): Announcements {
  const placed = (id: UniqueIdentifier, at: UniqueIdentifier): string => {
    const place = front.findIndex((rider) => rider.id === at) + 1;
    return `${front.find((rider) => rider.id === id)?.name ?? 'It'}, ${place} of ${front.length} from the front`;
  };
  return {
    onDragStart: ({ active }) => `Picked up: ${placed(active.id, active.id)}`,
    onDragOver: ({ active, over }) => (over ? `Moved: ${placed(active.id, over.id)}` : undefined),
    onDragEnd: ({ active, over }) => `Put down: ${placed(active.id, over?.id ?? active.id)}`,
    onDragCancel: ({ active }) => `Left where it was: ${placed(active.id, active.id)}`,
  };
}

/** px by which what is in a scene stands to the right. */
const INDENT = 14;

interface RiderRowProps {
  readonly rider: Rider;
  /** How many scenes that were set in it is within. */
  readonly depth: number;
  /** Of a rider that holds such a scene: whether what is in it is shown. */
  readonly fold: Fold | undefined;
}

function RiderRow({ rider, depth, fold }: RiderRowProps) {
  const doc = useDocument();
  const desk = useDesk();
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: rider.id });
  const isSelected = useDocumentState((state) => state.selection.riders.includes(rider.id));
  const guide = useDocumentState((state) => guideById(state.shown, rider.guide));
  const patch = (label: string, next: Partial<Pick<Rider, 'visible' | 'locked' | 'name'>>): void =>
    change(desk, label, (scene) => setRider(scene, { id: rider.id, patch: next }));
  return (
    <li
      ref={setNodeRef}
      className={`contents-row ${isSelected ? 'selected' : ''}`}
      style={{
        transform: transform ? `translateY(${transform.y}px)` : undefined,
        transition,
        paddingLeft: depth * INDENT,
      }}
    >
      <span {...attributes} {...listeners} className="drag-handle" aria-label={`Move ${rider.name} in the stack`}>
        <IconGripVertical size={14} aria-hidden />
      </span>
      {fold && (
        <button
          type="button"
          className="fold-button"
          aria-expanded={fold.isOpen}
          aria-label={`What is in ${rider.name}`}
          title={`${fold.count} riders and guides in it`}
          onClick={fold.toggle}
        >
          {fold.isOpen ? <IconChevronDown size={13} aria-hidden /> : <IconChevronRight size={13} aria-hidden />}
        </button>
      )}
      <Name
        name={rider.name}
        note={guide ? `rides ${guide.name}` : 'parked'}
        onSelect={() => doc.select(selectRider(rider.id))}
        onRename={(name) => patch('Rename rider', { name })}
      />
      <Toggles
        name={rider.name}
        visible={rider.visible}
        locked={rider.locked}
        onVisible={(visible) => patch(visible ? 'Show' : 'Hide', { visible })}
        onLocked={(locked) => patch(locked ? 'Lock' : 'Unlock', { locked })}
      />
    </li>
  );
}

function GuideRow({ guide }: { guide: Guide }) {
  const doc = useDocument();
  const desk = useDesk();
  const isSelected = useDocumentState((state) => state.selection.guides.includes(guide.id));
  const riders = useDocumentState((state) =>
    state.shown.riders
      .filter((rider) => rider.guide === guide.id)
      .map((rider) => rider.name)
      .join(', '),
  );
  const original = useDocumentState((state) => guideById(state.shown, guide.link?.of ?? null)?.name);
  const patch = (label: string, next: Partial<Pick<Guide, 'visible' | 'locked' | 'name'>>): void =>
    change(desk, label, (scene) => setGuide(scene, { id: guide.id, patch: next }));
  return (
    <li className={`contents-row ${isSelected ? 'selected' : ''}`}>
      <span className="route-swatch" style={{ background: guide.color }} />
      <Name
        name={guide.name}
        note={[original && `follows ${original}`, riders ? `carries ${riders}` : 'no riders']
          .filter(Boolean)
          .join(' · ')}
        onSelect={() => doc.select(selectGuide(guide.id))}
        onRename={(name) => patch('Rename guide', { name })}
      />
      <Toggles
        name={guide.name}
        visible={guide.visible}
        locked={guide.locked}
        onVisible={(visible) => patch(visible ? 'Show' : 'Hide', { visible })}
        onLocked={(locked) => patch(locked ? 'Lock' : 'Unlock', { locked })}
      />
    </li>
  );
}

interface NameProps {
  readonly name: string;
  readonly note: string;
  readonly onSelect: () => void;
  readonly onRename: (name: string) => void;
}

/** A name that selects when pressed and is renamed after a double click or F2. */
function Name({ name, note, onSelect, onRename }: NameProps) {
  const [state, setState] = useState<'shown' | 'renamed' | 'editing'>('shown');
  if (state === 'editing')
    return (
      <span className="contents-name">
        <TextField
          label={`New name of ${name}`}
          value={name}
          autoFocus
          onCommit={onRename}
          onDone={(byKey) => setState(byKey ? 'renamed' : 'shown')}
        />
      </span>
    );
  return (
    <button
      type="button"
      className="contents-name plain-button"
      // Where one goes on after a new name.
      autoFocus={state === 'renamed'}
      onClick={onSelect}
      onDoubleClick={() => setState('editing')}
      onKeyDown={(event) => {
        if (event.key === 'F2') setState('editing');
      }}
    >
      <span className="contents-text">{name}</span>
      <span className="muted contents-note">{note}</span>
    </button>
  );
}
