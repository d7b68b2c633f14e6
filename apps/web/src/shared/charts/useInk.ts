import { useComputedColorScheme } from '@mantine/core';
import { useMemo } from 'react';

/** Colours of the theme in force as charts need them: resolved, because a canvas knows no variables. */
export interface Ink {
  isDark: boolean;
  ink: string;
  muted: string;
  hairline: string;
  sheet: string;
  moss: string;
  fjord: string;
  ochre: string;
  rust: string;
  fontText: string;
  fontMono: string;
  /** Hatched ground for what is barred. */
  hatch: HTMLCanvasElement;
}

export function useInk(): Ink {
  const scheme = useComputedColorScheme('light', { getInitialValueInEffect: false });
  return useMemo(() => {
    const style = getComputedStyle(document.documentElement);
    const read = (name: string): string => style.getPropertyValue(name).trim();
    return {
      isDark: scheme === 'dark',
      ink: read('--ink'),
      muted: read('--muted'),
      hairline: read('--hairline'),
      sheet: read('--sheet'),
      moss: read('--moss'),
      fjord: read('--fjord'),
      ochre: read('--ochre'),
      rust: read('--rust'),
      fontText: read('--font-text'),
      fontMono: read('--font-mono'),
      hatch: hatchTile(read('--hatch-ground'), read('--hatch')),
    };
  }, [scheme]);
}

function hatchTile(ground: string, line: string): HTMLCanvasElement {
  const size = 9;
  const tile = document.createElement('canvas');
  tile.width = size;
  tile.height = size;
  const pen = tile.getContext('2d');
  if (!pen) return tile;
  pen.fillStyle = ground;
  pen.fillRect(0, 0, size, size);
  pen.strokeStyle = line;
  pen.lineWidth = 1.3;
  for (const shift of [-size, 0, size]) {
    pen.beginPath();
    pen.moveTo(shift, size);
    pen.lineTo(shift + size, 0);
    pen.stroke();
  }
  return tile;
}
