import type { CampaignDetailView, EveningPlanDto, PackPieceView, PropModelView, RunSummaryView } from '@zivvo/contract';
import {
  bySeverity,
  dueChecks,
  eveningRace,
  eveningReasons,
  liveKinds,
  type EntryState,
  type EveningRace,
  type EveningState,
} from '@zivvo/core';
import { formatShare, upperFirst } from '@zivvo/words';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 } from 'uuid';
import { useStartLiveMutation } from '../../shared/api/liveApi.ts';
import { useCraftQuery } from '../../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../../shared/api/rackApi.ts';
import {
  useCampaignQuery,
  useCreateRunMutation,
  usePlanQuery,
  useInstrumentsQuery,
  useResultsQuery,
  useSetPlanMutation,
} from '../../shared/api/standApi.ts';
import { useAsking } from '../../shared/api/useAsking.ts';
import { usePacksQuery } from '../../shared/api/workshopApi.ts';
import { rigChoices } from '../../shared/craft/rigChoices.ts';
import { useAddressParam } from '../../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../../shared/inHand/useInHand.ts';
import { useKeys } from '../../shared/keys/keys.ts';
import { Action, ActionLink } from '../../shared/ui/Action.tsx';
import { AskedNote } from '../../shared/ui/AskedNote.tsx';
import { EmptyPage, ProblemNote, Ready } from '../../shared/ui/PageStates.tsx';
import { ReasonList } from '../../shared/ui/ReasonList.tsx';
import { StationPage } from '../../shared/ui/StationPage.tsx';
import { freshGrid } from '../runGrid.ts';
import classes from './Evening.module.css';
import { DeviceSelect, useDeviceChoice } from '../live/DeviceChoice.tsx';
import { EveningFar } from './EveningFar.tsx';
import { kindWords, namesOf, nextText, rigText, stateOf, type Names } from './planView.ts';
import { PhotoBeside, PhotoDrop } from './PhotoBeside.tsx';
import { QUICK_RUN_FORM, QuickRun } from './QuickRun.tsx';
import { useCaller } from './useCaller.ts';
import { usePhotoQueue } from './usePhotoQueue.ts';

/** The evening as it goes: which run is next, on which pack, and what stands so far. */
export function Component() {
  const { campaignId = '' } = useParams();
  const { to } = useInHand();
  const campaign = useCampaignQuery(campaignId);
  const plan = usePlanQuery(campaignId);
  const { data: models } = usePropModelsQuery();
  const { data: packs } = usePacksQuery();
  return (
    <Ready query={campaign}>
      {(evening) => (
        <Ready query={plan}>
          {(view) =>
            view.plan === null || view.plan.runs.length === 0 ? (
              <StationPage eyebrow={`Stand · ${evening.name}`} headline="Nothing is planned yet">
                <EmptyPage
                  title="Props, packs, an order that is fair"
                  actions={
                    <ActionLink weight="main" to={to(`/stand/${campaignId}/plan`)}>
                      Plan the evening
                    </ActionLink>
                  }
                >
                  <p>
                    A plan says which run is next and on which pack, asks each pack for its volts before it runs, and
                    takes up again where it was left.
                  </p>
                </EmptyPage>
              </StationPage>
            ) : (
              <Evening campaign={evening} plan={view.plan} models={models?.items ?? []} packs={packs?.items ?? []} />
            )
          }
        </Ready>
      )}
    </Ready>
  );
}

interface EveningProps {
  campaign: CampaignDetailView;
  plan: EveningPlanDto;
  models: readonly PropModelView[];
  packs: readonly PackPieceView[];
}

function Evening({ campaign, plan, models, packs }: EveningProps) {
  const { to } = useInHand();
  const { data: craft } = useCraftQuery(campaign.craftId);
  const rigs = craft ? rigChoices(craft) : [];
  const names = namesOf(models, packs, rigs);
  const state = stateOf(plan, campaign);
  const { next, entries, doneCount } = state;
  const current = next === null ? null : entries[next]!;
  const [setPlan, setting] = useSetPlanMutation();
  const { ask, isAsking, asking } = useAsking();
  const [kept, setKept] = useState<string | null>(null);
  const headline = nextText(state, names);
  const [far, setFar] = useAddressParam('far');
  const { data: results } = useResultsQuery(
    { id: campaign.id, throttleRatio: 0.6, kitId: current?.entry.kitId ?? null },
    { skip: doneCount === 0 },
  );
  const race = results ? eveningRace(results) : { leaderId: null, beatenIds: [] };
  const caller = useCaller(headline);
  const photos = usePhotoQueue(campaign.id);
  const skip = async (entryId: string, isSkipped: boolean): Promise<void> => {
    const runs = plan.runs.map((r) => (r.id === entryId ? { ...r, isSkipped } : r));
    try {
      await ask(() => setPlan({ campaignId: campaign.id, body: { ...plan, runs } }).unwrap());
    } catch {
      // What was refused is told on the page.
    }
  };
  const lastKept = campaign.runs
    .filter((r) => r.keptAt !== null)
    .reduce<RunSummaryView | null>((last, r) => (last !== null && last.keptAt! > r.keptAt! ? last : r), null);
  const words = kindWords[plan.kind];
  const hasRigs = entries.some((e) => e.entry.kitId !== entries[0]!.entry.kitId);
  if (far !== null)
    return (
      <EveningFar
        headline={headline}
        rig={rigText(state, names)}
        detail={`${doneCount} of ${entries.length} done`}
        leader={race.leaderId === null ? null : names.prop(race.leaderId)}
        lastRun={lastKept && { id: lastKept.id, name: names.prop(lastKept.propModelId) }}
        onBack={() => setFar(null)}
      />
    );
  return (
    <StationPage
      eyebrow={`Stand · Evening · ${campaign.name}`}
      headline={headline}
      detail={`${doneCount} of ${entries.length} done${kept === null ? '' : ` · ${kept} is kept`}`}
      reasons={<Reasons race={race} state={state} names={names} runsPerPack={plan.runsPerPack} />}
      actions={
        <>
          {current && plan.kind !== 'full' && (
            <RunActions campaign={campaign} current={current} canType={!liveKinds.includes(plan.kind)} />
          )}
          {current && plan.kind === 'full' && (
            <Action weight="main" type="submit" form={QUICK_RUN_FORM} hint="Enter">
              Keep run
            </Action>
          )}
          {next === null && (
            <ActionLink weight="main" to={to(`/stand/${campaign.id}`)}>
              See the results
            </ActionLink>
          )}
          {caller.isThere && (
            <Action aria-pressed={caller.isOn} onClick={caller.toggle}>
              {caller.isOn ? 'Stop calling out' : 'Call out what is next'}
            </Action>
          )}
          <Action onClick={() => setFar('1')}>Read from afar</Action>
          <ActionLink to={to(`/stand/${campaign.id}/plan`)}>Change the plan</ActionLink>
          {next !== null && <ActionLink to={to(`/stand/${campaign.id}`)}>Results so far</ActionLink>}
        </>
      }
    >
      {current && (
        <section className={classes.sheet} aria-label="Next">
          <p className={classes.rig}>{rigText(state, names)}</p>
          {plan.kind === 'full' && (
            <div className={classes.beside} data-photo={photos.place >= 0}>
              <QuickRun
                campaign={campaign}
                entry={current.entry}
                packs={packs}
                readingCount={plan.stepCount}
                onKept={(runId) => {
                  setKept(names.prop(current.entry.propId));
                  void photos.attachTo(runId);
                }}
                key={current.entry.id}
              />
              <PhotoBeside queue={photos} />
            </div>
          )}
          {plan.kind !== 'full' && (
            <p className="muted">
              {`${upperFirst(words.name)}: ` +
                `${plan.kind === 'own' ? plan.throttles!.map((u) => formatShare(u)).join(', ') : `${plan.stepCount} ${words.steps.toLowerCase()}`}, ` +
                `${words.hold.replace(', s', '').toLowerCase()} ${plan.holdS} s.`}
            </p>
          )}
        </section>
      )}
      <section className={classes.sheet} aria-label="Pictures">
        <PhotoDrop queue={photos} runs={campaign.runs} />
        {(current === null || plan.kind !== 'full') && <PhotoBeside queue={photos} />}
      </section>
      <section className={classes.sheet} aria-label="Runs of the evening">
        <h2>Runs</h2>
        <AskedNote asking={asking} error={setting.error} />
        <ol className={classes.order}>
          {entries.map(({ entry, state: own, runId }, i) => (
            <li key={entry.id} className={classes.entry} data-next={i === next}>
              <span className={classes.number}>{i + 1}</span>
              <StateMark state={own} />
              <span>
                <strong>{names.prop(entry.propId)}</strong>
                <span className={classes.under}>
                  {[
                    entry.isReference ? 'the reference' : null,
                    hasRigs ? names.rig(entry.kitId) : null,
                    names.pack(entry.packId),
                    stateNames[own],
                  ]
                    .filter((t) => t !== null)
                    .join(' · ')}
                </span>
              </span>
              {runId === null ? <span /> : <Link to={to(`/stand/runs/${runId}`)}>Open the run</Link>}
              {own === 'open' || own === 'skipped' ? (
                <Action
                  weight="quiet"
                  disabled={isAsking}
                  onClick={() => void skip(entry.id, own === 'open')}
                  aria-label={`${own === 'open' ? 'Skip' : 'Take up'} run ${i + 1}`}
                >
                  {own === 'open' ? 'Skip' : 'Take up'}
                </Action>
              ) : (
                <span />
              )}
            </li>
          ))}
        </ol>
      </section>
    </StationPage>
  );
}

const stateNames: Record<EntryState, string> = { done: 'kept', typing: 'begun', open: 'to run', skipped: 'left out' };
const stateShapes: Record<EntryState, string> = { done: '✓', typing: '…', open: '', skipped: '–' };

function StateMark({ state }: { state: EntryState }) {
  return <span aria-hidden>{stateShapes[state]}</span>;
}

/** Several readings are typed in the grid, or run on the live stand; what happens between readings only there. */
function RunActions({
  campaign,
  current,
  canType,
}: {
  campaign: CampaignDetailView;
  current: EveningState['entries'][number];
  canType: boolean;
}) {
  const go = useGo();
  const [create, creating] = useCreateRunMutation();
  const [startLive, starting] = useStartLiveMutation();
  const device = useDeviceChoice();
  const { propId: propModelId, packId: packPieceId, kitId } = current.entry;
  const begin = async (isLive: boolean): Promise<void> => {
    const id = v7();
    const draft = { ...freshGrid(), restingCell: '', zeroBefore: '', zeroAfter: '' };
    const begun = isLive
      ? await startLive({
          campaignId: campaign.id,
          body: { id, propModelId, packPieceId, kitId, deviceName: device.deviceName },
        })
      : await create({
          campaignId: campaign.id,
          body: { id, propModelId, packPieceId, kitId, replacesRunId: null, draft },
        });
    if (!begun.error) go(isLive ? `/stand/live/${id}` : `/stand/runs/${id}`, { propModelId });
  };
  const isBusy = creating.isLoading || starting.isLoading;
  const type = (): void => {
    if (current.runId === null) void begin(false);
    else go(`/stand/runs/${current.runId}`, { propModelId });
  };
  useKeys([
    ...(canType ? [{ key: 'n', what: 'Type the next run', run: type }] : []),
    { key: 'l', what: 'Run it on the live stand', run: () => void begin(true) },
  ]);
  return (
    <>
      {(canType || current.runId !== null) && (
        <Action weight="main" hint={canType ? 'n' : undefined} disabled={isBusy} onClick={type}>
          {current.runId === null ? 'Type the run' : 'Go on with the run'}
        </Action>
      )}
      {current.runId === null && (
        <Action weight={canType ? 'plain' : 'main'} hint="l" disabled={isBusy} onClick={() => void begin(true)}>
          Run it on the live stand
        </Action>
      )}
      <DeviceSelect choice={device} />
      <ProblemNote error={creating.error ?? starting.error} />
    </>
  );
}

/** Who leads, who is out of the race, what is to be repeated. */
function Reasons({
  race,
  state,
  names,
  runsPerPack,
}: {
  race: EveningRace;
  state: EveningState;
  names: Names;
  runsPerPack: number;
}) {
  const { to } = useInHand();
  const { data: instruments } = useInstrumentsQuery();
  const due = dueChecks(instruments?.standings ?? []);
  return (
    <>
      <ReasonList
        reasons={bySeverity([
          ...due,
          ...eveningReasons(state, race, runsPerPack, (id) =>
            state.packRuns.has(id) ? names.pack(id)! : names.prop(id),
          ),
        ])}
      />
      {due.length > 0 && <Link to={to('/stand/instruments')}>Check the instruments</Link>}
      <p className="muted">Stand well behind the disc, eyes protected; pack out before fingers go near.</p>
    </>
  );
}
