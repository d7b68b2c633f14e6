import type { CampaignResultsView } from '@zivvo/contract';
import { fromSi, type Unit } from '@zivvo/core';
import type { EChartsCoreOption } from 'echarts/core';
import type { Ink } from '../shared/charts/useInk.ts';
import { propMark } from '../shared/ui/propColour.ts';
import type { ResultRow } from './resultsView.ts';
import { powerAxis, valueAxis } from '../shared/charts/axes.ts';

interface ChartInput {
  results: Pick<CampaignResultsView, 'carryThrustN' | 'escLimitPowerW'>;
  rows: readonly ResultRow[];
  /** Props drawn strong; the others stay in the background. Empty draws all alike. */
  strong: ReadonlySet<string>;
  thrustUnit: Unit;
  ink: Ink;
  /** What the thrust that carries is called: the hover of a craft, the cruise of a plane. */
  carryName: string;
  escLimit: string;
  isNarrow: boolean;
  /** Size of the chart's box [px]. */
  width: number;
  height: number;
}

const TOP = 26;
const BOTTOM = 44;
const LEFT = 58;
/** Room at the right for the names of the lines. */
const NAMES_WIDTH = 176;
const NAME_HEIGHT = 17;

/** Thrust against electrical power: the reference as the ink line, limits as hatched ground, names beside the lines. */
export function thrustPowerChart(input: ChartInput): EChartsCoreOption {
  const { results, rows, strong, thrustUnit, ink, carryName, escLimit, isNarrow } = input;
  const thrust = (n: number): number => fromSi(thrustUnit, n);
  const endX = niceEnd(
    Math.max(...rows.flatMap((r) => r.result.line.map((c) => c.powerW)), (results.escLimitPowerW ?? 0) * 1.06, 1),
  );
  const endY = niceEnd(Math.max(...rows.flatMap((r) => r.result.line.map((c) => thrust(c.thrustN))), 1));
  const names = isNarrow ? new Map<string, number>() : placeNames(input, endY, thrust);
  const series = [...rows]
    .reverse()
    .flatMap((row) =>
      linesOf(
        row,
        strong.size === 0 || strong.has(row.id) || row.isReference,
        names.get(row.id) ?? null,
        input,
        thrust,
      ),
    );
  return {
    animation: false,
    textStyle: { fontFamily: ink.fontText },
    grid: { left: LEFT, right: isNarrow ? 18 : NAMES_WIDTH, top: TOP, bottom: BOTTOM },
    xAxis: powerAxis(endX, ink),
    yAxis: valueAxis(`thrust, ${thrustUnit.symbol}`, 0, endY, ink),
    tooltip: {
      trigger: 'item',
      backgroundColor: ink.sheet,
      borderColor: ink.hairline,
      textStyle: { color: ink.ink, fontFamily: ink.fontText },
      formatter: ({ seriesName, value }: { seriesName: string; value: [number, number] }) =>
        `${seriesName}<br>${Math.round(value[1])} ${thrustUnit.symbol} at ${Math.round(value[0])} W`,
    },
    series: [limitMarks(results, endX, thrust, ink, carryName, escLimit), ...series],
  };
}

function limitMarks(
  results: ChartInput['results'],
  endX: number,
  thrust: (n: number) => number,
  ink: Ink,
  carryName: string,
  escLimit: string,
): object {
  const isBarred = results.escLimitPowerW !== null && results.escLimitPowerW < endX;
  return {
    type: 'line',
    data: [],
    silent: true,
    markLine: {
      symbol: 'none',
      animation: false,
      data: results.carryThrustN === null ? [] : [{ yAxis: thrust(results.carryThrustN) }],
      lineStyle: { color: ink.moss, width: 1.5, type: [2, 4] },
      label: {
        formatter: carryName,
        position: 'insideEndTop',
        color: ink.moss,
        fontFamily: ink.fontText,
        fontSize: 13,
        fontWeight: 600,
        textBorderColor: ink.sheet,
        textBorderWidth: 3,
      },
    },
    markArea: isBarred
      ? {
          animation: false,
          itemStyle: { color: { image: ink.hatch, repeat: 'repeat' } },
          label: {
            show: true,
            position: 'inside',
            color: ink.ink,
            fontFamily: ink.fontText,
            fontWeight: 650,
            fontSize: 13,
            textBorderColor: ink.sheet,
            textBorderWidth: 4,
            distance: 6,
            lineHeight: 17,
          },
          data: [[{ name: `over the ${escLimit}\nESC limit`, xAxis: results.escLimitPowerW }, { xAxis: endX }]],
        }
      : undefined,
  };
}

/** The drawn line with its name at the right, and the measured points on it. */
function linesOf(
  row: ResultRow,
  isStrong: boolean,
  nameY: number | null,
  { ink, width }: ChartInput,
  thrust: (n: number) => number,
): object[] {
  const { colour: own, marker } = propMark(row.seriesIndex, ink.isDark);
  const colour = row.isReference ? ink.ink : own;
  const opacity = isStrong ? 1 : 0.32;
  const nameX = width - NAMES_WIDTH + 26;
  const z = row.isReference ? 5 : isStrong ? 4 : 2;
  return [
    {
      type: 'line',
      name: row.name,
      data: row.result.line.map((c) => [c.powerW, thrust(c.thrustN)]),
      symbol: 'none',
      silent: true,
      z,
      lineStyle: { color: colour, width: row.isReference ? 2.6 : isStrong ? 2 : 1.2, opacity },
      endLabel: {
        show: nameY !== null,
        formatter: row.name,
        color: colour,
        fontFamily: ink.fontText,
        fontSize: 13,
        fontWeight: row.isReference || isStrong ? 650 : 400,
      },
      labelLine: { show: true, lineStyle: { color: colour, width: 1, opacity: 0.45 } },
      labelLayout: nameY === null ? undefined : () => ({ x: nameX, y: nameY, align: 'left', verticalAlign: 'middle' }),
    },
    {
      type: 'line',
      name: row.name,
      data: row.result.curve.filter((c) => c.powerW !== null).map((c) => [c.powerW!, thrust(c.thrustN)]),
      symbol: marker,
      symbolSize: isStrong ? 8 : 6,
      z: z + 1,
      lineStyle: { opacity: 0 },
      itemStyle: { color: colour, opacity },
      emphasis: { scale: 1.4 },
    },
  ];
}

/** Heights of the names at the right: each beside the end of its line, moved apart where they would touch. */
function placeNames({ rows, height }: ChartInput, endY: number, thrust: (n: number) => number): Map<string, number> {
  const plot = height - TOP - BOTTOM;
  const wanted = rows
    .flatMap((r) => {
      const end = r.result.line.at(-1);
      return end ? [{ id: r.id, y: TOP + plot * (1 - thrust(end.thrustN) / endY) }] : [];
    })
    .sort((a, b) => a.y - b.y);
  const total = wanted.length * NAME_HEIGHT;
  const centre = wanted.reduce((sum, w) => sum + w.y, 0) / Math.max(1, wanted.length);
  let y = Math.max(TOP, Math.min(centre - total / 2, height - BOTTOM - total));
  return new Map(
    wanted.map((w) => {
      y = Math.max(y, Math.min(w.y - NAME_HEIGHT / 2, height - BOTTOM));
      const at = y + NAME_HEIGHT / 2;
      y += NAME_HEIGHT;
      return [w.id, at];
    }),
  );
}

/** End of an axis at or above a value, a whole number of round steps from zero, four to six of them. */
export function niceEnd(value: number): number {
  const rough = value / 5;
  const size = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 2.5, 5, 10].find((m) => m * size >= rough * (1 - 1e-9)) ?? 10) * size;
  return Math.ceil(value / step - 1e-9) * step;
}
