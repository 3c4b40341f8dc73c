import { useState } from 'react';
import useSWR from 'swr';
import { forgetDeleted, listDeleted, restoreStored, type SceneCard } from '../document/index.ts';
import { tell } from '../look/notices.tsx';

/** Scenes that were deleted in the last month: each can be restored, or deleted for good. */
export function DeletedScenes() {
  const { data: cards } = useSWR('deleted', listDeleted);
  if (!cards || cards.length === 0) return null;
  return (
    <details className="deleted-scenes">
      <summary>
        Deleted scenes ({cards.length})<span className="muted"> · kept for 30 days</span>
      </summary>
      <ul>
        {cards.map((card) => (
          <DeletedRow key={card.id} card={card} />
        ))}
      </ul>
    </details>
  );
}

function DeletedRow({ card }: { card: SceneCard }) {
  const [asks, setAsks] = useState(false);
  const restore = async (): Promise<void> => {
    await restoreStored(card.id);
    tell(`“${card.name}” was put back on the Shelf.`);
  };
  return (
    <li className="deleted-row">
      <span className="scene-title">{card.name}</span>
      <button type="button" className="small-button" aria-label={`Restore ${card.name}`} onClick={() => void restore()}>
        Restore
      </button>
      {asks ? (
        <>
          <span>Its versions go too, and this cannot be undone.</span>
          <button type="button" className="small-button takes-away" onClick={() => void forgetDeleted(card.id)}>
            Delete for good
          </button>
          <button type="button" className="small-button" autoFocus onClick={() => setAsks(false)}>
            Cancel
          </button>
        </>
      ) : (
        <button
          type="button"
          className="small-button"
          aria-label={`Delete ${card.name} for good`}
          onClick={() => setAsks(true)}
        >
          Delete for good…
        </button>
      )}
    </li>
  );
}
