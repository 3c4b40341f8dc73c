import { ActionIcon, Tooltip } from '@mantine/core';
import type { ReactNode } from 'react';

interface IconActionProps {
  /** What a reader hears. */
  readonly label: string;
  /** What the pointer reads, where the picture alone does not say it. */
  readonly hint?: string;
  readonly icon: ReactNode;
  readonly onClick: () => void;
  /** For a switch: whether it is on. */
  readonly pressed?: boolean;
  readonly disabled?: boolean;
}

/** A small button that shows a picture and has a name. */
export function IconAction({ label, hint, icon, onClick, pressed, disabled = false }: IconActionProps) {
  const button = (
    <ActionIcon
      size="sm"
      variant="subtle"
      color="gray"
      aria-label={label}
      aria-pressed={pressed}
      disabled={disabled}
      onClick={onClick}
    >
      {icon}
    </ActionIcon>
  );
  return hint === undefined ? button : <Tooltip label={hint}>{button}</Tooltip>;
}
