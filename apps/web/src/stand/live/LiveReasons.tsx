import { NativeSelect } from '@mantine/core';
import {
  TREND_SHAKE_FACTOR,
  TREND_THRUST_RATIO,
  type LimitedChannel,
  type Severity,
  type SimulatedFault,
} from '@zivvo/core';
import { quantityNames } from '@zivvo/words';
import { SaidList } from '../../shared/ui/ReasonList.tsx';
import classes from './Live.module.css';
import type { LiveWords } from './liveView.ts';
import type { LiveRun } from './useLiveRun.ts';

/** What every stand is cut at where it is read; speed only where its maker gives a limit. */
const WATCHED = ['currentA', 'voltageV', 'temperatureC', 'vibrationMPerS2'] as const satisfies LimitedChannel[];
const FAULTS: { value: SimulatedFault | ''; label: string }[] = [
  { value: '', label: 'nothing' },
  { value: 'scaleStuck', label: 'the scale sticks' },
  { value: 'dropOut', label: 'the device falls silent' },
  { value: 'escDesync', label: 'the ESC loses step' },
  { value: 'nutLoosening', label: 'the nut backs off' },
];

interface LiveReasonsProps {
  view: NonNullable<LiveRun['view']>;
  live: LiveRun;
  words: LiveWords;
  referenceName: string | null;
  isExtended: boolean;
}

/** What to mind, and what is kept. */
export function LiveReasons({ view, live, words, referenceName, isExtended }: LiveReasonsProps) {
  const limits = (Object.entries(view.limits) as [LimitedChannel, number | null][]).filter(
    (entry): entry is [LimitedChannel, number] => entry[1] !== null,
  );
  const unwatched: LimitedChannel[] =
    view.deviceKind === 'driven' ? WATCHED.filter((channel) => view.limits[channel] === null) : [];
  const said: { severity: Severity; text: string; key: string }[] = [
    ...(live.isLost
      ? [
          {
            severity: 'danger' as const,
            key: 'lost',
            text: 'Nothing was heard for three seconds. The device zeroes itself; if it does not, use your switch.',
          },
        ]
      : []),
    ...(view.fault === 'writeFailed'
      ? [
          {
            severity: 'danger' as const,
            key: 'fault',
            text:
              'Nothing is lost yet: what was read waits in the server. Make room on the disk and write it again; ' +
              'or go on without it.',
          },
        ]
      : []),
    ...(view.cut?.reason === 'trend'
      ? [
          {
            severity: 'danger' as const,
            key: 'trend',
            text:
              view.cut.channel === 'thrustN'
                ? 'Thrust went while the throttle stood still: look at nut, hub and blades before it is armed again.'
                : 'Shake grew while the throttle stood still: feel nut, blades, bell and mount before it is ' +
                  'armed again.',
          },
        ]
      : []),
    {
      severity: 'caution',
      key: 'behind',
      text: 'Stand behind the disc, nobody in its plane, eye protection on. Any key that is not listed cuts.',
    },
    ...(referenceName !== null && isExtended
      ? [
          {
            severity: 'note' as const,
            key: 'extended',
            text: `${referenceName} was not measured at this power: its curve is extended.`,
          },
        ]
      : []),
    ...(unwatched.length === 0
      ? []
      : [
          {
            severity: 'caution' as const,
            key: 'unwatched',
            text:
              `${view.deviceName ?? 'The device'} does not read ` +
              `${unwatched.map((c) => quantityNames[c].toLowerCase()).join(', ')}: nothing cuts by itself at ` +
              `${unwatched.length === 1 ? 'it' : 'them'}. Watch with your own eyes.`,
          },
        ]),
    {
      severity: 'note',
      key: 'limits',
      text:
        'Cut by itself at: ' +
        `${limits.map(([channel, limit]) => `${quantityNames[channel].toLowerCase()} ${words.quantity(channel, limit)}`).join(', ')}; ` +
        `at steady throttle, when thrust falls by ${words.share(1 - TREND_THRUST_RATIO)} or shake grows to ` +
        `${TREND_SHAKE_FACTOR} times.`,
    },
  ];
  return (
    <div className={classes.reasons}>
      <SaidList said={said} />
      <h3>Points kept</h3>
      {view.points.length === 0 ? (
        <p className="muted">None yet. A point is the mean of the last second.</p>
      ) : (
        <ol className={classes.points}>
          {view.points.map((point, i) => (
            <li key={i}>
              <span>{words.share(point.values.throttleRatio)}</span>
              <span>{words.quantity('thrustN', point.values.thrustN)}</span>
              <span>{words.quantity('currentA', point.values.currentA)}</span>
            </li>
          ))}
        </ol>
      )}
      {view.isOpen && view.deviceKind === 'simulated' && (
        <NativeSelect
          className={classes.fault}
          size="sm"
          label="Let something go wrong (simulated)"
          disabled={!live.isPilot}
          data={FAULTS}
          onChange={(e) =>
            live.send({
              name: 'fault',
              fault: e.currentTarget.value === '' ? null : (e.currentTarget.value as SimulatedFault),
            })
          }
        />
      )}
    </div>
  );
}
