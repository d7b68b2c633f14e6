import type { Ink } from './useInk.ts';

/** Text of an axis. */
export const axisText = (ink: Ink) => ({ color: ink.muted, fontFamily: ink.fontText, fontSize: 13 });

/** The axis of electrical power that the stand's charts share; it lies at the bottom, wherever zero is. */
export function powerAxis(endW: number, ink: Ink): object {
  const text = axisText(ink);
  return {
    type: 'value',
    min: 0,
    max: endW,
    name: 'electrical power, W',
    nameLocation: 'middle',
    nameGap: 28,
    nameTextStyle: text,
    axisLabel: { ...text, fontFamily: ink.fontMono },
    axisLine: { onZero: false, lineStyle: { color: ink.hairline } },
    axisTick: { show: false },
    splitLine: { show: false },
  };
}

/** The other axis: its name above it, its lines across the chart. */
export function valueAxis(name: string, min: number, max: number, ink: Ink): object {
  const text = axisText(ink);
  return {
    type: 'value',
    min,
    max,
    name,
    nameTextStyle: { ...text, align: 'left', padding: [0, 0, 0, -40] },
    axisLabel: { ...text, fontFamily: ink.fontMono },
    splitLine: { lineStyle: { color: ink.hairline } },
  };
}
