import { Modal } from '@mantine/core';
import { useDeskView } from '../view.ts';
import { ShortcutLists } from '../../look/ShortcutLists.tsx';

/** All shortcuts, over the Desk. */
export function ShortcutsDialog() {
  const opened = useDeskView((state) => state.shortcuts);
  const set = useDeskView((state) => state.set);
  return (
    <Modal
      opened={opened}
      onClose={() => set({ shortcuts: false })}
      title="Shortcuts"
      size="xl"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <div className="shortcut-columns">
        <ShortcutLists />
      </div>
    </Modal>
  );
}
