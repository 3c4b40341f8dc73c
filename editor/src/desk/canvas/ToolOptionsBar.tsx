import { guideById } from '@pace-line/core';
import { memo } from 'react';
import { useDocumentState } from '../../document/index.ts';
import type { ToolName } from '../../tools/index.ts';
import { useDeskView } from '../view.ts';
import { TOOL_FACES } from './faces/index.ts';

/** What the active tool can be set to; after a stroke its fit can still be changed here. */
export const ToolOptionsBar = memo(function ToolOptionsBar({ tool }: { tool: ToolName }) {
  const last = useDeskView((state) => state.lastStroke);
  const isThere = useDocumentState((state) => last !== null && guideById(state.shown, last.guide) !== undefined);
  const { Options } = TOOL_FACES[tool];
  if (!Options) return null;
  return (
    <div className="tool-options" role="group" aria-label="Options of the tool">
      <Options last={isThere ? last : null} />
    </div>
  );
});
