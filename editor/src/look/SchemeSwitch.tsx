import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';

/** Day or night. */
export function SchemeSwitch() {
  const { setColorScheme } = useMantineColorScheme();
  // Until it is chosen here, the system's setting is followed.
  const night = useComputedColorScheme('light') === 'dark';
  return (
    <button
      type="button"
      className="plain-button"
      aria-pressed={night}
      aria-label="Dark colours"
      onClick={() => setColorScheme(night ? 'light' : 'dark')}
    >
      {night ? <IconSun size={17} aria-hidden /> : <IconMoon size={17} aria-hidden />}
    </button>
  );
}
