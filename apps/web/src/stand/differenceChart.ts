import type { EChartsCoreOption } from 'echarts/core';
import type { Ink } from '../shared/charts/useInk.ts';
import { propMark } from '../shared/ui/propColour.ts';
import type { ResultRow } from './resultsView.ts';
import { niceEnd } from './thrustPowerChart.ts';
import { powerAxis, valueAxis } from '../shared/charts/axes.ts';

interface DifferenceInput {
  rows: readonly ResultRow[];
  strong: ReadonlySet<string>;
  /** Half width of a difference that could be chance, relative; null where nobody knows. */
  halfWidthRatio: number | null;
  ink: Ink;
  isNarrow: boolean;
  /** Of the chart's box [px]. */
  width: number;
}

const NAMES_WIDTH = 176;

type Line = readonly { powerW: number; thrustN: number }[];

/** Thrust of one line over another's at the same power, less one, where both were measured. */
export function differenceLine(own: Line, reference: Line): { powerW: number; ratio: number }[] {
  return own.flatMap(({ powerW, thrustN }) => {
    const at = reference.findIndex((p) => p.powerW >= powerW);
    if (at < 0 || (at === 0 && reference[0]!.powerW > powerW)) return [];
    const [from, to] = [reference[Math.max(0, at - 1)]!, reference[at]!];
    const share = to.powerW === from.powerW ? 0 : (powerW - from.powerW) / (to.powerW - from.powerW);
    const there = from.thrustN + share * (to.thrustN - from.thrustN);
    return there > 0 ? [{ powerW, ratio: thrustN / there - 1 }] : [];
  });
}

/** What each prop pulls more or less than the reference at the same power; inside the band it may be chance. */
export function differenceChart({
  rows,
  strong,
  halfWidthRatio,
  ink,
  isNarrow,
  width,
}: DifferenceInput): EChartsCoreOption {
  const reference = rows.find((r) => r.isReference);
  const lines = rows
    .filter((r) => !r.isReference)
    .map((row) => ({ row, points: differenceLine(row.result.line, reference?.result.line ?? []) }))
    .filter(({ points }) => points.length > 1);
  const most = niceEnd(
    100 * Math.max(0.02, halfWidthRatio ?? 0, ...lines.flatMap((l) => l.points.map((p) => Math.abs(p.ratio)))),
  );
  const endX = niceEnd(Math.max(1, ...rows.flatMap((r) => r.result.line.map((p) => p.powerW))));
  const band = 100 * (halfWidthRatio ?? 0);
  return {
    animation: false,
    textStyle: { fontFamily: ink.fontText },
    grid: { left: 58, right: isNarrow ? 18 : NAMES_WIDTH, top: 26, bottom: 44 },
    xAxis: powerAxis(endX, ink),
    yAxis: valueAxis(`thrust against ${reference?.name ?? 'the reference'}, %`, -most, most, ink),
    series: [
      {
        type: 'line',
        data: [
          [0, 0],
          [endX, 0],
        ],
        symbol: 'none',
        silent: true,
        lineStyle: { color: ink.ink, width: 2.6 },
        markArea: {
          silent: true,
          animation: false,
          itemStyle: { color: ink.muted, opacity: 0.12 },
          data: band === 0 ? [] : [[{ yAxis: -band }, { yAxis: band }]],
        },
      },
      ...lines.map(({ row, points }) => {
        const { colour } = propMark(row.seriesIndex, ink.isDark);
        const isStrong = strong.size === 0 || strong.has(row.id);
        return {
          type: 'line',
          name: row.name,
          data: points.map((p) => [p.powerW, 100 * p.ratio]),
          symbol: 'none',
          silent: true,
          lineStyle: { color: colour, width: isStrong ? 2 : 1.2, opacity: isStrong ? 1 : 0.35 },
          endLabel: {
            show: !isNarrow,
            formatter: row.name,
            color: colour,
            fontFamily: ink.fontText,
            fontSize: 13,
            fontWeight: isStrong ? 650 : 400,
          },
          labelLine: { show: true, lineStyle: { color: colour, width: 1, opacity: 0.45 } },
          labelLayout: { x: width - NAMES_WIDTH + 26, align: 'left', moveOverlap: 'shiftY' },
        };
      }),
    ],
  };
}

/** The difference in one sentence, for those who do not see the chart. */
export function differenceSentence(rows: readonly ResultRow[]): string {
  const reference = rows.find((r) => r.isReference);
  const parts = rows.flatMap((row) => {
    if (row.isReference) return [];
    const points = differenceLine(row.result.line, reference?.result.line ?? []);
    if (points.length === 0) return [];
    const percent = points.map((p) => Math.round(1000 * p.ratio) / 10);
    return [`${row.name} ${Math.min(...percent)} to ${Math.max(...percent)} %`];
  });
  return `Thrust against ${reference?.name ?? 'the reference'} at the same power: ${parts.join(', ')}.`;
}
