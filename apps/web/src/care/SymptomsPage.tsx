import type { CraftView, SymptomCaseDto, SymptomStartView } from '@zivvo/contract';
import {
  causeNames,
  changeNames,
  diagnose,
  symptomNames,
  symptomTestNames,
  whatNegativeProves,
  type CauseName,
  type ChangeName,
  type SymptomTestName,
} from '@zivvo/core';
import {
  causeWords,
  changeWords,
  formatShare,
  logSentence,
  recordFactWords,
  symptomTestWords,
  symptomWords,
} from '@zivvo/words';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { v7 } from 'uuid';
import { useKeys } from '../shared/keys/keys.ts';
import { useDropSymptomsMutation, useSaveSymptomsMutation, useSymptomStartQuery } from '../shared/api/careApi.ts';
import { formatDay } from '../shared/format/useFormat.ts';
import { useKept } from '../shared/forms/kept.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './Care.module.css';
import { CareTabs } from './CareTabs.tsx';

/**
 * From what is felt to what is wrong: the record first, then one question after another. Without a craft nothing is on
 * record.
 */
export function Component() {
  const { craftId } = useInHand();
  return craftId === null ? (
    <SymptomsOfAny />
  ) : (
    <WithCraft station="Care">{(craft) => <SymptomsOf craft={craft} key={craft.id} />}</WithCraft>
  );
}

function SymptomsOf({ craft }: { craft: CraftView }) {
  const query = useSymptomStartQuery(craft.id);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(start) => <SymptomsOnRecord craft={craft} start={start} />}
    </Ready>
  );
}

type Told = Omit<SymptomCaseDto, 'revision' | 'mendedCause'>;
const NOTHING: Told = { symptoms: [], changes: null, answers: [] };
const SHOWN = 3;
const RECENT_SHOWN = 4;

const NO_RECORD: SymptomStartView = { facts: [], recent: [], openCase: null, solved: [] };

/** A craft that nobody has described: what is told stays in this browser. */
function SymptomsOfAny() {
  const [told, setTold, forget] = useKept<Told>('symptoms/any', () => NOTHING);
  return (
    <Symptoms
      name="the craft"
      start={NO_RECORD}
      told={told}
      tell={(change) => setTold({ ...told, ...change })}
      onMended={null}
      onDrop={told.symptoms.length > 0 ? forget : null}
    />
  );
}

function SymptomsOnRecord({ craft, start }: { craft: CraftView; start: SymptomStartView }) {
  const [save, saving] = useSaveSymptomsMutation();
  const [drop] = useDropSymptomsMutation();
  const [newId, setNewId] = useState(() => v7());
  const open = start.openCase;
  const told: Told = open ?? NOTHING;
  const tell = (change: Partial<Told>, mendedCause: CauseName | null = null): void => {
    const { symptoms, changes, answers } = { ...told, ...change };
    void save({
      craftId: craft.id,
      id: open?.id ?? newId,
      body: { symptoms, changes, answers, mendedCause, revision: open?.revision ?? 0 },
    });
    if (mendedCause !== null) setNewId(v7());
  };
  return (
    <Symptoms
      name={craft.name}
      start={start}
      told={told}
      tell={tell}
      onMended={(cause) => tell({}, cause)}
      onDrop={open ? () => void drop({ craftId: craft.id, id: open.id }).then(() => setNewId(v7())) : null}
      note={<ProblemNote error={saving.error} />}
    />
  );
}

interface SymptomsProps {
  name: string;
  start: SymptomStartView;
  told: Told;
  tell: (change: Partial<Told>) => void;
  /** Null where there is no record to write it into. */
  onMended: ((cause: CauseName) => void) | null;
  /** Null while nothing was told. */
  onDrop: (() => void) | null;
  note?: ReactNode;
}

function Symptoms({ name, start, told, tell, onMended, onDrop, note }: SymptomsProps) {
  const { to } = useInHand();
  const diagnosis = start.openCase?.diagnosis ?? diagnose({ ...told, facts: start.facts });
  const answer = (test: SymptomTestName, said: 'yes' | 'no' | 'unsure'): void =>
    tell({ answers: [...told.answers.filter((a) => a.test !== test), { test, answer: said }] });
  const takeBack = (): void => tell({ answers: told.answers.slice(0, -1) });
  const hasSymptom = told.symptoms.length > 0;
  const test = hasSymptom ? diagnosis.next?.test : undefined;
  useKeys([
    { key: 'y', what: 'Yes', run: () => test && answer(test, 'yes') },
    { key: 'n', what: 'No', run: () => test && answer(test, 'no') },
    { key: 'u', what: 'Not sure', run: () => test && answer(test, 'unsure') },
    { key: 'b', what: 'Take the last answer back', run: () => told.answers.length > 0 && takeBack() },
  ]);
  const [first] = diagnosis.ranked;
  const headline = !hasSymptom
    ? `What does ${name} do?`
    : diagnosis.isSettled
      ? `Most likely ${causeWords[first!.cause].name}`
      : test
        ? symptomTestWords[test].ask
        : `Nothing more to ask: ${causeWords[first!.cause].name} first`;
  return (
    <StationPage
      eyebrow={onMended ? `Care · Something shakes · ${name}` : 'Care · Something shakes'}
      headline={headline}
      detail={
        hasSymptom
          ? `${told.answers.length} ${told.answers.length === 1 ? 'answer' : 'answers'} so far. ` +
            `${diagnosis.isSettled ? causeWords[first!.cause].mend : ''}`
          : `${onMended ? 'The record has spoken already, at the right. ' : ''}Arms that shake visibly: shut ` +
            'down at once.'
      }
      tools={<CareTabs />}
      reasons={
        onMended ? (
          <Record start={start} />
        ) : (
          <p style={{ margin: 0 }}>
            No craft is in hand, so no record speaks and nothing is written down. Does it tip over or turn on the spot?{' '}
            <Link to={to('/fit/sketch')}>Sketch its arms instead</Link>.
          </p>
        )
      }
      actions={
        hasSymptom && (
          <>
            {onMended && (
              <Action
                weight="main"
                onClick={() => onMended(first!.cause)}
              >{`It was ${causeWords[first!.cause].name}`}</Action>
            )}
            {told.answers.length > 0 && (
              <Action hint="b" onClick={takeBack}>
                Take the last answer back
              </Action>
            )}
            {onDrop && (
              <Action weight="quiet" onClick={onDrop}>
                Start again
              </Action>
            )}
          </>
        )
      }
    >
      {hasSymptom && (
        <div className={classes.columns}>
          {test ? (
            <Question test={test} minutes={diagnosis.next!.minutes} onAnswer={(said) => answer(test, said)} />
          ) : (
            <Mend cause={first!.cause} />
          )}
          <section className={classes.sheet} aria-label="Most likely">
            <h2>Most likely</h2>
            <ol className={classes.rows}>
              {diagnosis.ranked.slice(0, SHOWN).map(({ cause, share }) => (
                <li key={cause} className={classes.share}>
                  <strong>{causeWords[cause].name}</strong>
                  <span style={{ textAlign: 'right' }}>{formatShare(share, 0)}</span>
                  <span className={classes.gauge}>
                    <span className={classes.used} style={{ width: `${100 * share}%` }} />
                  </span>
                  <span className="muted" style={{ gridColumn: '1 / -1', fontSize: 13.5 }}>
                    {causeWords[cause].mend}
                  </span>
                </li>
              ))}
            </ol>
            <p className="muted">
              Shares are workshop experience, moved by what you answer; a test that found nothing lowers its causes only
              as far as it would have found them.
            </p>
          </section>
        </div>
      )}
      <section className={classes.sheet} aria-label="What changed">
        <h2>What changed since it last flew well?</h2>
        <div className={classes.keys} data-close>
          {newestFirst(start).map((change) => (
            <button
              key={change}
              type="button"
              className={classes.key}
              aria-pressed={told.changes?.includes(change) ?? false}
              onClick={() => tell({ changes: toggled(told.changes ?? [], change) })}
            >
              {changeWords[change]}
              <Newest start={start} change={change} />
            </button>
          ))}
        </div>
      </section>
      <section className={classes.sheet} aria-label="What it does">
        <h2>{hasSymptom ? 'What it does' : 'What does it do? Take all that fit'}</h2>
        <div className={classes.keys} data-close>
          {symptomNames.map((symptom) => (
            <button
              key={symptom}
              type="button"
              className={classes.key}
              aria-pressed={told.symptoms.includes(symptom)}
              onClick={() => tell({ symptoms: toggled(told.symptoms, symptom).slice(0, 6) })}
            >
              {symptomWords[symptom]}
            </button>
          ))}
        </div>
      </section>
      {hasSymptom && <Tests told={told} onAnswer={answer} onCause={onMended} />}
      {note}
    </StationPage>
  );
}

function toggled<T>(list: readonly T[], item: T): T[] {
  return list.includes(item) ? list.filter((x) => x !== item) : [...list, item];
}

/** Kinds of change, those first that the record saw last. */
function newestFirst({ recent }: SymptomStartView): ChangeName[] {
  const seen = [...new Set(recent.map((r) => r.change))];
  return [...seen, ...changeNames.filter((c) => !seen.includes(c))];
}

/** When the record last saw such a change. */
function Newest({ start, change }: { start: SymptomStartView; change: ChangeName }) {
  const found = start.recent.find((r) => r.change === change);
  return found ? <small>{`in the record, ${formatDay(found.at)}`}</small> : null;
}

/** What the workshop knows before anybody answers. */
function Record({ start: { facts, recent, solved } }: { start: SymptomStartView }) {
  return (
    <>
      <h2 style={{ margin: '0 0 8px', fontSize: 15 }}>The record says</h2>
      {facts.length === 0 && <p className="muted">Nothing that stands out.</p>}
      <ul className={`${classes.rows} ${classes.said}`}>
        {facts.map((fact) => (
          <li key={fact}>{recordFactWords[fact]}</li>
        ))}
      </ul>
      {recent.length > 0 && (
        <>
          <h2 style={{ margin: '14px 0 8px', fontSize: 15 }}>Changed lately</h2>
          <ul className={classes.rows}>
            {recent.slice(0, RECENT_SHOWN).map((entry) => (
              <li key={entry.sequence}>
                {logSentence(entry)}
                <span className="muted" style={{ display: 'block', fontSize: 13 }}>
                  {formatDay(entry.at)}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {solved.length > 0 && (
        <>
          <h2 style={{ margin: '14px 0 8px', fontSize: 15 }}>Found before</h2>
          <ul className={`${classes.rows} ${classes.said}`}>
            {solved.map(({ cause, at }) => (
              <li key={at}>{`${causeWords[cause].name}, ${formatDay(at)}`}</li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Question({
  test,
  minutes,
  onAnswer,
}: {
  test: SymptomTestName;
  minutes: number;
  onAnswer: (said: 'yes' | 'no' | 'unsure') => void;
}) {
  const { ask, how } = symptomTestWords[test];
  return (
    <section className={classes.sheet} aria-label="Next question">
      <h2>{ask}</h2>
      <p>{`${how} About ${minutes} min.`}</p>
      <div className={classes.keys} style={{ gridTemplateColumns: 'repeat(3, minmax(0, 1fr))' }}>
        {(
          [
            ['yes', 'Yes', 'y'],
            ['no', 'No', 'n'],
            ['unsure', 'Not sure', 'u'],
          ] as const
        ).map(([said, label, key]) => (
          <button key={said} type="button" className={classes.key} onClick={() => onAnswer(said)}>
            {label}
            <small>{key}</small>
          </button>
        ))}
      </div>
      <h3>What a no proves</h3>
      <p>{negativeWords(test)}</p>
    </section>
  );
}

/** What is left of each cause when the test finds nothing. */
function negativeWords(test: SymptomTestName): string {
  const [surest, ...others] = whatNegativeProves(test);
  if (!surest) return 'Nothing.';
  const said =
    surest.leftShare <= 0.1
      ? `Rules out ${causeWords[surest.cause].name}, nearly.`
      : `Makes ${causeWords[surest.cause].name} less likely and rules it out in no way: ` +
        `${formatShare(surest.leftShare, 0)} of them feel like nothing.`;
  const weak = others.filter((o) => o.leftShare > 0.5);
  return weak.length === 0
    ? said
    : `${said} Says next to nothing about ${weak.map((w) => causeWords[w.cause].name).join(', ')}.`;
}

function Mend({ cause }: { cause: CauseName }) {
  return (
    <section className={classes.sheet} aria-label="What to do">
      <h2>{causeWords[cause].name}</h2>
      <p>{causeWords[cause].mend}</p>
      <p className="muted">Mend it, fly a careful minute, and say what it was: the next search starts from there.</p>
    </section>
  );
}

/** Tests that were done already, in any order, and another end than the likeliest. */
function Tests({
  told,
  onAnswer,
  onCause,
}: {
  told: Told;
  onAnswer: (test: SymptomTestName, said: 'yes' | 'no' | 'unsure') => void;
  onCause: ((cause: CauseName) => void) | null;
}) {
  const said = (test: SymptomTestName): string => told.answers.find((a) => a.test === test)?.answer ?? '';
  return (
    <details className={classes.sheet}>
      <summary style={{ fontWeight: 650, minHeight: 32, cursor: 'pointer' }}>
        Tests done already, and other ends
      </summary>
      <ul className={`${classes.rows} ${classes.said}`}>
        {symptomTestNames.map((test) => (
          <li key={test} style={{ display: 'flex', flexWrap: 'wrap', gap: 10, alignItems: 'center' }}>
            <span style={{ flex: '1 1 260px' }}>{symptomTestWords[test].ask}</span>
            <select
              aria-label={symptomTestWords[test].ask}
              value={said(test)}
              onChange={(e) => e.currentTarget.value !== '' && onAnswer(test, e.currentTarget.value as 'yes')}
              style={{ minHeight: 38, font: 'inherit' }}
            >
              <option value="">not done</option>
              <option value="yes">yes</option>
              <option value="no">no</option>
              <option value="unsure">not sure</option>
            </select>
          </li>
        ))}
      </ul>
      {onCause && (
        <>
          <h3>It was something else</h3>
          <div className={classes.keys}>
            {causeNames.map((cause) => (
              <button key={cause} type="button" className={classes.key} onClick={() => onCause(cause)}>
                {causeWords[cause].name}
              </button>
            ))}
          </div>
        </>
      )}
    </details>
  );
}
