import { memo } from 'react';
import type { Guide } from '@pace-line/core';
import { ChangeMenus } from './ChangeMenus.tsx';
import { OutlineRow } from './OutlineRow.tsx';

interface EditRowsProps {
  readonly guide: Guide;
  readonly nodes: readonly string[];
}

/** While a guide is bent, nothing of what these rows show changes: they are not rendered again, and take the guide as it is when they are used. */
function isSame(a: EditRowsProps, b: EditRowsProps): boolean {
  const [g, h] = [a.guide, b.guide];
  return (
    g.id === h.id &&
    g.name === h.name &&
    g.closed === h.closed &&
    g.locked === h.locked &&
    g.link === h.link &&
    g.nodes.length === h.nodes.length &&
    a.nodes === b.nodes
  );
}

/** What can be done to the guide: open and close, split, direction and more. */
export const EditRows = memo(function EditRows(props: EditRowsProps) {
  return (
    <>
      <OutlineRow {...props} />
      <ChangeMenus {...props} />
    </>
  );
}, isSame);
