import { SegmentedControl } from '@mantine/core';
import { drillKinds, makeDrill, type Drill, type DrillKind } from '@zivvo/core';
import { drillNames } from '@zivvo/words';
import { useState } from 'react';
import { v7 } from 'uuid';
import { useKeys } from '../shared/keys/keys.ts';
import { useAnswerDrillMutation, useDrillScoresQuery } from '../shared/api/careApi.ts';
import { useCraftQuery } from '../shared/api/craftApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Action } from '../shared/ui/Action.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './Care.module.css';
import { CareTabs } from './CareTabs.tsx';
import { DrillPicture } from './DrillPicture.tsx';
import { optionWords, questionOf } from './drillView.ts';

/** Short questions on generated cases, answered and explained at once. */
export function Component() {
  const [kind, setKind] = useState<DrillKind>('label');
  const [seed, setSeed] = useState(() => v7());
  const [chosen, setChosen] = useState<number | null>(null);
  const [run, setRun] = useState({ asked: 0, right: 0 });
  const [answer] = useAnswerDrillMutation();
  const { craftId } = useInHand();
  const { currentData: craft } = useCraftQuery(craftId ?? '', { skip: craftId === null });
  const drill = makeDrill(kind, seed, craft);
  const format = useFormat();
  const next = (another: DrillKind = kind): void => {
    setKind(another);
    setSeed(v7());
    setChosen(null);
  };
  const choose = (index: number): void => {
    if (chosen !== null || index >= drill.options.length) return;
    setChosen(index);
    setRun({ asked: run.asked + 1, right: run.right + (index === drill.right ? 1 : 0) });
    void answer({ id: v7(), kind, seed, chosen: index, craftId: craft?.id ?? null });
  };
  useKeys([
    ...['1', '2', '3', '4'].map((key, i) => ({ key, what: `Answer ${key}`, run: () => choose(i) })),
    { key: 'n', what: 'Next question', run: () => next() },
  ]);
  return (
    <StationPage
      eyebrow="Care · Practice"
      headline={chosen === null ? questionOf(drill) : chosen === drill.right ? 'Right' : 'No'}
      detail={
        run.asked === 0
          ? 'Generated cases; the answer comes from the same rules that judge real ' +
            `craft.${kind === 'arm' && craft ? ` Arms and spins are ${craft.name}’s.` : ''}`
          : `${run.right} of ${run.asked} in this round.`
      }
      tools={<CareTabs />}
      reasons={<Scores />}
      actions={
        <Action weight="main" hint="n" onClick={() => next()}>
          Next question
        </Action>
      }
    >
      <SegmentedControl
        value={kind}
        onChange={(v) => next(v)}
        data={drillKinds.map((value) => ({ value, label: drillNames[value] }))}
        style={{ alignSelf: 'start', maxWidth: '100%', flex: 'none', flexWrap: 'wrap' }}
        aria-label="What to practise"
      />
      <div className={classes.columns}>
        <section
          className={classes.sheet}
          aria-label="The case"
          style={{ display: 'grid', placeItems: 'center', minHeight: 260 }}
        >
          <DrillPicture drill={drill} />
        </section>
        <section className={classes.sheet} aria-label="Answers">
          <div className={classes.keys} style={{ gridTemplateColumns: '1fr' }}>
            {drill.options.map((option, i) => (
              <button
                key={i}
                type="button"
                className={classes.key}
                onClick={() => choose(i)}
                disabled={chosen !== null}
                data-right={rightOrWrong(drill, chosen, i)}
              >
                {optionWords(drill.kind, option, format.choices)}
                <small>{`${i + 1}${chosen === null ? '' : i === drill.right ? ' · right' : i === chosen ? ' · your answer' : ''}`}</small>
              </button>
            ))}
          </div>
          <div role="status">{chosen !== null && <p style={{ marginTop: 12 }}>{format.sentence(drill.why)}</p>}</div>
        </section>
      </div>
    </StationPage>
  );
}

function rightOrWrong({ right }: Drill, chosen: number | null, i: number): boolean | undefined {
  if (chosen === null) return undefined;
  return i === right ? true : i === chosen ? false : undefined;
}

/** How many each person got right, by kind. */
function Scores() {
  const { data } = useDrillScoresQuery();
  if (!data || data.length === 0) return <p className="muted">Nobody has practised yet.</p>;
  const people = [...new Map(data.map((s) => [s.personId, s.personName ?? 'no name chosen']))];
  return (
    <>
      {people.map(([id, name]) => (
        <section key={id ?? ''} aria-label={`Score of ${name}`} style={{ marginBottom: 14 }}>
          <h2 style={{ margin: '0 0 6px', fontSize: 15 }}>{name}</h2>
          <ul className={classes.rows}>
            {data
              .filter((s) => s.personId === id)
              .map((s) => (
                <li key={s.kind} style={{ display: 'flex', padding: '4px 0' }}>
                  <span style={{ flex: 1 }}>{drillNames[s.kind]}</span>
                  <span>{`${s.rightCount} of ${s.askedCount}`}</span>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </>
  );
}
