import { NativeSelect, TextInput } from '@mantine/core';
import { NOTE_MAX_LENGTH, type CraftView, type JudgeView, type PropModelView } from '@zivvo/contract';
import { evidenceSources, explainScore, type WishName } from '@zivvo/core';
import { sourceNames, wishWords } from '@zivvo/words';
import { useElementSize } from '@mantine/hooks';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useFreezeVerdictMutation, useJudgeQuery } from '../shared/api/judgeApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useInk } from '../shared/charts/useInk.ts';
import { forgetMadeId, madeIdOf, useKept } from '../shared/forms/kept.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { useKeys } from '../shared/keys/keys.ts';
import { useWantModel } from '../shared/prop/useWantModel.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announce } from '../shared/ui/undo.ts';
import { HeadlineWorking } from '../shared/working/HeadlineWorking.tsx';
import { AddedProps } from './AddedProps.tsx';
import classes from './Judge.module.css';
import { JudgeMatrix } from './JudgeMatrix.tsx';
import { countedWishes, judgementOf, judgeRows, withDraft, type JudgeRow, type WishDraft } from './judgeView.ts';
import { JudgeTabs } from './JudgeTabs.tsx';
import { OpinionList } from './OpinionList.tsx';
import { SourceMark } from './SourceMark.tsx';
import { TRADE_HEIGHT, tradeChart, tradeSentence } from './tradeChart.ts';
import { VerdictList } from './VerdictList.tsx';
import { WishPanel } from './WishPanel.tsx';

const Chart = lazy(() => import('../shared/charts/Chart.tsx'));

/** Which prop for this craft and this use, on all that is known. */
export function Component() {
  return <WithCraft station="Judge">{(craft) => <JudgeOf craft={craft} key={craft.id} />}</WithCraft>;
}

function JudgeOf({ craft }: { craft: CraftView }) {
  const { data: models } = usePropModelsQuery();
  return (
    <Ready query={useJudgeQuery(craft.id)}>
      {(view) => <Judge craft={craft} view={view} models={models?.items ?? []} />}
    </Ready>
  );
}

interface JudgeProps {
  craft: CraftView;
  view: JudgeView;
  models: readonly PropModelView[];
}

function Judge({ craft, view, models }: JudgeProps) {
  const format = useFormat();
  const { to, propModelId, take } = useInHand();
  const [draft, setDraft] = useKept<WishDraft | null>(`judge/${craft.id}`, () => null);
  const [note, setNote] = useKept<string>(`judge/${craft.id}/note`, () => '');
  const [isAll, setAll] = useState(false);
  const [freeze, freezing] = useFreezeVerdictMutation();
  const want = useWantModel(craft);
  const { ask, isAsking, asking } = useAsking();
  const input = useMemo(() => withDraft(view, draft), [view, draft]);
  const judgement = useMemo(() => judgementOf(input), [input]);
  const rows = useMemo(() => judgeRows(input, judgement), [input, judgement]);
  const counted = countedWishes(input);
  const known = counted.filter((name) => rows.some((r) => r.contender.row[name]));
  const wishes = isAll ? known : known.slice(0, SHOWN_WISHES);
  const winner = rows.find((r) => r.id === judgement?.winnerId);
  const first = rows.find((r) => r.id === judgement?.verdict?.standings[0]?.id);
  const winnerModel = models.find((m) => m.id === winner?.id);
  const canKeep = judgement !== null && draft === null && !isAsking;
  const keep = async (): Promise<void> => {
    const key = `judge/${craft.id}`;
    const body = { id: madeIdOf(key), note: note.trim() === '' ? null : note.trim() };
    const answer = await ask(() => freeze({ craftId: craft.id, body }).unwrap()).catch(() => null);
    if (answer === null) return;
    forgetMadeId(key);
    setNote('');
    void announce('The verdict is kept with all its evidence.');
  };
  useKeys([{ key: 'k', what: 'Keep the verdict', run: () => canKeep && void keep() }]);
  if (input.contenders.length === 0) return <NothingYet craft={craft} view={view} models={models} />;
  return (
    <StationPage
      eyebrow={`Judge · ${craft.name}`}
      headline={judgement ? format.sentence(judgement.headline) : 'Nothing counts: give a wish more than 0'}
      detail={detailOf(view, rows)}
      working={
        judgement &&
        first && (
          <HeadlineWorking working={explainScore(input, judgement, first.id)} subject={first.name} what="its score" />
        )
      }
      tools={<JudgeTabs />}
      reasons={judgement && <ReasonList reasons={judgement.reasons} />}
      actions={
        <>
          <Action weight="main" hint="k" disabled={!canKeep} onClick={() => void keep()}>
            Keep the verdict
          </Action>
          {winnerModel && !winner!.isReference && (
            <Action onClick={() => void want({ id: winnerModel.id, name: winner!.name, before: winnerModel })}>
              {`Want ${craft.rotors.length} of ${winner!.name}`}
            </Action>
          )}
          <ActionLink to={to('/stand')}>Measure more</ActionLink>
          {draft !== null && <p className="muted">Keep the weights first: a verdict is kept with what is in force.</p>}
          <AskedNote asking={asking} error={freezing.error} />
        </>
      }
    >
      <JudgeMatrix
        rows={rows}
        wishes={wishes}
        models={models}
        chosenId={propModelId}
        onChoose={(id) => take({ propModelId: id === propModelId ? null : id })}
      />
      <div className={classes.legend}>
        {evidenceSources.map((source) => (
          <span key={source}>
            <SourceMark source={source} />
            {sourceNames[source]}
          </span>
        ))}
        {known.length > SHOWN_WISHES && (
          <Action weight="quiet" onClick={() => setAll(!isAll)}>
            {isAll ? 'What counts most' : `All ${known.length} figures`}
          </Action>
        )}
      </div>
      <AddedProps craft={craft} view={view} models={models} />
      <div className={classes.halves}>
        <WishPanel craft={craft} view={view} draft={draft} setDraft={setDraft} />
        <div className={classes.stack}>
          <Trade rows={rows} wishes={known} models={models} />
          <OpinionList rows={rows} props={view.props} />
        </div>
      </div>
      <section className={classes.sheet} aria-label="Keep it">
        <div className={classes.keeping}>
          <TextInput
            label="Why, in your words"
            placeholder="flown by two people, quieter over the gardens"
            maxLength={NOTE_MAX_LENGTH}
            value={note}
            onChange={(e) => setNote(e.currentTarget.value)}
          />
          <Action disabled={!canKeep} onClick={() => void keep()}>
            Keep the verdict
          </Action>
        </div>
      </section>
      <VerdictList craft={craft} view={view} />
    </StationPage>
  );
}

/** Columns that stand beside each other without scrolling. */
const SHOWN_WISHES = 6;

function detailOf(view: JudgeView, rows: readonly JudgeRow[]): string {
  const sum = (of: 'runCount' | 'flightCount' | 'takeCount'): number => view.props.reduce((n, p) => n + p[of], 0);
  const counted = [
    [sum('runCount'), 'run', 'runs'],
    [sum('flightCount'), 'flight', 'flights'],
    [sum('takeCount'), 'take', 'takes'],
  ] as const;
  const said = counted.filter(([n]) => n > 0).map(([n, one, many]) => `${n} ${n === 1 ? one : many}`);
  const props = rows.length === 1 ? '1 prop' : `${rows.length} props`;
  const left = view.leftOutCount > 0 ? `; ${view.leftOutCount} more are left out` : '';
  return (
    `${props} on ` +
    `${said.length === 0 ? 'predictions alone' : said.join(', ')}${view.isSimulated ? ', some simulated' : ''}${left}`
  );
}

function NothingYet({ craft, view, models }: JudgeProps) {
  const { to } = useInHand();
  return (
    <StationPage eyebrow={`Judge · ${craft.name}`} headline={`Nothing is known of any prop for ${craft.name}`}>
      <EmptyPage
        title="Say what it flies, or measure something"
        actions={
          <>
            <ActionLink weight="main" to={to(`/crafts/${craft.id}`)}>
              Say which prop it flies
            </ActionLink>
            <ActionLink to={to('/stand')}>Go to the stand</ActionLink>
          </>
        }
      >
        <p>
          Judge holds props against the one that the craft flies: by the stand, by flights, by ear, by what a usable
          piece costs; what is only predicted is marked so.
        </p>
        <AddedProps craft={craft} view={view} models={models} />
      </EmptyPage>
    </StationPage>
  );
}

function Trade({
  rows,
  wishes,
  models,
}: {
  rows: readonly JudgeRow[];
  wishes: readonly WishName[];
  models: readonly PropModelView[];
}) {
  const ink = useInk();
  const { ref, width } = useElementSize();
  const [across, setAcross] = useState<WishName | null>(null);
  const [up, setUp] = useState<WishName | null>(null);
  const [first = null, second = null] = wishes;
  const x = across ?? first;
  const y = up ?? second;
  const option = useMemo(
    () =>
      x === null || y === null
        ? null
        : tradeChart({
            rows,
            seriesOf: (id) => models.find((m) => m.id === id)?.seriesIndex ?? 0,
            across: x,
            up: y,
            ink,
            width,
          }),
    [rows, models, x, y, ink, width],
  );
  if (option === null || x === null || y === null) return null;
  const data = wishes.map((name) => ({ value: name, label: wishWords[name] }));
  return (
    <section className={classes.sheet} aria-label="One against the other">
      <div className={classes.axes}>
        <NativeSelect label="Up" value={y} data={data} onChange={(e) => setUp(e.currentTarget.value as WishName)} />
        <NativeSelect
          label="Across"
          value={x}
          data={data}
          onChange={(e) => setAcross(e.currentTarget.value as WishName)}
        />
      </div>
      <div ref={ref} style={{ minHeight: TRADE_HEIGHT }}>
        {/* Its names are placed by the width of its box. */}
        {width > 0 && (
          <Suspense fallback={null}>
            <Chart option={option} height={TRADE_HEIGHT} label={tradeSentence(rows, x, y)} />
          </Suspense>
        )}
      </div>
    </section>
  );
}
