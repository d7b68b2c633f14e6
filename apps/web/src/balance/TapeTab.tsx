import { SegmentedControl } from '@mantine/core';
import type { LevelObservationDto, PropModelView, BalanceJobView } from '@zivvo/contract';
import { correctionKinds, resizedPiece, tapePiece, USUAL_TAPE, type CorrectionKind } from '@zivvo/core';
import { correctionNames, formatNumber, formatUnbalance, placeWords } from '@zivvo/words';
import { Fragment, useEffect, useRef, useState } from 'react';
import { useKeys } from '../shared/keys/keys.ts';
import { Action } from '../shared/ui/Action.tsx';
import { Dial } from './Dial.tsx';
import { downOf, watchS } from './dialView.ts';
import classes from './BalanceJobPage.module.css';
import { SchoolPanel } from './SchoolPanel.tsx';
import { stripWords, type JobChange } from './balanceView.ts';

interface TapeTabProps {
  job: BalanceJobView;
  model: PropModelView;
  isUnsound: boolean;
  onSet: (change: JobChange) => void;
}

/** Let go, look, say what was seen; the next tape follows. */
export function TapeTab({ job, model, isUnsound, onSet }: TapeTabProps) {
  const { result, observations } = job;
  const places = result?.places ?? [];
  const proposed = result?.next ?? observations.at(-1)?.tape ?? places.map(() => 0);
  const [tape, setTape] = useState<readonly number[]>(proposed);
  const [pose, setPose] = useState({ turnDegrees: 0, isBackSeen: false });
  const [strokes, setStrokes] = useState<readonly number[]>([]);
  const [school, setSchool] = useState<CorrectionKind>('tape');
  const proposedKey = JSON.stringify(proposed);
  const seen = useRef(proposedKey);
  useEffect(() => {
    if (seen.current === proposedKey) return;
    seen.current = proposedKey;
    setTape(JSON.parse(proposedKey) as number[]);
    setStrokes([]);
  }, [proposedKey]);
  const fallS = watchS(strokes);
  const resize = (i: number, byMillimetres: number): void => {
    const spot = places[i];
    if (spot)
      setTape(tape.map((t, k) => (k === i ? (resizedPiece(t, byMillimetres, spot, USUAL_TAPE)?.momentKgM ?? 0) : t)));
  };
  const first = Math.max(
    0,
    tape.findIndex((t) => t > 0),
  );
  const say = (kind: LevelObservationDto['kind']): void => {
    const look: LevelObservationDto = {
      tape: [...tape],
      kind,
      downDegrees: kind === 'falls' ? downOf(pose) : null,
      fallS: kind === 'falls' ? fallS : null,
    };
    onSet((newest) => ({ observations: [...newest.observations, look] }));
    setStrokes([]);
  };
  const strike = (): void => setStrokes(strokes.length === 1 ? [...strokes, performance.now()] : [performance.now()]);
  useKeys([
    { key: ' ', what: 'Watch: start when you let go, stop when the heavy side passes the bottom', run: strike },
    { key: '1', what: 'It stays wherever I leave it', run: () => say('stays') },
    { key: '2', what: 'It turned, and hangs like the dial', run: () => say('falls') },
    { key: '+', what: 'A millimetre more tape', run: () => resize(first, 1) },
    { key: '-', what: 'A millimetre less tape', run: () => resize(first, -1) },
  ]);
  return (
    <div className={classes.bench}>
      <section className={classes.sheet}>
        <Dial
          shape={model}
          pose={pose}
          onTurn={(turnDegrees) => setPose({ ...pose, turnDegrees })}
          places={places}
          tape={tape}
          unbalance={result?.tape?.unbalance ?? null}
          targetKgM={result?.targetKgM ?? 1e-7}
          size={380}
        />
        <SegmentedControl
          size="sm"
          value={pose.isBackSeen ? 'back' : 'label'}
          onChange={(v) => setPose({ ...pose, isBackSeen: v === 'back' })}
          data={[
            { value: 'label', label: 'I see the label' },
            { value: 'back', label: 'I see the back' },
          ]}
          aria-label="Which face looks at me"
        />
      </section>
      <section className={classes.steps}>
        <p className={classes.question}>Let go with a blade level. What does it do?</p>
        <button type="button" className={classes.choice} onClick={() => say('stays')}>
          <strong>It stays wherever I leave it</strong>
          <kbd>1</kbd>
        </button>
        <button type="button" className={classes.choice} onClick={() => say('falls')}>
          <strong>It turned and hangs like the dial</strong>
          <kbd>2</kbd>
          <span className="muted">Turn the dial until it looks like your prop: drag it, or arrow keys.</span>
        </button>
        <div className={classes.watch}>
          <Action hint="Space" onClick={strike}>
            {strokes.length === 1 ? 'Now it passes the bottom' : 'Time the fall'}
          </Action>
          <span className="muted">
            {fallS === null
              ? strokes.length === 1
                ? 'running…'
                : 'If you like: from letting go to the bottom.'
              : `${formatNumber(fallS, 2)} s`}
          </span>
        </div>
        <SegmentedControl
          size="sm"
          value={school}
          onChange={(v) => setSchool(v)}
          data={correctionKinds.map((kind) => ({ value: kind, label: correctionNames[kind] }))}
          aria-label="Mend it by"
        />
        {school !== 'tape' && (
          <SchoolPanel school={school} job={job} model={model} isUnsound={isUnsound} onSet={onSet} />
        )}
        {school === 'tape' && places.length > 0 && (
          <div className={classes.tape}>
            <h2>Tape that is on</h2>
            <p className="muted">
              {`Clear, ${formatNumber(places[0]!.widthM * 1000, 0)} mm wide, on the face without the label, ` +
                'centred three quarters out, rubbed down, clear of the leading edge.'}
            </p>
            {places.map((place, i) => {
              const name = placeWords(place.kind, i, result!.job.bladeCount);
              return (
                <div key={i} className={classes.place}>
                  <span>{name}</span>
                  <Action aria-label={`Less tape on ${name}`} onClick={() => resize(i, -1)}>
                    −
                  </Action>
                  <strong>{stripWords(tapePiece(tape[i] ?? 0, place, USUAL_TAPE))}</strong>
                  <Action aria-label={`More tape on ${name}`} onClick={() => resize(i, 1)}>
                    +
                  </Action>
                  <span className="muted">{tape[i]! > 0 ? formatUnbalance(tape[i]!) : ''}</span>
                </div>
              );
            })}
          </div>
        )}
        <Observations job={job} onSet={onSet} />
      </section>
    </div>
  );
}

function Observations({ job, onSet }: { job: BalanceJobView; onSet: (change: JobChange) => void }) {
  const { observations, result, corrections } = job;
  if (observations.length === 0 && corrections.length === 0) return null;
  const fresh = corrections.at(-1)?.observationCount ?? 0;
  const contradicting = result?.tape?.contradicting == null ? null : fresh + result.tape.contradicting;
  const seen = ({ tape, kind, downDegrees, fallS }: LevelObservationDto): string => {
    const on = tape
      .map((t, k) => ({ piece: result?.places[k] ? tapePiece(t, result.places[k], USUAL_TAPE) : null, k }))
      .filter(({ piece }) => piece !== null);
    const words = on
      .map(
        ({ piece, k }) => `${stripWords(piece)} on ${placeWords(result!.places[k]!.kind, k, result!.job.bladeCount)}`,
      )
      .join(', ');
    return (
      `${words === '' ? 'bare' : words}: ` +
      `${kind === 'stays' ? 'stayed' : `turned, ${formatNumber(downDegrees ?? 0, 0)}° from blade 1 hangs down${fallS === null ? '' : `, ${formatNumber(fallS, 2)} s`}`}`
    );
  };
  const takeOut = (i: number): void =>
    onSet((newest) => ({
      observations: newest.observations.filter((_, k) => k !== i),
      corrections: newest.corrections.map((c) =>
        c.observationCount > i ? { ...c, observationCount: c.observationCount - 1 } : c,
      ),
    }));
  const changedAt = (i: number) =>
    corrections
      .filter((c) => c.observationCount === i)
      .map((c, k) => <li key={`${i}/${k}`}>{`${correctionNames[c.school]}: what came before counts no more`}</li>);
  return (
    <div className={classes.tape}>
      <h2>Seen so far</h2>
      <ol className={classes.observations}>
        {observations.map((look, i) => (
          <Fragment key={i}>
            {changedAt(i)}
            <li data-odd={i === contradicting} data-void={i < fresh}>
              {seen(look)}
              <button
                type="button"
                className={classes.out}
                aria-label={`Take look ${i + 1} out`}
                onClick={() => takeOut(i)}
              >
                out
              </button>
            </li>
          </Fragment>
        ))}
        {changedAt(observations.length)}
      </ol>
    </div>
  );
}
