import type { ReactNode } from 'react';
import { NumberField, type Units } from '../../fields/index.ts';
import { Row, Segments } from './Card.tsx';

interface NumberRowProps {
  /** Beside the field, and, unless `name` says more, what the field is called. */
  readonly label: string;
  readonly name?: string;
  readonly value: number;
  readonly unit: string;
  readonly units: Units;
  readonly digits?: number;
  readonly min?: number;
  readonly max?: number;
  readonly onCommit: (value: number) => void;
  /** Stands after the field. */
  readonly children?: ReactNode;
}

/** A row with one number. */
export function NumberRow({ label, name = label, children, ...field }: NumberRowProps) {
  return (
    <Row label={label}>
      <NumberField label={name} {...field} />
      {children}
    </Row>
  );
}

interface ChoiceRowProps<T extends string> {
  readonly label: string;
  readonly value: T | null;
  readonly options: readonly (readonly [T, string])[];
  readonly title?: string;
  readonly onChange: (value: T) => void;
}

/** A row with a choice of few. */
export function ChoiceRow<T extends string>({ label, ...choice }: ChoiceRowProps<T>) {
  return (
    <Row label={label}>
      <Segments label={label} {...choice} />
    </Row>
  );
}

const YES_NO = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

/** A row with yes or no. */
export function YesRow({
  label,
  value,
  title,
  onChange,
}: {
  label: string;
  value: boolean;
  title?: string;
  onChange: (value: boolean) => void;
}) {
  return (
    <ChoiceRow
      label={label}
      value={value ? 'yes' : 'no'}
      options={YES_NO}
      {...(title === undefined ? {} : { title })}
      onChange={(next) => onChange(next === 'yes')}
    />
  );
}
