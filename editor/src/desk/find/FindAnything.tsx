import { Spotlight, spotlight } from '@mantine/spotlight';
import '@mantine/spotlight/styles.css';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useDocumentState } from '../../document/index.ts';
import { useDesk } from '../context.ts';
import { entriesOf } from './entries.ts';
import { FindIndex } from './search.ts';
import './find.css';

/** Everything by its name: commands, rows, what cards can have, tools, formats, recipes, and what stands in the scene. */
export function FindAnything() {
  const desk = useDesk();
  const navigate = useNavigate();
  const scene = useDocumentState((state) => state.committed);
  const [question, ask] = useState('');
  const index = useMemo(
    () => new FindIndex(entriesOf(desk, scene, (address) => void navigate(address))),
    [desk, scene, navigate],
  );
  const found = index.find(question);
  return (
    <Spotlight.Root
      query={question}
      onQueryChange={ask}
      // Its key and its field are the Desk's own.
      shortcut={null}
      clearQueryOnClose
      // It hangs from its field; what it changes stays in sight.
      yOffset={46}
      overlayProps={{ backgroundOpacity: 0.12, blur: 0 }}
      scrollable
      maxHeight="min(480px, 70vh)"
      size={620}
    >
      <Spotlight.Search placeholder="Find anything: fade, backwards, 1080, shadow…" aria-label="Find anything" />
      <Spotlight.ActionsList aria-label="Found">
        {found.length === 0 && (
          <Spotlight.Empty>Nothing by that name. Try what it does: “fade”, “slow down”, “wheel”.</Spotlight.Empty>
        )}
        {found.map(({ id, title, about, where, keys, run }) => (
          <Spotlight.Action
            key={id}
            onClick={() => {
              spotlight.close();
              // The keyboard goes back to the Desk first.
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

/** Opens it. */
export const openFind = (): void => spotlight.open();
