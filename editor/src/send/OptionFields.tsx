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

function OptionField({ option: { kind, about, choices = [] }, value, onChange }: OptionFieldProps) {
  switch (kind) {
    case 'switch':
      return (
        <Switch label={about} checked={value === true} onChange={(event) => onChange(event.currentTarget.checked)} />
      );
    case 'choice':
      return (
        <div className="option">
          <span>{about}</span>
          <div className="segments" role="group" aria-label={about}>
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
          size="xs"
          label={about}
          value={typeof value === 'string' || typeof value === 'number' ? String(value) : ''}
          onChange={(event) =>
            onChange(kind === 'number' ? Number(event.currentTarget.value) : event.currentTarget.value)
          }
        />
      );
  }
}
