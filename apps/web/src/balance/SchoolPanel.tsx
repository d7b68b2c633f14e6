import type { CorrectionDto, PropModelView, BalanceJobView } from '@zivvo/contract';
import { correctionAdvice, type School } from '@zivvo/core';
import { correctionNames, correctionSentence, schoolWords } from '@zivvo/words';
import { useState } from 'react';
import { Action } from '../shared/ui/Action.tsx';
import { SeverityMark } from '../shared/ui/ReasonList.tsx';
import classes from './BalanceJobPage.module.css';
import type { JobChange } from './balanceView.ts';

interface SchoolPanelProps {
  school: School;
  job: BalanceJobView;
  model: PropModelView;
  isUnsound: boolean;
  onSet: (change: JobChange) => void;
}

/**
 * A way of correcting that changes the piece for good: what to mark, how much to take or put, and what it makes void.
 */
export function SchoolPanel({ school, job, model, isUnsound, onSet }: SchoolPanelProps) {
  const [isMadeForIt, setMadeForIt] = useState(false);
  const advice = correctionAdvice(school, model.material, isUnsound, isMadeForIt);
  const plan = job.result?.schools.find((s) => s.school === school);
  const blade = job.result?.places.find((p) => p.kind === 'blade');
  const words = plan && blade && schoolWords(plan, model.bladeCount, blade, model.material);
  const isDone = job.result?.verdict === 'trued';
  const onDone = (): void => {
    onSet(({ observations, swings, bladeMomentsKgM, corrections }) => {
      const step: CorrectionDto = {
        school,
        place: plan?.steps[0]?.place ?? 0,
        observationCount: observations.length,
        swingCount: swings.length,
        isWeighed: bladeMomentsKgM.length > 0,
      };
      return { corrections: [...corrections, step], heavyDegrees: null };
    });
  };
  return (
    <section className={classes.tape} aria-label={correctionNames[school]}>
      <h2>{correctionNames[school]}</h2>
      {school === 'drill' && (
        <label className={classes.check}>
          <input type="checkbox" checked={isMadeForIt} onChange={(e) => setMadeForIt(e.currentTarget.checked)} /> Its
          maker made this hub to be drilled, and says where.
        </label>
      )}
      {!advice.isAllowed ? (
        <p className={classes.refused}>
          <SeverityMark severity="danger" />{' '}
          <span>{`${correctionNames[school]}: ${correctionSentence(advice, model.material)}`}</span>
        </p>
      ) : isDone ? (
        <p>It is true: nothing more to take off or put on.</p>
      ) : !words ? (
        <p>First find the heavy side: let it go and look, or weigh its blades. How much, and where, follows.</p>
      ) : (
        <>
          <ol className={classes.schoolSteps}>
            {words.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          {words.done !== null && (
            <>
              <Action onClick={onDone}>{words.done}</Action>
              <p className="muted">What was seen, timed and weighed before counts no more; u takes it back.</p>
            </>
          )}
        </>
      )}
    </section>
  );
}
