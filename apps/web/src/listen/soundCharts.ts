import type { ListeningView, TakeView } from '@zivvo/contract';
import type { BladeComb, HeardBand, SpeedAt, SpinDown } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import type { EChartsCoreOption } from 'echarts/core';
import type { Ink } from '../shared/charts/useInk.ts';
import { nameOfKey } from './listenView.ts';

/** Lines of a comb that are marked: further up they stand too close to be read, on a telephone sooner. */
const MARKED_LINES = 6;
const MARKED_LINES_NARROW = 3;

const axisText = (ink: Ink) => ({ color: ink.muted, fontFamily: ink.fontText, fontSize: 12.5 });

/**
 * A spectrum with the passes of the blades marked on it.
 *
 * @param chainOffsetDb - what its levels lack; null where nobody knows
 */
export function spectrumOption(
  bands: readonly HeardBand[],
  lines: readonly { order: number; frequencyHz: number }[],
  chainOffsetDb: number | null,
  ink: Ink,
  isNarrow: boolean,
): EChartsCoreOption {
  const unit = chainOffsetDb === null ? 'dB, relative' : 'dB';
  const levels = bands.map((b) => b.levelDb + (chainOffsetDb ?? 0));
  return {
    animation: false,
    grid: { left: 46, right: 14, top: 30, bottom: 34 },
    xAxis: {
      type: 'log',
      min: 40,
      max: Math.max(2000, bands.at(-1)?.centreHz ?? 2000),
      name: 'Hz',
      nameLocation: 'end',
      nameGap: -14,
      nameTextStyle: { ...axisText(ink), verticalAlign: 'top', padding: [22, 0, 0, 0] },
      axisLabel: { ...axisText(ink), formatter: (hz: number) => (hz >= 1000 ? `${hz / 1000}k` : String(hz)) },
      axisLine: { lineStyle: { color: ink.hairline } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: Math.floor((Math.max(...levels) - 55) / 5) * 5,
      name: unit,
      nameTextStyle: { ...axisText(ink), align: 'left' },
      axisLabel: axisText(ink),
      splitLine: { lineStyle: { color: ink.hairline } },
    },
    tooltip: {
      trigger: 'axis',
      valueFormatter: (value: number) => `${formatNumber(value, 1)} ${unit}`,
      backgroundColor: ink.sheet,
      borderColor: ink.hairline,
      textStyle: { color: ink.ink, fontFamily: ink.fontText },
    },
    series: [
      {
        type: 'line',
        data: bands.map((b, i) => [b.centreHz, levels[i]]),
        showSymbol: false,
        lineStyle: { color: ink.ink, width: 1.4 },
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink.fjord, width: 1, type: 'solid' },
          label: { color: ink.fjord, fontFamily: ink.fontText, fontSize: 12, distance: 4 },
          data: lines
            .filter((l) => l.order <= (isNarrow ? MARKED_LINES_NARROW : MARKED_LINES))
            .map((l) => ({ xAxis: l.frequencyHz, label: { formatter: l.order === 1 ? 'pass' : `×${l.order}` } })),
        },
      },
    ],
  };
}

/**
 * Levels over thrust: takes as points, the line through them of each prop, the reference in ink. Where it is narrow
 * the names stand below, with colour and mark.
 */
export function levelOption(
  listening: ListeningView,
  referenceKey: string | null,
  colourOf: (soundKey: string) => { colour: string; marker: string },
  thrust: { fromSi: (thrustN: number) => number; symbol: string },
  ink: Ink,
  isNarrow: boolean,
): EChartsCoreOption {
  const counting = listening.takes.filter((t) => t.heard?.fault === null && t.thrustN !== null);
  const thrusts = counting.map((t) => t.thrustN!);
  const [low, high] = [Math.min(...thrusts) * 0.92, Math.max(...thrusts) * 1.08];
  const { ranking, thrustN } = listening;
  const series = (ranking?.sounds ?? []).flatMap(({ soundKey, levelDb }) => {
    const isReference = soundKey === referenceKey;
    const { colour, marker } = isReference ? { colour: ink.ink, marker: 'diamond' } : colourOf(soundKey);
    const lineAt = (t: number): [number, number] => [
      thrust.fromSi(t),
      levelDb + ranking!.slopeDb * Math.log10(t / thrustN!),
    ];
    const name = nameOfKey(listening, soundKey);
    return [
      {
        name,
        type: 'line',
        data: [lineAt(low), lineAt(high)],
        showSymbol: false,
        symbol: marker,
        itemStyle: { color: colour },
        lineStyle: { color: colour, width: isReference ? 2 : 1.4 },
        endLabel: { show: !isNarrow, formatter: name, color: colour, fontFamily: ink.fontText, fontSize: 12.5 },
        labelLayout: { moveOverlap: 'shiftY' },
      },
      {
        name: isNarrow ? name : `${name}, takes`,
        type: 'line',
        data: counting.filter((t) => t.soundKey === soundKey).map((t) => [thrust.fromSi(t.thrustN!), t.heard!.levelDb]),
        showSymbol: true,
        symbol: marker,
        symbolSize: 9,
        lineStyle: { width: 0 },
        itemStyle: { color: colour },
      },
    ];
  });
  return {
    animation: false,
    grid: { left: 46, right: isNarrow ? 14 : 170, top: 26, bottom: isNarrow ? 84 : 40 },
    legend: { show: isNarrow, bottom: 0, left: 0, itemWidth: 18, selectedMode: false, textStyle: axisText(ink) },
    xAxis: {
      type: 'value',
      scale: true,
      name: `thrust, ${thrust.symbol}`,
      nameLocation: 'middle',
      nameGap: 26,
      nameTextStyle: axisText(ink),
      axisLabel: { ...axisText(ink), hideOverlap: true },
      axisLine: { lineStyle: { color: ink.hairline } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      name: 'dB',
      nameTextStyle: { ...axisText(ink), align: 'left' },
      axisLabel: axisText(ink),
      splitLine: { lineStyle: { color: ink.hairline } },
    },
    series,
  };
}

/** Lines of a take's comb, or those of one that was just found. */
export const linesOf = (take: TakeView): { order: number; frequencyHz: number }[] => take.sound?.lines ?? [];

export const combLines = (comb: BladeComb | undefined): { order: number; frequencyHz: number }[] =>
  comb?.lines.map(({ order, frequencyHz }) => ({ order, frequencyHz })) ?? [];

/** Speed over time, with the cut where one was heard. */
export function speedOption(track: readonly SpeedAt[], spinDown: SpinDown | null, ink: Ink): EChartsCoreOption {
  return {
    animation: false,
    grid: { left: 62, right: 16, top: 26, bottom: 40 },
    xAxis: {
      type: 'value',
      name: 's',
      nameTextStyle: axisText(ink),
      axisLabel: axisText(ink),
      axisLine: { lineStyle: { color: ink.hairline } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: 'rpm',
      nameTextStyle: { ...axisText(ink), align: 'left' },
      axisLabel: axisText(ink),
      splitLine: { lineStyle: { color: ink.hairline } },
    },
    series: [
      {
        type: 'line',
        data: track.map((s) => [s.timeS, s.rpm]),
        showSymbol: false,
        lineStyle: { color: ink.ink, width: 1.6 },
        markLine: {
          symbol: 'none',
          silent: true,
          lineStyle: { color: ink.fjord, type: 'solid' },
          label: { color: ink.fjord, fontFamily: ink.fontText, fontSize: 12 },
          data: spinDown
            ? [
                { xAxis: spinDown.cutS, label: { formatter: 'cut' } },
                { xAxis: spinDown.cutS + spinDown.toHalfS, label: { formatter: 'half' } },
              ]
            : [],
        },
      },
    ],
  };
}
