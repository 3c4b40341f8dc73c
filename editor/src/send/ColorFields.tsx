import { TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { colorsOf, readColors, writeColors, type NamedColor, type Scene } from '@pace-line/core';
import { ColorField } from '../fields/index.ts';

interface ColorFieldsProps {
  readonly scene: Scene;
  /** The option as it is written (core's colors.ts). */
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** Colours that are listed before more are asked for. */
const FIRST = 6;

/** Which colours of the drawing a page may set, by which names, and what they are on dark pages. */
export function ColorFields({ scene, value, onChange }: ColorFieldsProps) {
  const used = useMemo(() => colorsOf(scene), [scene]);
  const [isWhole, setWhole] = useState(false);
  const [isOpen, setOpen] = useState(value !== '');
  const read = readColors(value);
  const named = 'colors' in read ? read.colors : [];
  // Those that the drawing has no more stay, until they are taken out.
  const all = [...new Set([...used, ...named.map((one) => one.value)])];
  const shown = isWhole ? all : all.filter((one, i) => i < FIRST || named.some((each) => each.value === one));
  const set = (color: string, next: Pick<NamedColor, 'name' | 'dark'> | undefined): void => {
    const others = named.filter((one) => one.value !== color);
    onChange(writeColors(next ? [...others, { ...next, value: color }] : others));
  };
  if (all.length === 0) return null;
  return (
    <details className="color-fields" open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary title="Each gets a name by which a page sets it, and what it is on dark pages">
        Colours that the page may set{named.length > 0 ? ` (${named.length})` : ''}
      </summary>
      {shown.map((color) => (
        <ColorRow
          key={color}
          color={color}
          named={named.find((one) => one.value === color)}
          taken={named.filter((one) => one.value !== color).map((one) => one.name)}
          onChange={(next) => set(color, next)}
        />
      ))}
      {shown.length < all.length && (
        <button type="button" className="small-button" onClick={() => setWhole(true)}>
          All {all.length} colours
        </button>
      )}
      {named.length > 0 && (
        <p className="color-note">
          A page sets one by its name, as in <code>{`--${named[0]?.name ?? ''}: teal`}</code>; elsewhere it is what it
          is here.
        </p>
      )}
    </details>
  );
}

interface ColorRowProps {
  readonly color: string;
  readonly named: NamedColor | undefined;
  /** Names of other colours. */
  readonly taken: readonly string[];
  readonly onChange: (next: Pick<NamedColor, 'name' | 'dark'> | undefined) => void;
}

/** What may stand in a property’s name: others are left out as they are typed. */
const plainName = (text: string): string =>
  text
    .replace(/\s+/g, '-')
    .replace(/[^\w-]/g, '')
    .replace(/^[^A-Za-z_]+/, '');

function ColorRow({ color, named, taken, onChange }: ColorRowProps) {
  const [name, setName] = useState(named?.name ?? '');
  const isTaken = taken.includes(name);
  return (
    <div className="color-row">
      <span className="color-swatch" style={{ background: color }} aria-hidden />
      <TextInput
        size="xs"
        aria-label={`Name of ${color}`}
        placeholder={`${color}, as it is`}
        value={name}
        error={isTaken ? 'This name is taken.' : null}
        onChange={(event) => {
          const next = plainName(event.currentTarget.value);
          setName(next);
          if (!taken.includes(next)) onChange(next ? { name: next, dark: named?.dark ?? null } : undefined);
        }}
      />
      <ColorField
        label={`${color} on dark pages`}
        placeholder="dark: the same"
        disabled={!named}
        mayBeEmpty
        value={named?.dark ?? ''}
        onCommit={(dark) => named && onChange({ name: named.name, dark: dark || null })}
      />
    </div>
  );
}
