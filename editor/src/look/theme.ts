import { createTheme, Menu, Tooltip, type MantineColorsTuple } from '@mantine/core';

/** Shades of the first route colour; white on shade 6 and darker passes AA. */
const teal: MantineColorsTuple = [
  '#E6F3F1',
  '#CFE6E3',
  '#A3CFCA',
  '#74B6B0',
  '#4C9F98',
  '#2A8B84',
  '#0B7A75',
  '#096762',
  '#075450',
  '#04403D',
];

export const theme = createTheme({
  colors: { teal },
  primaryColor: 'teal',
  primaryShade: { light: 6, dark: 7 },
  fontFamily: "'Figtree Variable', system-ui, sans-serif",
  fontFamilyMonospace: "'Commit Mono', ui-monospace, monospace",
  defaultRadius: 5,
  respectReducedMotion: true,
  cursorType: 'pointer',
  headings: { fontWeight: '650' },
  // Below what it names: above the transport lie the route tabs.
  components: {
    Tooltip: Tooltip.extend({ defaultProps: { position: 'bottom', openDelay: 350 } }),
    // The keyboard is on the first item at once; a holder of it beside the items would be none.
    Menu: Menu.extend({ defaultProps: { withInitialFocusPlaceholder: false } }),
  },
});
