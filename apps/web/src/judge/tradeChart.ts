import { Z_95, type WishName } from '@zivvo/core';
import { wishHeads } from '@zivvo/words';
import type { EChartsCoreOption } from 'echarts/core';
import { axisText } from '../shared/charts/axes.ts';
import type { Ink } from '../shared/charts/useInk.ts';
import { propMark } from '../shared/ui/propColour.ts';
import type { JudgeRow } from './judgeView.ts';

interface TradeInput {
  rows: readonly JudgeRow[];
  seriesOf: (id: string) => number;
  across: WishName;
  up: WishName;
  ink: Ink;
  /** Of the chart's box [px]. */
  width: number;
}

/** One prop by two wishes, as gains: right and up is better whatever the figures are. */
interface TradePoint {
  row: JudgeRow;
  x: number;
  y: number;
  xHalf: number;
  yHalf: number;
}

interface Span {
  from: number;
  to: number;
}

export const TRADE_HEIGHT = 330;
const LETTER_PX = 7;
const LABEL_PX = 18;
const SIDES = ['right', 'left', 'top', 'bottom'] as const;
type Side = (typeof SIDES)[number];

/** From where to where an axis goes, the reference and a little room among it. */
function spanOf(ends: readonly (readonly [middle: number, half: number])[]): Span {
  const from = Math.min(-0.02, ...ends.map(([m, h]) => m - h));
  const to = Math.max(0.02, ...ends.map(([m, h]) => m + h));
  const room = 0.08 * (to - from);
  return { from: from - room, to: to + room };
}

/** On which side of its point each name stands so that it hides as little as can be of the others. */
export function labelSides(points: readonly TradePoint[], across: Span, up: Span, width: number): Map<string, Side> {
  const px = points.map(({ row, x, y }) => ({
    id: row.id,
    x: ((x - across.from) / (across.to - across.from)) * width,
    y: (1 - (y - up.from) / (up.to - up.from)) * TRADE_HEIGHT,
    width: row.name.length * LETTER_PX,
  }));
  const boxOf = ({ x, y, width: w }: (typeof px)[number], side: Side) => {
    const left = side === 'right' ? x + 9 : side === 'left' ? x - 9 - w : x - w / 2;
    const middle = side === 'top' ? y - 17 : side === 'bottom' ? y + 17 : y;
    return { left, right: left + w, top: middle - LABEL_PX / 2, bottom: middle + LABEL_PX / 2 };
  };
  const taken = px.map(({ x, y }) => ({ left: x - 8, right: x + 8, top: y - 8, bottom: y + 8 }));
  const sides = new Map<string, Side>();
  for (const point of px) {
    const costOf = (side: Side): number => {
      const box = boxOf(point, side);
      const beyond = Math.max(0, -box.left) + Math.max(0, box.right - width);
      return (
        beyond * LABEL_PX +
        taken.reduce(
          (sum, t) =>
            sum +
            Math.max(0, Math.min(t.right, box.right) - Math.max(t.left, box.left)) *
              Math.max(0, Math.min(t.bottom, box.bottom) - Math.max(t.top, box.top)),
          0,
        )
      );
    };
    const best = SIDES.reduce((a, b) => (costOf(b) < costOf(a) - 1 ? b : a));
    sides.set(point.id, best);
    taken.push(boxOf(point, best));
  }
  return sides;
}

export function tradePoints(rows: readonly JudgeRow[], across: WishName, up: WishName): TradePoint[] {
  return rows.flatMap((row) => {
    const [x, y] = [row.contender.row[across], row.contender.row[up]];
    return x && y ? [{ row, x: x.gain, y: y.gain, xHalf: Z_95 * x.deviation, yHalf: Z_95 * y.deviation }] : [];
  });
}

/** Two wishes against each other with their spread; who stands left and below another is worth it to nobody. */
export function tradeChart({ rows, seriesOf, across, up, ink, width }: TradeInput): EChartsCoreOption {
  const points = tradePoints(rows, across, up);
  const [acrossSpan, upSpan] = [spanOf(points.map((p) => [p.x, p.xHalf])), spanOf(points.map((p) => [p.y, p.yHalf]))];
  const sides = labelSides(points, acrossSpan, upSpan, width);
  const axis = (name: string, { from, to }: Span) => ({
    type: 'value',
    min: from,
    max: to,
    name,
    nameTextStyle: axisText(ink),
    axisLabel: { show: false },
    axisTick: { show: false },
    axisLine: { onZero: true, lineStyle: { color: ink.hairline } },
    splitLine: { show: false },
  });
  return {
    animation: false,
    textStyle: { fontFamily: ink.fontText },
    grid: { left: 18, right: 18, top: 30, bottom: 30 },
    xAxis: { ...axis(`better: ${wishHeads[across].toLowerCase()} →`, acrossSpan), nameLocation: 'middle', nameGap: 8 },
    yAxis: {
      ...axis(`better: ${wishHeads[up].toLowerCase()} ↑`, upSpan),
      nameLocation: 'end',
      nameTextStyle: { ...axisText(ink), align: 'left', padding: [0, 0, 0, -14] },
      axisLine: { onZero: true, lineStyle: { color: ink.hairline } },
    },
    series: points.flatMap(({ row, x, y, xHalf, yHalf }) => {
      const { colour, marker } = propMark(seriesOf(row.id), ink.isDark);
      const own = row.isReference ? ink.ink : colour;
      const whisker = (data: number[][]) => ({
        type: 'line',
        data,
        symbol: 'none',
        silent: true,
        lineStyle: { color: own, width: 1.2, opacity: 0.55 },
      });
      return [
        whisker([
          [x - xHalf, y],
          [x + xHalf, y],
        ]),
        whisker([
          [x, y - yHalf],
          [x, y + yHalf],
        ]),
        {
          type: 'line',
          name: row.name,
          data: [[x, y]],
          symbol: marker,
          symbolSize: 12,
          silent: true,
          itemStyle: { color: row.standing ? own : ink.sheet, borderColor: own, borderWidth: 1.5 },
          label: {
            show: true,
            formatter: row.name,
            position: sides.get(row.id),
            distance: 8,
            color: own,
            fontFamily: ink.fontText,
            fontSize: 12.5,
          },
        },
      ];
    }),
  };
}

/** The same in words, for those who do not see the chart. */
export function tradeSentence(rows: readonly JudgeRow[], across: WishName, up: WishName): string {
  const points = tradePoints(rows, across, up);
  const frontier = points.filter((p) => !points.some((o) => o !== p && o.x >= p.x && o.y >= p.y));
  return (
    `${wishHeads[across]} against ${wishHeads[up].toLowerCase()}: ${points.length} props; nobody is better in ` +
    `both than ${frontier.map((p) => p.row.name).join(', ')}.`
  );
}
