import { IconEye, IconEyeOff, IconLock, IconLockOpen } from '@tabler/icons-react';
import { IconAction } from '../../look/IconAction.tsx';

interface TogglesProps {
  readonly name: string;
  readonly visible: boolean;
  readonly locked: boolean;
  /** What unlocking is for, where that is not plain. */
  readonly unlocked?: string;
  readonly onVisible: (visible: boolean) => void;
  readonly onLocked: (locked: boolean) => void;
}

/** Whether a thing of the scene is shown, and whether hands can take it. */
export function Toggles({ name, visible, locked, unlocked, onVisible, onLocked }: TogglesProps) {
  return (
    <>
      <IconAction
        label={`Show ${name}`}
        pressed={visible}
        icon={visible ? <IconEye size={15} aria-hidden /> : <IconEyeOff size={15} aria-hidden />}
        onClick={() => onVisible(!visible)}
      />
      <IconAction
        label={unlocked === undefined ? `Lock ${name}` : `Lock ${name}; ${unlocked}`}
        pressed={locked}
        icon={locked ? <IconLock size={15} aria-hidden /> : <IconLockOpen size={15} aria-hidden />}
        onClick={() => onLocked(!locked)}
      />
    </>
  );
}
