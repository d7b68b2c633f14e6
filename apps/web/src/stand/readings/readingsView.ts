import { fromSi, type LimitedChannel, type LiveLimits, type RecordingTrack, type Unit } from '@zivvo/core';
import { quantityNames, unitFor, type UnitChoices } from '@zivvo/words';
import type { EChartsCoreOption } from 'echarts/core';
import type { Stretch } from '../../shared/api/recordingApi.ts';
import type { Ink } from '../../shared/charts/useInk.ts';

/** The part of a recording that is looked at [s]. */
export interface Span {
  fromS: number;
  toS: number;
}

/** No closer than a tenth of a second: ten samples of a stand. */
const LEAST_SPAN_S = 0.1;

/** A span made longer or shorter around its middle, or around a time, inside the whole. */
export function zoomed({ fromS, toS }: Span, factor: number, whole: Span, aroundS = (fromS + toS) / 2): Span {
  const lengthS = Math.min(whole.toS - whole.fromS, Math.max(LEAST_SPAN_S, (toS - fromS) * factor));
  const share = toS > fromS ? (aroundS - fromS) / (toS - fromS) : 0.5;
  return inside({ fromS: aroundS - share * lengthS, toS: aroundS + (1 - share) * lengthS }, whole);
}

/** A span moved by a share of its own length, no further than the ends of the whole. */
export function moved({ fromS, toS }: Span, share: number, whole: Span): Span {
  const byS = share * (toS - fromS);
  return inside({ fromS: fromS + byS, toS: toS + byS }, whole);
}

function inside({ fromS, toS }: Span, whole: Span): Span {
  const overS = Math.max(0, whole.fromS - fromS) - Math.max(0, toS - whole.toS);
  return { fromS: Math.max(whole.fromS, fromS + overS), toS: Math.min(whole.toS, toS + overS) };
}

/** Which part to open with: all, or the last time that it went on where the gaps are longer than what was read. */
export function firstSpan(segments: readonly { startS: number; endS: number }[]): Span {
  const last = segments.at(-1);
  if (!last) return { fromS: 0, toS: 0 };
  const readS = segments.reduce((sum, s) => sum + s.endS - s.startS, 0);
  return readS > 0.5 * last.endS ? { fromS: 0, toS: last.endS } : { fromS: last.startS, toS: last.endS };
}

/** Seconds as a clock: 4:07, with tenths or hundredths where the span asks for them. */
export function clockText(timeS: number, spanS: number): string {
  const digits = spanS > 15 ? 0 : spanS > 3 ? 1 : 2;
  const roundedS = Number(timeS.toFixed(digits));
  const hours = Math.floor(roundedS / 3600);
  const minutes = Math.floor(roundedS / 60) % 60;
  const seconds = (roundedS % 60).toFixed(digits).padStart(digits === 0 ? 2 : 3 + digits, '0');
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${seconds}` : `${minutes}:${seconds}`;
}

/** The limited channel that came closest to its limit, or went furthest over it. */
export interface Closest {
  channel: LimitedChannel;
  value: number;
  limit: number;
  isOver: boolean;
}

export function closestToLimit(
  track: RecordingTrack,
  stretches: readonly Stretch[],
  limits: LiveLimits,
): Closest | null {
  let closest: (Closest & { share: number }) | null = null;
  for (const channel of Object.keys(limits) as LimitedChannel[]) {
    const limit = limits[channel];
    const place = track.channels.findIndex((c) => c.name === channel);
    if (limit === null || place < 0) continue;
    const isFloor = channel === 'voltageV';
    const value = extreme(
      stretches.map((s) => (isFloor ? s.least : s.most)[place]!),
      isFloor,
    );
    if (value === null) continue;
    const share = isFloor ? limit / value : value / limit;
    if (closest === null || share > closest.share) closest = { channel, value, limit, isOver: share > 1, share };
  }
  return closest && { channel: closest.channel, value: closest.value, limit: closest.limit, isOver: closest.isOver };
}

function extreme(lists: readonly Float32Array[], isLeast: boolean): number | null {
  let found = NaN;
  for (const list of lists)
    for (const value of list) if (Number.isNaN(found) || (isLeast ? value < found : value > found)) found = value;
  return Number.isNaN(found) ? null : found;
}

interface ChartInput {
  track: RecordingTrack;
  stretches: readonly Stretch[];
  span: Span;
  whole: Span;
  limits: LiveLimits | null;
  /** When points were kept [s]. */
  pointsS: readonly number[];
  choices: UnitChoices;
  ink: Ink;
  height: number;
}

const TOP = 8;
const BOTTOM = 26;
const BETWEEN = 10;
const LEFT = 132;

/**
 * One strip a channel over one time axis; a point that stands for many samples is drawn from its least to its greatest.
 */
export function readingsChart({
  track,
  stretches,
  span,
  whole,
  limits,
  pointsS,
  choices,
  ink,
  height,
}: ChartInput): EChartsCoreOption {
  const { channels } = track;
  const stripHeight = (height - TOP - BOTTOM - BETWEEN * (channels.length - 1)) / channels.length;
  const spanS = span.toS - span.fromS;
  const axisText = { color: ink.muted, fontFamily: ink.fontMono, fontSize: 12 };
  const last = channels.length - 1;
  const units = channels.map(({ dimension }) => (dimension === null ? null : unitFor(dimension, choices)));
  return {
    animation: false,
    textStyle: { fontFamily: ink.fontText },
    grid: channels.map((_, i) => ({
      left: LEFT,
      right: 14,
      top: TOP + i * (stripHeight + BETWEEN),
      height: stripHeight,
    })),
    dataZoom: [
      {
        type: 'inside',
        xAxisIndex: [...channels.keys()],
        startValue: span.fromS,
        endValue: span.toS,
        minValueSpan: LEAST_SPAN_S,
        filterMode: 'none',
        throttle: 80,
      },
    ],
    xAxis: channels.map((_, i) => ({
      type: 'value',
      gridIndex: i,
      min: whole.fromS,
      max: whole.toS,
      axisLine: { lineStyle: { color: ink.hairline } },
      axisTick: { show: false },
      splitLine: { show: false },
      axisLabel:
        i === last
          ? { ...axisText, hideOverlap: true, formatter: (value: number) => clockText(value, spanS) }
          : { show: false },
    })),
    yAxis: channels.map((channel, i) => ({
      type: 'value',
      gridIndex: i,
      ...ends(stretches, i, units[i]),
      name: `${nameOf(channel.name)}\n${units[i]?.symbol ?? channel.unit}`,
      nameLocation: 'middle',
      nameRotate: 0,
      nameGap: 94,
      nameTextStyle: {
        color: ink.ink,
        fontFamily: ink.fontText,
        fontSize: 13,
        fontWeight: 600,
        align: 'left',
        lineHeight: 16,
      },
      axisLabel: {
        ...axisText,
        showMinLabel: true,
        showMaxLabel: true,
        formatter: (value: number) => shortNumber(value),
      },
      splitLine: { show: false },
    })),
    series: channels.map((channel, i) => {
      const limit = limits && channel.name in limits ? limits[channel.name as LimitedChannel] : null;
      const points = pointsS.map((timeS) => ({
        xAxis: timeS,
        lineStyle: { color: ink.moss, type: [2, 3] as unknown as string, width: 1.2 },
      }));
      const bound =
        limit === null
          ? []
          : [{ yAxis: shown(units[i], limit), lineStyle: { color: ink.rust, type: 'solid', width: 1.4 } }];
      return {
        type: 'line',
        xAxisIndex: i,
        yAxisIndex: i,
        data: lineOf(stretches, i, units[i] ?? null),
        symbol: 'none',
        silent: true,
        connectNulls: false,
        lineStyle: { color: ink.fjord, width: 1.2 },
        markLine: {
          symbol: 'none',
          animation: false,
          silent: true,
          label: { show: false },
          data: [...points, ...bound],
        },
      };
    }),
  };
}

/** Ends of a strip's axis: the least and the greatest that are in view, and nothing between. */
function ends(
  stretches: readonly Stretch[],
  channel: number,
  unit: Unit | null | undefined,
): { min: number; max: number; interval: number } {
  const least = shown(
    unit,
    extreme(
      stretches.map((s) => s.least[channel]!),
      true,
    ) ?? 0,
  );
  const most = shown(
    unit,
    extreme(
      stretches.map((s) => s.most[channel]!),
      false,
    ) ?? 1,
  );
  const min = Math.min(least, most);
  const max = Math.max(least, most, min + 1e-6 * Math.max(1, Math.abs(min)));
  return { min, max, interval: max - min };
}

/** Least and greatest of every point in turn, with nothing between stretches. */
function lineOf(
  stretches: readonly Stretch[],
  channel: number,
  unit: Unit | null,
): ([number, number] | [number, null])[] {
  return stretches.flatMap(({ timesS, least, most, isRaw }) => {
    const line: ([number, number] | [number, null])[] = [];
    timesS.forEach((timeS, i) => {
      line.push([timeS, shown(unit, least[channel]![i]!)]);
      if (!isRaw) line.push([timeS, shown(unit, most[channel]![i]!)]);
    });
    return [...line, [timesS.at(-1) ?? 0, null]];
  });
}

function shown(unit: Unit | null | undefined, value: number): number {
  return unit ? fromSi(unit, value) : value;
}

function nameOf(name: string): string {
  return name in quantityNames ? quantityNames[name as keyof typeof quantityNames] : name;
}

function shortNumber(value: number): string {
  const size = Math.abs(value);
  return value.toLocaleString('en-GB', { maximumFractionDigits: size >= 100 ? 0 : size >= 1 ? 1 : 3 });
}

/** Samples that each point stands for, at the least. */
export function samplesAPoint(stretches: readonly Stretch[], rateHz: number | null): number {
  const [stretch] = stretches;
  if (!stretch || stretch.isRaw || rateHz === null || stretch.timesS.length < 2) return 1;
  return Math.max(1, Math.round((stretch.timesS[1]! - stretch.timesS[0]!) * rateHz));
}
