import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { keepEase } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import { change } from '../actions/change.ts';
import { useDesk } from '../context.ts';
import { EaseCurve } from './EaseCurve.tsx';
import type { EaseEdit } from './ease-edit.ts';
import { useKeptEases } from './use-kept-eases.ts';

/** Eases kept under a name, to be chosen again in any scene; and keeping this one. */
export function KeptRow({ ease, edit }: EaseEdit) {
  const desk = useDesk();
  const kept = useKeptEases();
  const [name, setName] = useState('');
  const keep = async (): Promise<void> => {
    const word = name.trim();
    if (!word) return;
    await keepEase(word, ease);
    setName('');
    tell(`The easing was saved as “${word}”.`);
  };
  return (
    <>
      {kept.length > 0 && (
        <div className="ease-gallery" role="group" aria-label="Saved easings">
          {kept.map((one) => (
            <button
              key={one.id}
              type="button"
              aria-label={one.name}
              title={one.name}
              onClick={() => change(desk, 'Change easing', (scene) => edit(scene, one.thing))}
            >
              <EaseCurve ease={one.thing} width={36} height={24} />
            </button>
          ))}
        </div>
      )}
      <form
        className="ease-keep"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <TextInput
          size="xs"
          aria-label="Save this easing as"
          placeholder="Save in the Collection as…"
          maxLength={200}
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
          onKeyDown={(event) => event.stopPropagation()}
        />
        <button type="submit" className="small-button" disabled={!name.trim()}>
          Save
        </button>
      </form>
    </>
  );
}
