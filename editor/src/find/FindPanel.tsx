import { Spotlight, spotlight } from '@mantine/spotlight';
import '@mantine/spotlight/styles.css';
import { useMemo, useState } from 'react';
import type { FindEntry } from './entry.ts';
import { FindIndex } from './search.ts';
import './find.css';

interface FindPanelProps {
  readonly entries: readonly FindEntry[];
  /** What could be asked here, as an example. */
  readonly hint: string;
}

/** Asks for anything by its name, and does what is chosen. */
export function FindPanel({ entries, hint }: FindPanelProps) {
  const [question, ask] = useState('');
  const index = useMemo(() => new FindIndex(entries), [entries]);
  const found = index.find(question);
  return (
    <Spotlight.Root
      query={question}
      onQueryChange={ask}
      // Its key and its field are the view's own.
      shortcut={null}
      clearQueryOnClose
      // At once: asked again while it fades away, it would lose the new question at the end of that.
      transitionProps={{ duration: 0 }}
      // It hangs from its field; what it changes stays in sight.
      yOffset={46}
      overlayProps={{ backgroundOpacity: 0.12, blur: 0 }}
      scrollable
      maxHeight="min(480px, 70vh)"
      size={620}
    >
      <Spotlight.Search
        placeholder={`Find anything: ${hint}…`}
        aria-label="Find anything"
        onKeyDown={({ key, currentTarget }) => key === 'Enter' && takeFirst(currentTarget)}
      />
      <Spotlight.ActionsList aria-label="Found">
        {found.length === 0 && (
          <Spotlight.Empty>
            Nothing by that name. Try what it does: {hint.split(', ').slice(0, 2).join(', ')}.
          </Spotlight.Empty>
        )}
        {found.map(({ id, title, about, where, keys, run }) => (
          <Spotlight.Action
            key={id}
            onClick={() => {
              spotlight.close();
              // The keyboard goes back to the view first.
              setTimeout(run);
            }}
          >
            <span className="found">
              <strong>{title}</strong>
              {keys !== undefined && <kbd>{keys}</kbd>}
              <span className="found-where">{where}</span>
              <small>{about}</small>
            </span>
          </Spotlight.Action>
        ))}
      </Spotlight.ActionsList>
    </Spotlight.Root>
  );
}

/** Enter always has an answer to take: the first, where what was lit has gone from the list meanwhile. */
function takeFirst(field: HTMLElement): void {
  const dialog = field.closest('[role=dialog]');
  if (dialog?.querySelector('[data-selected]') == null) dialog?.querySelector<HTMLElement>('[data-action]')?.click();
}

/** Opens it. */
export const openFind = (): void => spotlight.open();
