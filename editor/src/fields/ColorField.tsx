import { ColorInput } from '@mantine/core';
import { useState } from 'react';

interface ColorFieldProps {
  readonly label: string;
  /** As #rrggbb; empty: none, where that may be. */
  readonly value: string;
  readonly placeholder?: string;
  readonly disabled?: boolean;
  readonly swatches?: readonly string[];
  /** px; absent: as wide as there is room. */
  readonly width?: number;
  /** Without the swatch and the button beside the text, where there is little room. */
  readonly isShort?: boolean;
  /** Emptied it means that there is none. */
  readonly mayBeEmpty?: boolean;
  /** Of each whole colour, as #rrggbb, while it is typed or once it is picked. */
  readonly onCommit: (color: string) => void;
}

/** A colour, typed or picked. What is no whole colour yet is only shown, and gone when the field is left. */
export function ColorField({ label, value, isShort, mayBeEmpty, width, swatches, onCommit, ...rest }: ColorFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <ColorInput
      {...rest}
      size="xs"
      format="hex"
      aria-label={label}
      {...(width && { w: width })}
      {...(isShort && { rightSectionWidth: 0, withEyeDropper: false })}
      {...(swatches && { swatches: [...swatches] })}
      withPreview={value !== ''}
      // Left to itself it would say the last value it had seen when it is left.
      fixOnBlur={false}
      value={draft ?? value}
      onChange={(text) => {
        setDraft(text);
        if (mayBeEmpty && text === '') onCommit('');
      }}
      onChangeEnd={(color) => /^#[\da-f]{6}$/i.test(color) && onCommit(color)}
      onBlur={() => setDraft(null)}
    />
  );
}
