import type { EChartsOption } from 'echarts';
import { fromSi, findUnit, type Dimension } from '@zivvo/core';
import { unitFor } from '@zivvo/words';
import type { Ink } from '../shared/charts/useInk.ts';
import type { Format } from '../shared/format/useFormat.ts';
import { propMark } from '../shared/ui/propColour.ts';
import type { CurvePoint } from './pickMessages.ts';
import type { PickProp } from './pickProps.ts';

export type CompareX = 'throttleRatio' | 'thrustN';
export type CompareY = 'powerW' | 'currentA' | 'thrustN' | 'speedRpm' | 'thrustPerPowerNPerW';

const DIMENSIONS: Record<CompareX | CompareY, Dimension> = {
  throttleRatio: 'ratio',
  thrustN: 'force',
  powerW: 'power',
  currentA: 'current',
  speedRpm: 'rotation',
  thrustPerPowerNPerW: 'thrustPerPower',
};

/** What can be drawn over a quantity. */
export function compareYs(over: CompareX): CompareY[] {
  return over === 'thrustN'
    ? ['powerW', 'thrustPerPowerNPerW', 'currentA', 'speedRpm']
    : ['thrustN', 'powerW', 'currentA', 'speedRpm', 'thrustPerPowerNPerW'];
}

/** Colours of props before they come round again. */
const COLOURS = 12;

/**
 * How far a curve is from the reference at the same place [%]; only where both were worked out.
 *
 * @param points, reference - in rising order of x
 */
export function differencePoints(
  points: readonly (readonly [number, number])[],
  reference: readonly (readonly [number, number])[],
): [number, number][] {
  return points.flatMap(([x, y]): [number, number][] => {
    const at = reference.findIndex(([end]) => end >= x);
    const [end, start] = [reference[at], reference[Math.max(0, at - 1)]];
    if (!end || !start || x < start[0]) return [];
    const share = end[0] === start[0] ? 1 : (x - start[0]) / (end[0] - start[0]);
    const there = start[1] + share * (end[1] - start[1]);
    return there > 0 ? [[x, (y / there - 1) * 100]] : [];
  });
}

interface CompareChart {
  props: readonly PickProp[];
  curves: Readonly<Record<string, CurvePoint[]>>;
  referenceId: string | null;
  over: CompareX;
  y: CompareY;
  /** Drawn as the difference from the reference, where there is one: curves that lie on each other tell nothing. */
  isDifference: boolean;
  ink: Ink;
  format: Format;
}

/** Points of a curve in the reader's units. */
export function curvePoints(
  points: readonly CurvePoint[],
  over: CompareX,
  y: CompareY,
  choices: Format['choices'],
): [number, number][] {
  const unitX = unitFor(DIMENSIONS[over], choices);
  const unitY = unitFor(DIMENSIONS[y], choices);
  return points.map((p) => [
    fromSi(unitX, p[over]),
    fromSi(unitY, y === 'thrustPerPowerNPerW' ? p.thrustN / p.powerW : p[y]),
  ]);
}

/** Lines of each prop with its name at the end; the present prop in ink. */
export function compareChart({
  props,
  curves,
  referenceId,
  over,
  y,
  isDifference,
  ink,
  format,
}: CompareChart): EChartsOption {
  const unit = (name: CompareX | CompareY): string =>
    (findUnit(DIMENSIONS[name], unitFor(DIMENSIONS[name], format.choices).symbol) ?? { symbol: '' }).symbol;
  const axis = (name: CompareX | CompareY, words: string) => ({
    type: 'value' as const,
    name: `${words}, ${unit(name)}`,
    nameLocation: 'middle' as const,
    nameTextStyle: { color: ink.muted, fontFamily: ink.fontText, fontSize: 13 },
    axisLabel: { color: ink.muted, fontFamily: ink.fontText },
    axisLine: { lineStyle: { color: ink.hairline } },
    splitLine: { lineStyle: { color: ink.hairline } },
  });
  const taken = new Set(props.flatMap((p) => (p.model ? [p.model.seriesIndex % COLOURS] : [])));
  const unused = Array.from({ length: COLOURS }, (_, k) => k).filter((k) => !taken.has(k));
  const free = props.map((p, i) => (p.model ? 0 : unused[(3 * i) % unused.length]!));
  const line = (id: string): [number, number][] => curvePoints(curves[id] ?? [], over, y, format.choices);
  const reference = isDifference && referenceId !== null ? line(referenceId) : [];
  const drawnAs = (id: string): [number, number][] =>
    reference.length > 0 ? differencePoints(line(id), reference) : line(id);
  const yAxis =
    reference.length > 0 ? { ...axis(y, WORDS[y]), name: `${WORDS[y]} over the prop flown now, %` } : axis(y, WORDS[y]);
  return {
    animation: false,
    grid: { left: 62, right: 130, top: 16, bottom: 46 },
    tooltip: {
      trigger: 'axis',
      backgroundColor: ink.sheet,
      borderColor: ink.hairline,
      textStyle: { color: ink.ink, fontFamily: ink.fontText },
      valueFormatter: (value) => (typeof value === 'number' ? value.toPrecision(3) : String(value)),
    },
    xAxis: { ...axis(over, WORDS[over]), nameGap: 28 },
    yAxis: { ...yAxis, nameGap: 46, scale: reference.length > 0 },
    series: props.map((prop, i) => {
      const isReference = prop.id === referenceId;
      const { colour } = propMark(prop.model?.seriesIndex ?? free[i]!, ink.isDark);
      const drawn = isReference ? ink.ink : colour;
      return {
        type: 'line',
        name: prop.name,
        data: drawnAs(prop.id),
        showSymbol: false,
        lineStyle: { color: drawn, width: isReference ? 2.6 : 2 },
        itemStyle: { color: drawn },
        endLabel: {
          show: true,
          formatter: prop.name,
          color: drawn,
          fontFamily: ink.fontText,
          fontSize: 13,
          lineHeight: 20,
          textBorderColor: ink.sheet,
          textBorderWidth: 3,
        },
        labelLayout: { moveOverlap: 'shiftY' },
      };
    }),
  };
}

const WORDS: Record<CompareX | CompareY, string> = {
  throttleRatio: 'throttle',
  thrustN: 'thrust of a rotor',
  powerW: 'power',
  currentA: 'current',
  speedRpm: 'speed',
  thrustPerPowerNPerW: 'thrust per power',
};
