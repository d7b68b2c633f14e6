import type { LiveView } from '@zivvo/contract';
import {
  fromSi,
  type LiveChannel,
  type LiveCut,
  type LivePhase,
  type LivePoint,
  type LimitedChannel,
  type PlainCutReason,
  type ThrustComparison,
  type Unit,
} from '@zivvo/core';
import type { EChartsCoreOption } from 'echarts/core';
import type { Ink } from '../../shared/charts/useInk.ts';
import { niceEnd } from '../thrustPowerChart.ts';
import { powerAxis, valueAxis } from '../../shared/charts/axes.ts';

/** State words, as they are read from three metres. */
export const phaseWords: Record<LivePhase, string> = {
  idle: 'waiting',
  connected: 'reading',
  tared: 'tared',
  armed: 'armed',
  running: 'turning',
  held: 'held',
  stopped: 'over',
};

/** Words of the rim that the view model is given: numbers in the reader's units. */
export interface LiveWords {
  share: (ratio: number) => string;
  quantity: (channel: LiveChannel | LimitedChannel, value: number) => string;
}

/** What the run says right now. */
export function liveHeadline(
  view: LiveView,
  comparison: ThrustComparison | null,
  referenceName: string | null,
  words: LiveWords,
): string {
  if (view.fault === 'writeFailed') return 'The disk does not take what was read: nothing turns';
  if (!view.isOpen && view.phase === 'held' && view.cut?.reason !== 'deviceLost')
    return 'Held: the run stands as it was, its points are kept';
  if (view.cut) return cutSentence(view.cut, words);
  if (view.phase === 'idle' || view.phase === 'connected') return 'Tare the scale with nothing turning';
  if (view.phase === 'tared') return 'Ready to arm';
  if (comparison && referenceName) {
    const more = comparison.ratio >= 1 ? 'more' : 'less';
    if (Math.abs(comparison.ratio - 1) < 0.005) return `The same thrust as ${referenceName} for the same power, so far`;
    return (
      `${words.share(Math.abs(comparison.ratio - 1))} ${more} thrust than ${referenceName} for the same power, ` +
      'so far'
    );
  }
  if (view.phase === 'armed') return 'Armed, nothing turns yet';
  if (view.phase === 'running') return `Turning at ${words.share(view.throttleRatio)} throttle`;
  return view.points.length === 0
    ? 'Held: nothing kept yet'
    : `Held: ${view.points.length} ${view.points.length === 1 ? 'point' : 'points'} kept`;
}

/** Whether a driven stand was told to hold nothing and says that it holds something. */
export const isHolding = ({ isOpen, deviceKind, phase, throttleRatio, isZeroHeld }: LiveView): boolean =>
  isOpen && deviceKind === 'driven' && throttleRatio === 0 && phase !== 'running' && isZeroHeld === false;

/** Why the throttle went to zero. */
export function cutSentence(cut: LiveCut, words: LiveWords): string {
  if (cut.reason === 'limit')
    return `Cut at ${words.quantity(cut.channel, cut.value)}: the limit is ${words.quantity(cut.channel, cut.limit)}`;
  if (cut.reason === 'trend')
    return (
      `Cut: ${cut.channel === 'thrustN' ? 'thrust fell' : 'shake rose'} from ` +
      `${words.quantity(cut.channel, cut.from)} to ${words.quantity(cut.channel, cut.value)} at steady throttle`
    );
  const reasons: Record<PlainCutReason, string> = {
    pilot: 'Cut by hand: nothing turns',
    watcher: 'Cut by somebody who watches',
    deadMan: 'Cut: this page was not heard for two seconds',
    pilotLeft: 'Cut: the page that flew it went away',
    deviceSilent: 'Cut: the device stopped answering',
    deviceLost: 'Held: the device is lost. It zeroes itself; if it does not, use your switch',
    writeFailed: 'Cut: what was read could not be written',
    restart: 'Held: Zivvo was started again',
  };
  return reasons[cut.reason];
}

/** How far a reading is along its bar, the limit standing at nine tenths; a pack counts down from full. */
export function barShare(channel: LimitedChannel, value: number, limit: number, fullV: number): number {
  const share = channel === 'voltageV' ? (fullV - value) / Math.max(0.1, fullV - limit) : value / limit;
  return Math.max(0, Math.min(1, 0.9 * share));
}

interface LiveChartInput {
  points: readonly LivePoint[];
  now: { powerW: number; thrustN: number } | null;
  reference: { name: string; line: readonly { powerW: number; thrustN: number }[] } | null;
  limitPowerW: number | null;
  limitText: string;
  carryThrustN: number | null;
  carryName: string;
  thrustUnit: Unit;
  ink: Ink;
}

/** Thrust against power while it grows: the reference as the ink line, own points in colour, the reading as a ring. */
export function liveChart({
  points,
  now,
  reference,
  limitPowerW,
  limitText,
  carryThrustN,
  carryName,
  thrustUnit,
  ink,
}: LiveChartInput): EChartsCoreOption {
  const thrust = (n: number): number => fromSi(thrustUnit, n);
  const own = points
    .filter(({ values }) => Number.isFinite(values.powerW))
    .map(({ values }) => [values.powerW, thrust(values.thrustN)] as const)
    .sort((a, b) => a[0] - b[0]);
  const line = reference?.line.map((p) => [p.powerW, thrust(p.thrustN)] as const) ?? [];
  const reached = now && Number.isFinite(now.powerW) ? [[now.powerW, thrust(now.thrustN)] as const] : [];
  const all = [...own, ...line, ...reached];
  const endX = niceEnd(Math.max(100, (limitPowerW ?? 0) * 1.08, ...all.map(([x]) => x)));
  const endY = niceEnd(Math.max(thrust(1), thrust(carryThrustN ?? 0) * 1.3, ...all.map(([, y]) => y)) * 1.02);
  const name = (text: string, colour: string): object => ({
    show: true,
    formatter: text,
    color: colour,
    fontFamily: ink.fontText,
    fontSize: 13,
    fontWeight: 650,
    textBorderColor: ink.sheet,
    textBorderWidth: 3,
  });
  return {
    animation: false,
    textStyle: { fontFamily: ink.fontText },
    grid: { left: 58, right: 24, top: 26, bottom: 44 },
    xAxis: powerAxis(endX, ink),
    yAxis: valueAxis(`thrust, ${thrustUnit.symbol}`, 0, endY, ink),
    series: [
      {
        type: 'line',
        data: [],
        silent: true,
        markLine: {
          symbol: 'none',
          animation: false,
          data: carryThrustN === null ? [] : [{ yAxis: thrust(carryThrustN) }],
          lineStyle: { color: ink.moss, width: 1.5, type: [2, 4] },
          label: { ...name(carryName, ink.moss), position: 'insideStartTop' },
        },
        markArea:
          limitPowerW !== null && limitPowerW < endX
            ? {
                animation: false,
                itemStyle: { color: { image: ink.hatch, repeat: 'repeat' } },
                label: { ...name(limitText, ink.ink), position: 'inside', rotate: 90 },
                data: [[{ xAxis: limitPowerW, name: limitText }, { xAxis: endX }]],
              }
            : undefined,
      },
      {
        type: 'line',
        data: line,
        symbol: 'none',
        silent: true,
        lineStyle: { color: ink.ink, width: 2.6 },
        endLabel: reference
          ? { ...name(reference.name, ink.ink), align: 'right', verticalAlign: 'top', offset: [-26, 12] }
          : { show: false },
      },
      {
        type: 'line',
        data: own,
        symbol: 'circle',
        symbolSize: 11,
        silent: true,
        lineStyle: { color: ink.fjord, width: 2.2 },
        itemStyle: { color: ink.fjord },
      },
      {
        type: 'line',
        data: reached,
        symbol: 'circle',
        symbolSize: 18,
        silent: true,
        itemStyle: { color: 'transparent', borderColor: ink.ochre, borderWidth: 3 },
      },
    ],
  };
}
