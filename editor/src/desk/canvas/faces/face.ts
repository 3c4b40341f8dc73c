import type { IconPointer } from '@tabler/icons-react';
import type { ComponentType } from 'react';
import type { LastStroke } from '../../../tools/index.ts';
import { usePreferences } from '../../view.ts';

export interface OptionsProps {
  /** The last stroke or motion of the hand, while its guide is there. */
  readonly last: LastStroke | null;
}

/** How a tool looks on the Desk, and what it can be set to. */
export interface ToolFace {
  readonly icon: typeof IconPointer;
  readonly Options?: ComponentType<OptionsProps>;
}

/** The options as they stand, and what changes them. */
export const useToolOptions = () =>
  [usePreferences(({ toolOptions }) => toolOptions), usePreferences(({ setToolOptions }) => setToolOptions)] as const;
