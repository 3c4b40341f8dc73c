import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import useSWR from 'swr';
import { listCards } from '../document/index.ts';
import { recipeEntries, sampleEntries } from '../find/everywhere.ts';
import { FindPanel } from '../find/FindPanel.tsx';
import { startNew } from '../scene/new-scene.ts';

/** Scenes, samples and recipes by their names. */
export function FindOnShelf() {
  const navigate = useNavigate();
  const { data: cards } = useSWR('shelf', listCards);
  const entries = useMemo(() => {
    const go = (address: string): void => void navigate(address);
    return [
      {
        ...{
          id: 'new',
          title: 'New scene',
          about: 'Begins an empty scene',
          where: 'Shelf',
          also: 'create start blank',
        },
        run: () => void startNew().then((id) => id !== undefined && go(`/scene/${id}`)),
      },
      ...(cards ?? []).map(({ id, name }) => ({
        ...{ id: `scene ${id}`, title: name, about: 'Opens the scene', where: 'Saved in this browser', also: 'mine' },
        run: () => go(`/scene/${id}`),
      })),
      ...sampleEntries(go),
      ...recipeEntries(go, ''),
    ];
  }, [cards, navigate]);
  return <FindPanel entries={entries} hint="ferries, wheel, new scene" />;
}
