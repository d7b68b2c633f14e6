import { stopAt, type LineStop } from '../line/lineStop.ts';

export interface ListenStopFacts {
  /** Takes that count on the last listening, and props among them. */
  takeCount: number;
  propCount: number;
  /** The place alone was listened to, and the reference among the props. */
  hasBackground: boolean;
  hasReference: boolean;
}

/** Whether a craft was listened to so that its props can be told apart. */
export function listenStop({ takeCount, propCount, hasBackground, hasReference }: ListenStopFacts): LineStop {
  const stop = stopAt('listen');
  if (takeCount === 0) return stop('empty', 'listen.stop.none');
  return propCount > 1 && hasBackground && hasReference
    ? stop('full', 'listen.stop.heard', { takes: takeCount, props: propCount })
    : stop('half', 'listen.stop.once', { takes: takeCount });
}
