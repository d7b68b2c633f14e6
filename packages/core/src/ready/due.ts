import { severities, type Reason, type ReasonCode } from '../figure/reason.ts';

/** Codes of what Today says beside the codes of the stations, each with the names of its values. */
export interface TodayReasons {
  'due.buy': 'name' | 'count' | 'craft' | 'hands';
  'due.checkIn': 'name' | 'count' | 'supplier';
  'due.evening': 'name' | 'done' | 'of';
  'due.ticket': 'complaint' | 'days';
  'due.judge': 'count';
}

declare module '../figure/reason.ts' {
  interface Reasons extends TodayReasons {}
}

/** Something that waits for somebody, and where it is done. */
export interface DueItem {
  reason: Reason;
  /** Address of its page. */
  path: string;
  craftId: string | null;
}

/** A piece of work for the bench: it needs no field and no weather. */
export interface BenchJob extends DueItem {
  minutes: number;
}

/** Minutes that a piece of work at the bench usually takes; what is not here is no work for the bench. */
const BENCH_MINUTES: Readonly<Partial<Record<ReasonCode, number>>> = {
  'due.checkIn': 15,
  'dueCheck.thrustN': 10,
  'dueCheck.speedRpm': 10,
  'dueCheck.currentA': 10,
  'dueCheck.voltageV': 10,
  'due.evening': 45,
  'due.ticket': 30,
  'care.untrued': 20,
  'care.feelMotor': 5,
  'care.open.clean': 10,
  'care.open.retire': 10,
  'care.open.retirePair': 10,
  'care.open.retireSet': 15,
  'care.grounded': 15,
  'care.spentHours': 10,
  'care.spentFatigue': 10,
};

/** The gravest first; what is alike keeps its order. */
export function byUrgency<T extends DueItem>(items: readonly T[]): T[] {
  return [...items].sort((a, b) => severities.indexOf(a.reason.severity) - severities.indexOf(b.reason.severity));
}

/** What of it can be done at the bench, with the minutes that it usually takes. */
export function benchJobs(items: readonly DueItem[]): BenchJob[] {
  return items.flatMap((item) => {
    const minutes = BENCH_MINUTES[item.reason.code];
    return minutes === undefined ? [] : [{ ...item, minutes }];
  });
}

/**
 * Jobs that fit the minutes at hand, the gravest first; a long one that does not fit lets shorter ones behind it in.
 *
 * @param minutes - at hand, from 0
 */
export function jobsFor(jobs: readonly BenchJob[], minutes: number): BenchJob[] {
  let left = minutes;
  return byUrgency(jobs).filter((job) => {
    if (job.minutes > left) return false;
    left -= job.minutes;
    return true;
  });
}
