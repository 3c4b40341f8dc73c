import { useEffect } from 'react';
import useSWR from 'swr';
import { listEases, onCollectionChange, type KeptEase } from '../../document/index.ts';

const NONE: readonly KeptEase[] = [];

/** The eases kept in this browser, by name. */
export function useKeptEases(): readonly KeptEase[] {
  const { data = NONE, mutate } = useSWR('eases', listEases);
  useEffect(() => onCollectionChange(() => void mutate()), [mutate]);
  return data;
}
