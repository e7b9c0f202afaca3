import { createTheme, type MantineColorsTuple } from '@mantine/core';

/** Rosefinch rose in ten steps; step 7 is the brand colour, dark enough for white text. */
const rose: MantineColorsTuple = [
  '#fbeef3',
  '#f3d5e0',
  '#e8a9c0',
  '#dd7c9f',
  '#d35584',
  '#c43d70',
  '#ba3565',
  '#b0305c',
  '#962650',
  '#7d1c42',
];

/** The least that a finger needs (WCAG 2.2, 2.5.5): every button, field and select is so high. */
const FINGER = '44px';
const high = (name: string) => ({ vars: () => ({ root: { [name]: FINGER } }) });

export const theme = createTheme({
  primaryColor: 'rose',
  primaryShade: { light: 7, dark: 6 },
  colors: { rose },
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
  fontFamilyMonospace: "'JetBrains Mono Variable', monospace",
  headings: { fontFamily: "'Bricolage Grotesque Variable', sans-serif" },
  defaultRadius: 'md',
  respectReducedMotion: true,
  components: {
    Button: high('--button-height'),
    ActionIcon: high('--ai-size'),
    CloseButton: high('--cb-size'),
    Input: { vars: () => ({ wrapper: { '--input-height': FINGER, '--input-size': FINGER } }) },
    // Arrow keys step a number; the small buttons beside it are none for a finger.
    NumberInput: { defaultProps: { hideControls: true } },
  },
});
