import { Switch, TextInput } from '@mantine/core';
import { describeOptions, type Format, type FormatOption, type Scene } from '@pace-line/core';
import { ColorFields } from './ColorFields.tsx';
import type { Options } from './use-writing.ts';

interface OptionFieldsProps {
  readonly scene: Scene;
  readonly format: Format;
  readonly options: Options;
  readonly onChange: (change: Options) => void;
}

/** Fields made from the format's description of its options. */
export function OptionFields({ scene, format, options, onChange }: OptionFieldsProps) {
  const described = describeOptions(format);
  if (described.length === 0) return <p className="muted">No options</p>;
  return described.map((option) => {
    const change = (value: unknown): void => onChange({ [option.key]: value });
    const value = options[option.key];
    return option.key === 'colors' ? (
      <ColorFields key={option.key} scene={scene} value={typeof value === 'string' ? value : ''} onChange={change} />
    ) : (
      <OptionField key={option.key} option={option} value={value} onChange={change} />
    );
  });
}

interface OptionFieldProps {
  readonly option: FormatOption;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
}

/** A description as a label, and all of it where it says more. */
export function labelOf(about: string): { readonly label: string; readonly hint: string | undefined } {
  const end = about.search(/[;:] /);
  return end < 0 ? { label: about, hint: undefined } : { label: about.slice(0, end), hint: about };
}

function OptionField({ option: { kind, about, choices = [] }, value, onChange }: OptionFieldProps) {
  const { label, hint } = labelOf(about);
  switch (kind) {
    case 'switch':
      return (
        <div title={hint}>
          <Switch
            size="xs"
            label={label}
            checked={value === true}
            onChange={(event) => onChange(event.currentTarget.checked)}
          />
        </div>
      );
    case 'choice':
      return (
        <div className="option" title={hint}>
          <span>{label}</span>
          <div className="segments" role="group" aria-label={label}>
            {choices.map((choice) => (
              <button key={choice} type="button" aria-pressed={choice === value} onClick={() => onChange(choice)}>
                {choice}
              </button>
            ))}
          </div>
        </div>
      );
    case 'number':
    case 'text':
      return (
        <TextInput
          className="option-line"
          size="xs"
          label={label}
          title={hint}
          placeholder={hint && /empty: (.*)$/.exec(hint)?.[1]}
          value={typeof value === 'string' || typeof value === 'number' ? String(value) : ''}
          onChange={(event) =>
            onChange(kind === 'number' ? Number(event.currentTarget.value) : event.currentTarget.value)
          }
        />
      );
  }
}
