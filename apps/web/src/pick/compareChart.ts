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

const DIMENSIONS: Record<CompareX | CompareY, Dimension> = { throttleRatio: 'ratio', thrustN: 'force', powerW: 'power', currentA: 'current', speedRpm: 'rotation', thrustPerPowerNPerW: 'thrustPerPower' };

/** What can be drawn over a quantity. */
export function compareYs(over: CompareX): CompareY[] {
  return over === 'thrustN' ? ['powerW', 'thrustPerPowerNPerW', 'currentA', 'speedRpm'] : ['thrustN', 'powerW', 'currentA', 'speedRpm', 'thrustPerPowerNPerW'];
}

/** Colours of props before they come round again. */
const COLOURS = 12;

interface CompareChart {
  props: readonly PickProp[];
  curves: Readonly<Record<string, CurvePoint[]>>;
  referenceId: string | null;
  over: CompareX;
  y: CompareY;
  ink: Ink;
  format: Format;
}

/** Points of a curve in the reader's units. */
export function curvePoints(points: readonly CurvePoint[], over: CompareX, y: CompareY, choices: Format['choices']): [number, number][] {
  const unitX = unitFor(DIMENSIONS[over], choices);
  const unitY = unitFor(DIMENSIONS[y], choices);
  return points.map((p) => [fromSi(unitX, p[over]), fromSi(unitY, y === 'thrustPerPowerNPerW' ? p.thrustN / p.powerW : p[y])]);
}

/** Lines of each prop with its name at the end; the present prop in ink. */
export function compareChart({ props, curves, referenceId, over, y, ink, format }: CompareChart): EChartsOption {
  const unit = (name: CompareX | CompareY): string => (findUnit(DIMENSIONS[name], unitFor(DIMENSIONS[name], format.choices).symbol) ?? { symbol: '' }).symbol;
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
  return {
    animation: false,
    grid: { left: 62, right: 130, top: 16, bottom: 46 },
    tooltip: { trigger: 'axis', backgroundColor: ink.sheet, borderColor: ink.hairline, textStyle: { color: ink.ink, fontFamily: ink.fontText }, valueFormatter: (value) => (typeof value === 'number' ? value.toPrecision(3) : String(value)) },
    xAxis: { ...axis(over, WORDS[over]), nameGap: 28 },
    yAxis: { ...axis(y, WORDS[y]), nameGap: 46 },
    series: props.map((prop, i) => {
      const isReference = prop.id === referenceId;
      const { colour } = propMark(prop.model?.seriesIndex ?? free[i]!, ink.isDark);
      const drawn = isReference ? ink.ink : colour;
      return {
        type: 'line',
        name: prop.name,
        data: curvePoints(curves[prop.id] ?? [], over, y, format.choices),
        showSymbol: false,
        lineStyle: { color: drawn, width: isReference ? 2.6 : 2 },
        itemStyle: { color: drawn },
        endLabel: { show: true, formatter: prop.name, color: drawn, fontFamily: ink.fontText, fontSize: 13, lineHeight: 20, textBorderColor: ink.sheet, textBorderWidth: 3 },
        labelLayout: { moveOverlap: 'shiftY' },
      };
    }),
  };
}

const WORDS: Record<CompareX | CompareY, string> = { throttleRatio: 'throttle', thrustN: 'thrust of a rotor', powerW: 'power', currentA: 'current', speedRpm: 'speed', thrustPerPowerNPerW: 'thrust per power' };
