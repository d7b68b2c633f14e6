import type { Working } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import type { EveningEstimate } from './eveningPlan.ts';
import { throttleProgram, type StandProtocol } from './protocol.ts';

/** The working of how long an evening takes, by its name. */
export const EVENING_FIGURE = 'durationS';

/**
 * Shows how long a planned evening takes: each run by the protocol and the change to the next prop.
 *
 *   t = n·(run + change)
 */
export function explainEvening(runCount: number, protocol: StandProtocol, { durationS }: EveningEstimate): Working {
  return workingOf({
    key: EVENING_FIGURE,
    title: 'evening.durationS',
    inputs: [
      workingInput('n', 'runCount', runCount),
      workingInput('p', 'protocolS', throttleProgram(protocol).corners.at(-1)!.atS, 'time'),
      workingInput('c', 'changeS', protocol.changeS, 'time', 'estimated'),
    ],
    lines: [workingLine('t', 'n * (p + c)', durationS, 'time')],
    mark: 'estimated',
    source: 'eveningLength',
  });
}
