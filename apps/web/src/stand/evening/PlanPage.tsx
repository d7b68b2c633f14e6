import { NativeSelect, TextInput } from '@mantine/core';
import {
  PLAN_STEPS_PROP_MAX_COUNT,
  type CampaignDetailView,
  type EveningPlanView,
  type PackPieceView,
  type PropModelView,
} from '@zivvo/contract';
import { estimateEvening, explainEvening, protocolKinds } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useCraftsQuery } from '../../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../../shared/api/rackApi.ts';
import {
  useCampaignQuery,
  useLazyPlanStepsQuery,
  usePlanQuery,
  useSetPlanMutation,
} from '../../shared/api/standApi.ts';
import { useAsking } from '../../shared/api/useAsking.ts';
import { usePacksQuery } from '../../shared/api/workshopApi.ts';
import { rigChoices, type RigChoice } from '../../shared/craft/rigChoices.ts';
import { useFormat } from '../../shared/format/useFormat.ts';
import { useKept } from '../../shared/forms/kept.ts';
import { useGo, useInHand } from '../../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../../shared/ui/Action.tsx';
import { AskedNote } from '../../shared/ui/AskedNote.tsx';
import { EmptyPage, ProblemNote, Ready } from '../../shared/ui/PageStates.tsx';
import { propModelName } from '../../shared/ui/propModelName.ts';
import { StationPage } from '../../shared/ui/StationPage.tsx';
import { HeadlineWorking } from '../../shared/working/HeadlineWorking.tsx';
import classes from './Evening.module.css';
import {
  draftFaults,
  draftOf,
  fittingPacks,
  kindNotes,
  kindWords,
  namesOf,
  orderText,
  outOfOrderText,
  planBody,
  planHeadline,
  plannedOf,
  protocolOf,
  protocolText,
  putInOrder,
  runsPerPackOf,
  runsText,
  throttlesText,
  withKind,
  type PlanDraft,
} from './planView.ts';
import { RunOrder } from './RunOrder.tsx';

/** Stands for the craft without a kit where an identifier is wanted. */
const AS_DESCRIBED = 'described';
const USUAL_STEP_COUNT = 7;

/** What is run this evening, in which order, on which packs, and how. */
export function Component() {
  const { campaignId = '' } = useParams();
  const campaign = useCampaignQuery(campaignId);
  const plan = usePlanQuery(campaignId);
  const models = usePropModelsQuery();
  const packs = usePacksQuery();
  const { data: crafts } = useCraftsQuery();
  const craft = crafts?.items.find((c) => c.id === campaign.data?.craftId) ?? null;
  const rigs = craft === null ? [] : rigChoices(craft);
  return (
    <Ready query={campaign}>
      {(evening) => (
        <Ready query={plan}>
          {(view) => (
            <Ready query={models}>
              {({ items }) => (
                <Ready query={packs}>
                  {(shelf) => (
                    <Plan
                      campaign={evening}
                      view={view}
                      models={items}
                      packs={shelf.items.filter(
                        (p) => rigs.length === 0 || rigs.some((r) => fittingPacks([p], r).length > 0),
                      )}
                      rigs={rigs}
                      key={evening.id}
                    />
                  )}
                </Ready>
              )}
            </Ready>
          )}
        </Ready>
      )}
    </Ready>
  );
}

interface PlanProps {
  campaign: CampaignDetailView;
  view: EveningPlanView;
  models: readonly PropModelView[];
  /** That fit any of the rigs. */
  packs: readonly PackPieceView[];
  rigs: readonly RigChoice[];
}

function Plan({ campaign, view, models, packs: shelf, rigs }: PlanProps) {
  const { to } = useInHand();
  const go = useGo();
  const [send, sending] = useSetPlanMutation();
  const { ask, isAsking, asking } = useAsking();
  const revision = view.plan?.revision ?? 0;
  // What nobody has touched here follows the plan that is kept; what somebody has stays until it is handed over.
  const [own, setOwn, handedOver] = useKept<PlanDraft | null>(`plan/${campaign.id}`, () => null);
  const kept = useMemo(() => draftOf(view.plan, campaign, models, shelf), [view.plan, campaign, models, shelf]);
  // A draft that was begun before a field was there takes it from the plan.
  const draft = own ? { ...kept, ...own } : kept;
  const isMovedOn = own !== null && own.basis !== revision;
  const setDraft = (change: (now: PlanDraft) => PlanDraft): void =>
    setOwn((now) => change(now ? { ...kept, ...now } : kept));
  const set = (change: Partial<PlanDraft>): void => setDraft((now) => ({ ...now, ...change }));
  const faults = draftFaults(draft);
  const isGood = Object.keys(faults).length === 0;
  const chosenRigs = rigs.filter((r) => draft.kitIds.includes(r.kitId));
  const packs = shelf.filter((p) => rigs.length === 0 || chosenRigs.some((r) => fittingPacks([p], r).length > 0));
  const names = namesOf(models, packs, rigs);
  const reference = models.find((m) => m.id === campaign.referencePropModelId);
  const outOfOrder = outOfOrderText(draft, names);
  const protocol = isGood ? protocolText(draft, campaign) : null;
  const planned = draft.runs.map(plannedOf);
  const estimate =
    isGood && planned.length > 0
      ? estimateEvening(planned, protocolOf(draft), runsPerPackOf(draft), view.fullCurrentA)
      : null;
  const [askSteps, steps] = useLazyPlanStepsQuery();
  const [overlap, setOverlap] = useState<string | null>(null);
  const format = useFormat();
  const chooseSteps = async (): Promise<void> => {
    const reference = campaign.referencePropModelId === null ? [] : [campaign.referencePropModelId];
    const found = await askSteps({
      campaignId: campaign.id,
      propModelIds: [...new Set([...reference, ...draft.propIds])].slice(0, PLAN_STEPS_PROP_MAX_COUNT),
      kitId: draft.kitIds[0] ?? null,
      count: USUAL_STEP_COUNT,
    });
    if (!found.data) return;
    const { throttles, shared } = found.data;
    setDraft((now) => ({ ...withKind(now, 'own'), throttles: throttlesText(throttles) }));
    setOverlap(
      shared === null
        ? 'These props share no thrust, by the model: the strongest gives more at its least step than the ' +
            'weakest at full throttle.'
        : `By the model every prop is read from ${format.quantity(shared.leastN, 'force').text} or less up to ` +
            `${format.quantity(shared.mostN, 'force').text} or more.`,
    );
  };
  const keep = async (): Promise<void> => {
    try {
      await ask(() => send({ campaignId: campaign.id, body: planBody(draft, draft.basis) }).unwrap());
    } catch {
      return;
    }
    handedOver();
    go(`/stand/${campaign.id}/evening`);
  };
  const number = (
    name: 'runsPerProp' | 'runsPerPack' | 'mostBetween' | 'stepCount' | 'holdS' | 'throttles' | 'changeMin',
    label: string,
  ) => (
    <TextInput
      label={label}
      inputMode="decimal"
      autoComplete="off"
      value={draft[name]}
      error={faults[name]}
      onChange={(e) => set({ [name]: e.currentTarget.value })}
    />
  );
  if (models.length === 0)
    return (
      <StationPage eyebrow={`Stand · ${campaign.name}`} headline="No prop to plan for yet">
        <EmptyPage
          title="Put a label on the rack first"
          actions={
            <ActionLink weight="main" to={to('/rack/new')}>
              Read a label
            </ActionLink>
          }
        >
          <p>A plan says which prop runs when: its label is enough.</p>
        </EmptyPage>
      </StationPage>
    );
  return (
    <StationPage
      eyebrow={`Stand · Plan · ${campaign.name}`}
      headline={planHeadline(draft.runs.length, estimate)}
      detail={
        estimate?.chargeAh != null
          ? `about ${formatNumber(estimate.chargeAh * 1000, 0)} mAh a run with the reference, by the model`
          : undefined
      }
      working={
        estimate && (
          <HeadlineWorking
            working={explainEvening(planned.length, protocolOf(draft), estimate)}
            subject={campaign.name}
          />
        )
      }
      reasons={
        <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
          {kindNotes[draft.kind] !== undefined && <li>{kindNotes[draft.kind]}</li>}
          {draft.runs.length > 0 && <li>{orderText(draft.runs)}</li>}
          {protocol !== null && <li>{protocol}</li>}
          {campaign.referencePropModelId === null && (
            <li>
              No reference is chosen: nothing tells whether the evening itself moved. Name one under Edit evening.
            </li>
          )}
          <li>Each prop twice at least: one run alone tells no difference.</li>
          {packs.length > 0 && (
            <li>
              Packs take turns, so that each rests while the others work; each is asked for its volts before its run.
            </li>
          )}
          <li>Rig bolted down and caged, a switch within reach, packs on a fireproof surface.</li>
        </ul>
      }
      actions={
        <>
          <Action
            weight="main"
            disabled={!isGood || draft.runs.length === 0 || isAsking || isMovedOn}
            onClick={() => void keep()}
          >
            Keep plan
          </Action>
          <ActionLink to={to(`/stand/${campaign.id}`)}>Back to the results</ActionLink>
        </>
      }
    >
      <AskedNote asking={asking} error={sending.error} />
      {isMovedOn && (
        <section className={classes.sheet} aria-label="Two plans">
          <p>
            {`Another plan of this evening was kept meanwhile, with ${runsText(view.plan?.runs.length ?? 0)}. ` +
              'What you see is yours, and it is not lost.'}
          </p>
          <div className={classes.row}>
            <Action onClick={() => set({ basis: revision })}>Go on with this one</Action>
            <Action
              onClick={() => {
                sending.reset();
                handedOver();
              }}
            >
              Show the other one
            </Action>
          </div>
        </section>
      )}
      <section className={classes.sheet} aria-label="Props">
        <h2>Props</h2>
        {reference && <p>{`${propModelName(reference)} is the reference: it runs first, last and between.`}</p>}
        <Choices
          items={models.filter((m) => m !== reference).map((m) => ({ id: m.id, name: propModelName(m), note: null }))}
          chosen={draft.propIds}
          onChange={(propIds) => set({ propIds })}
        />
      </section>
      {rigs.length > 1 && (
        <section className={classes.sheet} aria-label="Motors and cells">
          <h2>Motors and cells</h2>
          <Choices
            items={rigs.map((r) => ({
              id: r.kitId ?? AS_DESCRIBED,
              name: r.name,
              note: r.kitId === null ? 'as the craft is described' : `${r.motorLabel}, ${r.seriesCount}S`,
            }))}
            chosen={draft.kitIds.map((id) => id ?? AS_DESCRIBED)}
            onChange={(ids) => set({ kitIds: ids.map((id) => (id === AS_DESCRIBED ? null : id)) })}
          />
          {faults.kitIds !== undefined && <p role="alert">{faults.kitIds}</p>}
        </section>
      )}
      <section className={classes.sheet} aria-label="Packs">
        <h2>Packs</h2>
        {packs.length === 0 ? (
          <p className="muted">No pack is on the shelf: runs are planned without.</p>
        ) : (
          <Choices
            items={packs.map((p) => ({ id: p.id, name: p.tag, note: `${p.seriesCount}S ${p.capacityAh} Ah` }))}
            chosen={draft.packIds}
            onChange={(packIds) => set({ packIds })}
          />
        )}
      </section>
      <section className={classes.sheet} aria-label="How">
        <h2>How</h2>
        <div className={classes.fields}>
          <NativeSelect
            label="Each run"
            value={draft.kind}
            onChange={(e) => {
              const kind = e.currentTarget.value as PlanDraft['kind'];
              setDraft((now) => withKind(now, kind));
            }}
            data={protocolKinds.map((kind) => ({ value: kind, label: kindWords[kind].name }))}
          />
          {draft.kind !== 'own' && number('stepCount', kindWords[draft.kind].steps)}
          {(draft.kind === 'own' || draft.kind === 'hold') &&
            number('throttles', draft.kind === 'own' ? 'Throttles, %' : 'Throttle, %')}
          {number('runsPerProp', 'Runs of each prop')}
          {number('mostBetween', 'Reference after at most')}
          {number('runsPerPack', 'Runs a pack serves')}
          {number('holdS', kindWords[draft.kind].hold)}
          {number('changeMin', 'Between runs, min')}
        </div>
        <div className={classes.row} style={{ marginTop: 12 }}>
          <Action
            disabled={!isGood}
            onClick={() => set({ runs: putInOrder(draft, campaign.referencePropModelId, rigs, packs) })}
          >
            Put in order
          </Action>
          {(draft.kind === 'ladder' || draft.kind === 'own') && (
            <Action disabled={steps.isFetching || draft.propIds.length === 0} onClick={() => void chooseSteps()}>
              Steps whose thrusts overlap
            </Action>
          )}
          {outOfOrder !== null && <p role="status">{outOfOrder}</p>}
        </div>
        {overlap !== null && draft.kind === 'own' && (
          <p role="status" className="muted">
            {overlap}
          </p>
        )}
        <ProblemNote error={steps.error} />
      </section>
      {draft.runs.length > 0 && (
        <section className={classes.sheet} aria-label="Order">
          <h2>Order</h2>
          <RunOrder runs={draft.runs} packs={packs} rigs={rigs} names={names} onChange={(runs) => set({ runs })} />
        </section>
      )}
    </StationPage>
  );
}

function Choices({
  items,
  chosen,
  onChange,
}: {
  items: readonly { id: string; name: string; note: string | null }[];
  chosen: readonly string[];
  onChange: (ids: string[]) => void;
}) {
  return (
    <div className={classes.choices}>
      {items.map(({ id, name, note }) => (
        <label key={id} className={classes.choice}>
          <input
            type="checkbox"
            checked={chosen.includes(id)}
            onChange={(e) =>
              onChange(
                e.currentTarget.checked
                  ? items.map((i) => i.id).filter((i) => i === id || chosen.includes(i))
                  : chosen.filter((i) => i !== id),
              )
            }
          />
          <span>
            {name}
            {note !== null && <span className={classes.under}>{note}</span>}
          </span>
        </label>
      ))}
    </div>
  );
}
