import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { formatEntries, recipeEntries } from '../find/everywhere.ts';
import { FindPanel } from '../find/FindPanel.tsx';
import { useOpenScene } from '../scene/context.ts';

/** Formats, their options and recipes by their names, and the way back. */
export function FindOnSend() {
  const { id } = useOpenScene();
  const navigate = useNavigate();
  const entries = useMemo(() => {
    const go = (address: string): void => void navigate(address);
    return [
      ...formatEntries((format) => go(`/scene/${id}/send?format=${format}`)),
      {
        ...{ id: 'desk', title: 'Back to the Desk', about: 'To draw and to time', where: 'Top bar' },
        also: 'edit return canvas sheet cards',
        run: () => go(`/scene/${id}`),
      },
      ...recipeEntries(go, `?from=${id}`),
    ];
  }, [id, navigate]);
  return <FindPanel entries={entries} hint="GIF, half size, transparent, frame rate" />;
}
