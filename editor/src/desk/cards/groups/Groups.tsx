import { IconX } from '@tabler/icons-react';
import { useLayoutEffect, useRef } from 'react';
import { useDocumentState } from '../../../document/index.ts';
import { giveFocus } from '../../../platform/focus.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';
import { AddList } from './AddList.tsx';
import type { CardGroup } from './group.ts';

interface GroupsProps<On> {
  /** The entity that has them, for what was opened; its name, for the list of what there is. */
  readonly of: string;
  readonly name: string;
  readonly on: On;
  /** The same of all that are selected, `on` the first of them: what is added or taken off is so for each. */
  readonly all?: readonly On[];
  readonly groups: readonly CardGroup<On>[];
}

/** Brings a group into sight, and the keyboard to its first control. */
function bringTo(group: Element): void {
  group.scrollIntoView({ block: 'nearest' });
  giveFocus(group.querySelector<HTMLElement>('.row-value :is(input, button)'));
}

/** The groups that something has, and the list of what else there is. */
export function Groups<On>({ of, name, on, all = [on], groups }: GroupsProps<On>) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const opened = useDeskView((state) => state.openedGroups);
  const { setGroup } = useDeskView.getState();
  const list = useRef<HTMLDivElement>(null);
  const added = useRef<string>(undefined);
  // As soon as what was added is rendered, the keyboard is on what it asks first.
  useLayoutEffect(() => {
    const group = added.current === undefined ? null : list.current?.querySelector(`[data-group="${added.current}"]`);
    if (!group) return;
    added.current = undefined;
    bringTo(group);
  });
  /** For all of them as one step of undo. */
  const together = (title: string, act: (one: On) => unknown): void =>
    desk.doc.inRun(`${title} ${Date.now()}`, () => all.forEach(act));
  const keyOf = ({ id }: CardGroup<On>): string => `${of} ${id}`;
  const isThere = (group: CardGroup<On>): boolean => group.has?.(on, scene) ?? false;
  const fitting = groups.filter((group) => isThere(group) || (group.fits?.(on, scene) ?? true));
  const shown = fitting.filter((group) => isThere(group) || opened.includes(keyOf(group)));
  return (
    <div ref={list} className="card-groups">
      {shown.map((group) => (
        <section key={group.id} className="card-group" data-group={group.id} aria-label={group.title}>
          <header className="group-head" title={group.about}>
            <h2>{group.title}</h2>
            {(group.remove || !isThere(group)) && (
              <button
                type="button"
                className="group-off"
                aria-label={`${isThere(group) ? 'Remove' : 'Close'} ${group.title.toLowerCase()}`}
                title={isThere(group) ? 'Takes it off' : 'Closes it; nothing is changed'}
                onClick={() => {
                  if (isThere(group))
                    together(group.title, (one) => group.has?.(one, scene) && group.remove?.(desk, one));
                  setGroup(keyOf(group), false);
                }}
              >
                <IconX size={13} aria-hidden />
              </button>
            )}
          </header>
          <group.Rows on={on} />
        </section>
      ))}
      <AddList
        name={name}
        groups={fitting.filter((group) => !shown.includes(group))}
        onAdd={(group) => {
          added.current = group.id;
          together(
            group.title,
            (one) => !group.has?.(one, scene) && (group.fits?.(one, scene) ?? true) && group.add?.(desk, one),
          );
          setGroup(keyOf(group), true);
        }}
      />
    </div>
  );
}
