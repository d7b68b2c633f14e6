import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { bladeOutline } from './bladeOutline.ts';
import { MARKERS, propMark } from './propColour.ts';

describe('the blade glyph', () => {
  test('is a closed outline inside its box for any prop', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1.1, noNaN: true }),
        fc.double({ min: 0.003, max: 1.2, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        fc.constantFrom('pointed' as const, 'standard' as const, 'square' as const),
        (diameterM, pitchM, bladeCount, tipShape) => {
          const outline = bladeOutline({ diameterM, pitchM, bladeCount, tipShape });
          expect(outline).toMatch(/^M.*Z$/);
          for (const n of outline.match(/-?\d+\.\d/g)!) expect(Math.abs(Number(n))).toBeLessThanOrEqual(50);
        },
      ),
    ));

  test('tells props apart by number alone', () => {
    const shape = { diameterM: 0.18, pitchM: 0.1, bladeCount: 3, tipShape: 'standard' as const };
    const outlines = [
      shape,
      { ...shape, diameterM: 0.3 },
      { ...shape, pitchM: 0.15 },
      { ...shape, bladeCount: 2 },
      { ...shape, tipShape: 'square' as const },
    ].map(bladeOutline);
    expect(new Set(outlines).size).toBe(5);
  });
});

test('colour and marker of neighbours in the series differ, and the pair repeats late', () => {
  const pairs = Array.from({ length: 60 }, (_, i) => JSON.stringify(propMark(i, false)));
  expect(new Set(pairs).size).toBe(60);
  expect(MARKERS.some((m) => m === ('circle' as string) || m === ('rect' as string))).toBe(false);
});

describe('colours', () => {
  const css = fs.readFileSync(fileURLToPath(new URL('../../app/tokens.css', import.meta.url)), 'utf8');
  const tokens = (scheme: 'light' | 'dark'): Record<string, string> => {
    const block = css.split(`data-mantine-color-scheme='${scheme}'`)[1]!.split('}')[0]!;
    return Object.fromEntries([...block.matchAll(/--([\w-]+): (#[0-9a-f]{6})/g)].map((m) => [m[1]!, m[2]!]));
  };
  const luminance = (hex: string): number => {
    const [r, g, b] = [1, 3, 5]
      .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
      .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  };
  const contrast = (a: string, b: string): number => {
    const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x);
    return (high! + 0.05) / (low! + 0.05);
  };

  test.each(['light', 'dark'] as const)('text reads on sheet and ground in the %s theme', (scheme) => {
    const t = tokens(scheme);
    const texts = ['ink', 'muted', 'fjord', 'moss', 'ochre', 'rust', 'indigo', 'plum'];
    const weak = texts.flatMap((name) =>
      [
        ['sheet', t.sheet!],
        ['ground', t.ground!],
      ]
        .filter(([, ground]) => contrast(t[name]!, ground!) < 4.5)
        .map(([on]) => `${name} on ${on}`),
    );
    expect(weak).toEqual([]);
    expect(contrast(t['on-fjord']!, t.fjord!)).toBeGreaterThan(4.5);
    expect(contrast(t['on-rust']!, t.rust!)).toBeGreaterThan(4.5);
    expect(contrast(t.field!, t.sheet!)).toBeGreaterThan(3);
  });

  test.each([true, false])('prop colours read on the sheet, dark %s', (isDark) => {
    const { sheet } = tokens(isDark ? 'dark' : 'light');
    for (let i = 0; i < 12; i++) expect(contrast(propMark(i, isDark).colour, sheet!)).toBeGreaterThan(4.5);
  });
});
