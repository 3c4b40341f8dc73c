import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import useSWR from 'swr';
import { listVersions, useDocumentState } from '../../document/index.ts';
import { FindPanel } from '../../find/FindPanel.tsx';
import { useDesk } from '../context.ts';
import { entriesOf, versionEntries } from './entries.ts';

/** Everything by its name: commands, rows, what cards can have, tools, formats, versions, samples, recipes, and what stands in the scene. */
export function FindAnything() {
  const desk = useDesk();
  const navigate = useNavigate();
  const scene = useDocumentState((state) => state.committed);
  const { data: versions } = useSWR(['versions', desk.id], () => listVersions(desk.id));
  const entries = useMemo(
    () => [...entriesOf(desk, scene, (address) => void navigate(address)), ...versionEntries(versions ?? [])],
    [desk, scene, navigate, versions],
  );
  return <FindPanel entries={entries} hint="fade, backwards, 1080, shadow" />;
}
