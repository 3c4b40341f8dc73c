import { Select, type ComboboxItem, type SelectProps } from '@mantine/core';
import type { ReactNode } from 'react';
import { MIXED, useMixed } from './mixed.ts';
import { steady } from './steady.tsx';

interface ChoiceFieldProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly data: SelectProps['data'];
  readonly searchable?: boolean;
  readonly width?: number;
  readonly onChange: (value: T) => void;
}

function PlainChoiceField({ label, value, data, searchable, width, onChange }: ChoiceFieldProps<string>) {
  const isMixed = useMixed();
  const leave = (): void => {
    // After the list has closed: it puts the focus back on the field first.
    setTimeout(() => {
      if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
    });
  };
  return (
    <Select
      size="xs"
      aria-label={label}
      {...(width === undefined ? {} : { w: width })}
      value={isMixed ? null : value}
      placeholder={isMixed ? MIXED : undefined}
      data={data}
      allowDeselect={false}
      searchable={searchable ?? false}
      selectFirstOptionOnChange={searchable ?? false}
      // The list itself scrolls, so that it is one thing for a reader.
      withScrollArea={false}
      styles={{ options: { maxHeight: 260, overflowY: 'auto' } }}
      comboboxProps={{ withinPortal: true, width: 'max-content', position: 'bottom-end' }}
      onOptionSubmit={leave}
      onKeyDown={(event) => {
        // Left, it shows its old choice again whatever was typed.
        if (event.key === 'Escape') leave();
      }}
      onChange={(next: string | null, _item: ComboboxItem) => {
        if (next !== null) onChange(next);
      }}
    />
  );
}

/** A choice from a list. Once one is taken the keyboard goes back to the Desk. */
export const ChoiceField = steady(PlainChoiceField, 'onChange') as <T extends string>(
  props: ChoiceFieldProps<T>,
) => ReactNode;
