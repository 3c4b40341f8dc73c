import { TextInput } from '@mantine/core';
import { IconCopy } from '@tabler/icons-react';
import { useId, useState } from 'react';
import { cssOfEase, easeFromCss } from '@pace-line/core';
import { change } from '../actions/change.ts';
import { useDesk } from '../context.ts';
import { tell } from '../../look/notices.tsx';
import type { EaseEdit } from './ease-edit.ts';

/** The ease as CSS text: to be copied, or typed and pasted over. */
export function CssRow({ ease, edit }: EaseEdit) {
  const desk = useDesk();
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const text = cssOfEase(ease);
  const reading = draft === null ? undefined : easeFromCss(draft);
  const take = (): void => {
    if (draft !== null && draft !== text && reading?.ok)
      change(desk, 'Change easing', (scene) => edit(scene, reading.ease));
    // What is not understood stays to be mended.
    if (reading?.ok !== false || draft?.trim() === '') setDraft(null);
  };
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(text);
      tell('The easing was copied as CSS.');
    } catch {
      tell('The browser did not allow copying; select the text and copy it instead.');
    }
  };
  return (
    <div className="ease-css">
      <label htmlFor={id}>As CSS</label>
      <TextInput
        id={id}
        size="xs"
        value={draft ?? text}
        error={reading && !reading.ok && draft?.trim() ? reading.message : undefined}
        onChange={(event) => setDraft(event.currentTarget.value)}
        onFocus={(event) => event.currentTarget.select()}
        onBlur={take}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') setDraft(null);
        }}
      />
      <button
        type="button"
        className="plain-button"
        aria-label="Copy the ease as CSS"
        title="Copy"
        onClick={() => void copy()}
      >
        <IconCopy size={15} aria-hidden />
      </button>
    </div>
  );
}
