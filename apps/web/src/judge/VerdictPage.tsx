import type { CraftView, WholeVerdictView } from '@zivvo/contract';
import { handsNeeded } from '@zivvo/core';
import { formatShare, handsText, wishWords } from '@zivvo/words';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { useVerdictQuery } from '../shared/api/judgeApi.ts';
import { problemOf } from '../shared/api/api.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { usePersonName } from '../shared/store/usePersonName.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { ReasonList, SaidList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './Judge.module.css';
import { JudgeMatrix } from './JudgeMatrix.tsx';
import { countedWishes, judgementOf, judgeRows } from './judgeView.ts';

/** A verdict as it was kept, on a sheet that prints. */
export function Component() {
  return <WithCraft station="Judge">{(craft) => <VerdictOf craft={craft} key={craft.id} />}</WithCraft>;
}

function VerdictOf({ craft }: { craft: CraftView }) {
  const { verdictId = '' } = useParams();
  const query = useVerdictQuery({ craftId: craft.id, id: verdictId });
  if (problemOf(query.error)?.status === 404) return <Gone craft={craft} />;
  return <Ready query={query}>{(verdict) => <Verdict craft={craft} verdict={verdict} />}</Ready>;
}

function Gone({ craft }: { craft: CraftView }) {
  const { to } = useInHand();
  return (
    <StationPage eyebrow={`Judge · ${craft.name}`} headline="This verdict is not among those that are kept">
      <EmptyPage
        title="It was taken out, or belongs to another craft"
        actions={<ActionLink to={to('/judge')}>To Judge</ActionLink>}
      >
        <p>Verdicts of this craft stand at the foot of Judge.</p>
      </EmptyPage>
    </StationPage>
  );
}

interface VerdictProps {
  craft: CraftView;
  verdict: WholeVerdictView;
}

function Verdict({ craft, verdict }: VerdictProps) {
  const format = useFormat();
  const { to } = useInHand();
  const nameOf = usePersonName();
  const { data: models } = usePropModelsQuery();
  const { input, changes } = verdict;
  const judgement = useMemo(() => judgementOf(input), [input]);
  const rows = useMemo(() => judgeRows(input, judgement), [input, judgement]);
  const wishes = countedWishes(input).filter((name) => rows.some((r) => r.contender.row[name]));
  const winner = rows.find((r) => r.id === verdict.winnerPropModelId);
  const by = nameOf(verdict.personId);
  return (
    <StationPage
      eyebrow={`Judge · ${input.craftName} · kept`}
      headline={format.sentence(verdict.headline)}
      detail={`${formatDay(verdict.frozenAt)}${by === null ? '' : `, by ${by}`}${verdict.note === null ? '' : `: ${verdict.note}`}`}
      tools={
        <span className="no-print">
          <ActionLink to={to('/judge')}>As it is today</ActionLink>
        </span>
      }
      reasons={
        changes !== null && changes.length > 0 ? (
          <ReasonList reasons={changes} />
        ) : (
          <p className="muted">Kept as it was judged that day. What was measured since does not change it.</p>
        )
      }
      actions={
        <Action weight="main" onClick={() => window.print()}>
          Print, or save as PDF
        </Action>
      }
    >
      <div className={classes.paper}>
        <JudgeMatrix
          rows={rows}
          wishes={wishes}
          models={models?.items ?? []}
          chosenId={null}
          onChoose={() => undefined}
          isFrozen
        />
        <section className={classes.sheet} aria-label="Reasons of that day">
          <h2>Reasons</h2>
          <SaidList
            said={(judgement?.reasons ?? []).map((reason) => ({
              severity: reason.severity,
              text: format.sentence(reason),
              key: `${reason.code}${JSON.stringify(reason.values)}`,
            }))}
          />
        </section>
        <section className={classes.sheet} aria-label="What counted">
          <h2>What counted</h2>
          <p>
            {countedWishes(input)
              .map((name) => `${wishWords[name]} ${input.weights[name]}`)
              .join(' · ')}
          </p>
          {winner && (
            <p>
              {`To buy for ${input.craftName}: ${craft.rotors.length} of ${winner.name}, ` +
                `${handsText(handsNeeded(craft.rotors, craft.kind))}.`}
              {winner.standing ? ` Best with a chance of ${formatShare(winner.standing.bestShare, 0)}.` : ''}
            </p>
          )}
          <p className="muted">
            Zivvo certifies nothing: makers’ limits, local rules and a walkaround come before any verdict.
          </p>
        </section>
      </div>
    </StationPage>
  );
}
