import { createTheme, type CSSVariablesResolver, type MantineColorsTuple } from '@mantine/core';

const fjord: MantineColorsTuple = [
  '#e6efef',
  '#cfe1e2',
  '#a4c6c9',
  '#78abb0',
  '#5bb6c1',
  '#2d8490',
  '#1e707a',
  '#14616b',
  '#0f525b',
  '#0a434b',
];

export const theme = createTheme({
  primaryColor: 'fjord',
  primaryShade: { light: 7, dark: 4 },
  autoContrast: true,
  colors: { fjord },
  fontFamily: 'var(--font-text)',
  fontFamilyMonospace: 'var(--font-mono)',
  defaultRadius: 6,
  cursorType: 'pointer',
  fontSizes: { xs: '13px', sm: '13.5px', md: '15px', lg: '17px', xl: '20px' },
});

const tokens = {
  '--mantine-color-body': 'var(--ground)',
  '--mantine-color-text': 'var(--ink)',
  '--mantine-color-default': 'var(--sheet)',
  '--mantine-color-default-hover': 'var(--fjord-wash)',
  '--mantine-color-default-color': 'var(--ink)',
  '--mantine-color-default-border': 'var(--field)',
  '--mantine-color-dimmed': 'var(--muted)',
  '--mantine-color-placeholder': 'var(--muted)',
  '--mantine-color-error': 'var(--rust)',
  '--mantine-color-anchor': 'var(--fjord)',
};

/** Paints the framework's parts with our own tokens, so that one place holds the colours. */
export const cssVariablesResolver: CSSVariablesResolver = () => ({ variables: {}, light: tokens, dark: tokens });
