/** Colours and markers of props, given once by the order in which models came to the workshop. */
const LIGHT = [
  '#0b7285',
  '#6d3b1f',
  '#5f6f12',
  '#2b62a8',
  '#8a4f9e',
  '#b35200',
  '#1f7a4d',
  '#7a5a00',
  '#a5305e',
  '#48637c',
  '#6b4bb0',
  '#00695c',
];
const DARK = [
  '#63c3d6',
  '#d8b49a',
  '#b9c95a',
  '#86b4f0',
  '#cf9ae2',
  '#ff8a4c',
  '#7ed3a3',
  '#dbb74e',
  '#f08fb2',
  '#a9c0d4',
  '#b9a3f2',
  '#6fd0c2',
];

/** Symbols that mean nothing else: no dots or rings (evidence), no squares (pieces on maps). */
export const MARKERS = [
  'diamond',
  'triangle',
  'path://M0 0H10L5 9Z',
  'path://M3 0H7V3H10V7H7V10H3V7H0V3H3Z',
  'path://M0 2 2 0 5 3 8 0 10 2 7 5 10 8 8 10 5 7 2 10 0 8 3 5Z',
  'path://M5 0 10 3.5 8 9.5H2L0 3.5Z',
] as const;

export interface PropMark {
  colour: string;
  marker: string;
}

/** Colour and marker of a prop model; the reference is always ink. */
export function propMark(seriesIndex: number, isDark: boolean): PropMark {
  const colours = isDark ? DARK : LIGHT;
  return {
    colour: colours[seriesIndex % colours.length]!,
    marker: MARKERS[(seriesIndex + Math.floor(seriesIndex / colours.length)) % MARKERS.length]!,
  };
}
