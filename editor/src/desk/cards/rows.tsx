import type { ReactNode } from 'react';
import { NumberField, type Live, type Units } from '../../fields/index.ts';
import { rowWords, type RowName } from '../../words/rows.ts';
import { Row, Segments } from './Card.tsx';

interface NumberRowProps {
  readonly of: RowName;
  /** What the row and its field are called where it is not as in the list. */
  readonly label?: string | undefined;
  readonly name?: string;
  readonly value: number;
  readonly unit: string;
  readonly units: Units;
  readonly digits?: number;
  readonly step?: number;
  readonly min?: number;
  readonly max?: number;
  readonly live?: Live<number>;
  readonly onCommit: (value: number) => void;
  /** Stands after the field. */
  readonly children?: ReactNode;
}

/** A row with one number. */
export function NumberRow({ of, label, name, children, ...field }: NumberRowProps) {
  return (
    <Row of={of} label={label}>
      <NumberField label={name ?? label ?? rowWords(of).label} {...field} />
      {children}
    </Row>
  );
}

interface ChoiceRowProps<T extends string> {
  readonly of: RowName;
  readonly label?: string | undefined;
  readonly name?: string;
  readonly value: T | null;
  readonly options: readonly (readonly [T, string])[];
  readonly disabled?: boolean;
  readonly onChange: (value: T) => void;
  readonly children?: ReactNode;
}

/** A row with a choice of few. */
export function ChoiceRow<T extends string>({ of, label, name, children, ...choice }: ChoiceRowProps<T>) {
  return (
    <Row of={of} label={label}>
      <Segments label={name ?? label ?? rowWords(of).label} {...choice} />
      {children}
    </Row>
  );
}

const YES_NO = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const;

interface YesRowProps {
  readonly of: RowName;
  readonly name?: string;
  readonly value: boolean;
  readonly onChange: (value: boolean) => void;
}

/** A row with yes or no. */
export function YesRow({ value, onChange, ...row }: YesRowProps) {
  return (
    <ChoiceRow {...row} value={value ? 'yes' : 'no'} options={YES_NO} onChange={(next) => onChange(next === 'yes')} />
  );
}
