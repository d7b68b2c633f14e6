import { explainLife, LEAST_LOG } from '@zivvo/core';
import { NativeSelect, TextInput } from '@mantine/core';
import { carePolicies, type CareView, type CaredPieceView, type CraftView } from '@zivvo/contract';
import {
  carePolicyNames,
  fatigueStateNames,
  formatMinutes,
  formatNumber,
  formatShare,
  placeNames,
  strikeSeverityNames,
  struckThingNames,
} from '@zivvo/words';
import { useState } from 'react';
import { Link } from 'react-router';
import { v7 } from 'uuid';
import { useKeys } from '../shared/keys/keys.ts';
import {
  useCareQuery,
  useMendPieceMutation,
  useReleaseAlertMutation,
  useRaiseAlertMutation,
  useRemoveFlightMutation,
  useRestoreFlightMutation,
  useRotationQuery,
  useSetCareMutation,
} from '../shared/api/careApi.ts';
import {
  useActOnPiecesMutation,
  useBatchesQuery,
  useUpdateMotorMutation,
  useUpdateSetMutation,
} from '../shared/api/pieceApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay, formatTime } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { ReadyList } from '../shared/ui/ReadyList.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import { HeadlineWorking } from '../shared/working/HeadlineWorking.tsx';
import classes from './Care.module.css';
import { CareTabs } from './CareTabs.tsx';
import { dueWords, headlineOf } from './careView.ts';
import { FlightEntry } from './FlightEntry.tsx';

/** Whether the craft may fly, what is due, and a flight in one line. */
export function Component() {
  return <WithCraft station="Care">{(craft) => <CareOfCraft craft={craft} key={craft.id} />}</WithCraft>;
}

function CareOfCraft({ craft }: { craft: CraftView }) {
  const query = useCareQuery(craft.id);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(care) => <Care craft={craft} care={care} />}
    </Ready>
  );
}

function Care({ craft, care }: { craft: CraftView; care: CareView }) {
  const { to } = useInHand();
  const go = useGo();
  useKeys([{ key: 'n', what: 'Walk round', run: () => go('/care/walk') }]);
  const { lastWalkaround: last } = care;
  const worst = care.pieces.toSorted((a, b) => b.life.usedRatio - a.life.usedRatio)[0];
  return (
    <StationPage
      eyebrow={`Care · ${craft.name}`}
      headline={headlineOf(craft.name, care.ready)}
      detail={
        last === null
          ? 'Nobody has looked it over yet.'
          : `Looked over ${formatDay(last.lookedAt)}, ` +
            `${formatTime(last.lookedAt).slice(0, 5)}${last.personName === null ? '' : ` by ${last.personName}`}: ` +
            `${formatNumber(last.durationS, 0)} s for ${last.looks.length} ` +
            `${last.looks.length === 1 ? 'prop' : 'props'}.`
      }
      working={
        worst && (
          <HeadlineWorking
            working={explainLife(worst.life)}
            subject={worst.piece.tag}
            what={`the life of ${worst.piece.tag}`}
          />
        )
      }
      tools={<CareTabs />}
      reasons={
        <>
          <ReadyList ready={care.ready} here="care" />
          {care.reasons.length > 0 && <ReasonList reasons={care.reasons} />}
          <p className="muted">
            Pack unplugged before fingers go near. Zivvo certifies nothing: local rules, makers’ manuals and licensed
            maintenance come first.
          </p>
        </>
      }
      actions={
        <>
          <ActionLink weight="main" hint="n" to={to('/care/walk')}>
            Walk round
          </ActionLink>
          <ActionLink to={to('/care/symptoms')}>Something shakes</ActionLink>
        </>
      }
    >
      <Lives craft={craft} care={care} />
      <Rotation craft={craft} />
      <div className={classes.columns}>
        <FlightEntry craft={craft} />
        <Recent craft={craft} care={care} />
      </div>
      {care.motorsToFeel.length > 0 && <Motors care={care} />}
      <div className={classes.columns}>
        <Season craft={craft} care={care} />
        <Alerts care={care} />
      </div>
    </StationPage>
  );
}

/** What each piece has done, and when it is due. */
function Lives({ craft, care }: { craft: CraftView; care: CareView }) {
  const { to } = useInHand();
  const [set, setting] = useSetCareMutation();
  const { policy, isFolding, revision } = care.setting;
  return (
    <section className={classes.sheet} aria-label="Pieces on the craft">
      <h2>{care.pieces.length === 0 ? 'No tagged piece is on this craft' : 'Pieces on the craft'}</h2>
      {care.pieces.length === 0 && (
        <p className="muted">
          Life counts for pieces with a tag. <Link to={to('/fit')}>Fit a tagged set</Link>, and every flight counts from
          then on.
        </p>
      )}
      <ul className={classes.rows}>
        {care.pieces.map((p) => (
          <Life key={p.piece.id} craft={craft} care={care} cared={p} />
        ))}
      </ul>
      <div className={classes.bar}>
        <NativeSelect
          aria-label="Judged by"
          value={policy}
          onChange={(e) =>
            void set({
              craftId: craft.id,
              body: { policy: e.currentTarget.value as typeof policy, isFolding, revision },
            })
          }
          data={carePolicies.map((p) => ({ value: p, label: carePolicyNames[p] }))}
          style={{ minWidth: 270 }}
        />
        <label style={{ display: 'flex', gap: 8, alignItems: 'center', minHeight: 44 }}>
          <input
            type="checkbox"
            checked={isFolding}
            onChange={(e) =>
              void set({ craftId: craft.id, body: { policy, isFolding: e.currentTarget.checked, revision } })
            }
          />{' '}
          folding props
        </label>
      </div>
      <ProblemNote error={setting.error} />
    </section>
  );
}

function Life({ craft, care, cared }: { craft: CraftView; care: CareView; cared: CaredPieceView }) {
  const { to } = useInHand();
  const { piece, life } = cared;
  const lived = [
    `${formatNumber(life.durationS / 3600, 1)} h in ${life.flightCount} ` +
      `${life.flightCount === 1 ? 'flight' : 'flights'}`,
    life.strikeCount === 0 ? null : `${life.strikeCount} ${life.strikeCount === 1 ? 'strike' : 'strikes'}`,
  ]
    .filter((t) => t !== null)
    .join(', ');
  return (
    <li className={classes.life}>
      <Link className="mono" to={to(`/rack/pieces/${piece.id}`)}>
        {piece.tag}
      </Link>
      <span
        className={classes.gauge}
        role="img"
        aria-label={`${formatShare(life.usedRatio, 0)} of its life used: ${fatigueStateNames[life.state]}`}
      >
        <span
          className={classes.used}
          data-state={life.state}
          style={{ width: `${Math.min(100, 100 * life.usedRatio)}%` }}
        />
      </span>
      <span>
        {`${formatShare(life.usedRatio, 0)} used, ${fatigueStateNames[life.state]}`}
        <span
          className="muted"
          style={{ display: 'block', fontSize: 13 }}
        >{`${piece.place === null ? '' : `${placeNames[piece.place].toLowerCase()} · `}${lived}`}</span>
      </span>
      <span>{dueWords(life)}</span>
      {cared.openOutcome !== null && (
        <OpenOutcome craft={craft} care={care} cared={cared} outcome={cared.openOutcome} />
      )}
    </li>
  );
}

/** Whose turn it is: sets that take turns age together; a set may rest and come back. */
function Rotation({ craft }: { craft: CraftView }) {
  const { to } = useInHand();
  const { data } = useRotationQuery(craft.id);
  const [update, updating] = useUpdateSetMutation();
  if (!data || data.sets.length === 0) return null;
  const next = data.sets.find((s) => s.id === data.nextSetId);
  const on = data.sets.find((s) => s.isOn);
  const others = data.sets.some((s) => !s.isOn && s.isComplete && s.restedAt === null);
  return (
    <section className={classes.sheet} aria-label="Rest and rotate">
      <h2>
        {next
          ? `${next.name} is next: it has flown least`
          : !on
            ? 'No set of this craft may fly now'
            : others
              ? `${on.name} may stay on: the others are used alike`
              : `No other set may take over from ${on.name}`}
      </h2>
      <ul className={classes.rows}>
        {data.sets.map(({ id, name, revision, usedRatio, flownS, isOn, isComplete, restedAt }) => (
          <li key={id} style={{ display: 'flex', flexWrap: 'wrap', gap: '4px 14px', alignItems: 'center' }}>
            <Link to={to('/rack/sets')} style={{ minWidth: 70, fontWeight: 700 }}>
              {name}
            </Link>
            <span style={{ flex: '1 1 220px' }}>
              {`${formatShare(usedRatio, 0)} used, ${formatNumber(flownS / 3600, 1)} ` +
                `h${isOn ? ', on the craft' : ''}${isComplete ? '' : ', not complete'}${restedAt === null ? '' : `, resting since ${formatDay(restedAt)}`}`}
            </span>
            <Action
              onClick={() =>
                void update({ id, body: { name, craftId: craft.id, isResting: restedAt === null, revision } })
              }
            >
              {restedAt === null ? `Rest ${name}` : `Put ${name} back`}
            </Action>
          </li>
        ))}
      </ul>
      <ProblemNote error={updating.error} />
    </section>
  );
}

/** What the last look asked for, and doing it. */
export function OpenOutcome({
  craft,
  care,
  cared: { piece },
  outcome,
}: {
  craft: CraftView;
  care: CareView;
  cared: Pick<CaredPieceView, 'piece'>;
  outcome: NonNullable<CaredPieceView['openOutcome']>;
}) {
  const go = useGo();
  const [mend, mending] = useMendPieceMutation();
  const [act, acting] = useActOnPiecesMutation();
  // A set goes together, by the key of its first piece.
  const going =
    outcome === 'retireSet' ? care.pieces.filter((p) => p.openOutcome === 'retireSet').map((p) => p.piece) : [piece];
  const retire = async (): Promise<void> => {
    const ids = going.map((p) => p.id);
    try {
      await act({ ids, action: 'retire', as: 'scrapped', reason: 'found on the walkaround' }).unwrap();
    } catch {
      return;
    }
    void announceDeletion(
      `${going.map((p) => p.tag).join(', ')} ${going.length === 1 ? 'is' : 'are'} retired and made unflyable.`,
      () => void act({ ids, action: 'unretire' }),
    );
    go('/fit');
  };
  if (going[0]?.id !== piece.id) return null;
  return (
    <div className={classes.open} data-outcome={outcome}>
      {outcome === 'clean' ? (
        <>
          <span>Clean it, dress what was found, feel the edge again.</span>
          <Action onClick={() => void mend({ craftId: craft.id, pieceId: piece.id })}>It is mended</Action>
        </>
      ) : (
        <>
          <span>
            {outcome === 'retirePair'
              ? 'Change both blades on this motor.'
              : outcome === 'retireSet'
                ? 'The whole set goes.'
                : 'It never flies again.'}
          </span>
          <Action weight="danger" onClick={() => void retire()}>
            {going.length === 1
              ? `Retire ${piece.tag} and fit a spare`
              : `Retire all ${going.length} and fit another set`}
          </Action>
        </>
      )}
      <ProblemNote error={mending.error ?? acting.error} />
    </div>
  );
}

/** The last flights and strikes; a flight typed wrongly goes out again. */
function Recent({ craft, care }: { craft: CraftView; care: CareView }) {
  const [remove] = useRemoveFlightMutation();
  const [restore] = useRestoreFlightMutation();
  const happened = [
    ...care.flights.map((f) => ({ at: f.flownAt, flight: f, strike: null })),
    ...care.strikes.map((s) => ({ at: s.struckAt, flight: null, strike: s })),
  ]
    .sort((a, b) => b.at.localeCompare(a.at))
    .slice(0, 6);
  return (
    <section className={classes.sheet} aria-label="Last flights">
      <h2>{care.flownS === 0 ? 'No flight is logged yet' : `${formatNumber(care.flownS / 3600, 1)} h flown in all`}</h2>
      <ul className={classes.rows}>
        {happened.map(({ at, flight, strike }) => (
          <li key={flight?.id ?? strike!.id} style={{ display: 'flex', gap: 10, alignItems: 'center' }}>
            <span style={{ flex: 1 }}>
              {flight
                ? formatMinutes(flight.durationS)
                : `hit ${struckThingNames[strike.thing]} at ${formatShare(strike.throttleRatio, 0)} throttle: ` +
                  `${strikeSeverityNames[strike.severity]}`}
              <span
                className="muted"
                style={{ display: 'block', fontSize: 13 }}
              >{`${formatDay(at)}${(flight ?? strike).note === null ? '' : ` · ${(flight ?? strike).note}`}`}</span>
            </span>
            {flight && (
              <Action
                weight="quiet"
                aria-label={`Take the flight of ${formatDay(at)} out`}
                onClick={() => {
                  void remove({ craftId: craft.id, id: flight.id });
                  void announceDeletion(
                    'The flight was taken out of the log.',
                    () => void restore({ craftId: craft.id, id: flight.id }),
                  );
                }}
              >
                Take out
              </Action>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Struck motors are asked about until somebody has felt them. */
function Motors({ care }: { care: CareView }) {
  const [update, updating] = useUpdateMotorMutation();
  return (
    <section className={classes.sheet} aria-label="Struck motors">
      <h2>Struck motors: spin each bare and say how it feels</h2>
      {care.motorsToFeel.map((motor) => {
        const {
          id,
          tag,
          craftId,
          place,
          hours,
          overLimitCount,
          strikeCount,
          shaftPlayM,
          shaftRunOutM,
          note,
          revision,
        } = motor;
        return (
          <div key={id} className={classes.bar}>
            <strong className="mono">{tag}</strong>
            {(['smooth', 'dry', 'gritty'] as const).map((bearing) => (
              <Action
                key={bearing}
                onClick={() =>
                  void update({
                    id,
                    body: {
                      tag,
                      craftId,
                      place,
                      hours,
                      overLimitCount,
                      strikeCount,
                      bearing,
                      shaftPlayM,
                      shaftRunOutM,
                      note,
                      revision,
                    },
                  })
                }
              >
                {bearing}
              </Action>
            ))}
          </div>
        );
      })}
      <ProblemNote error={updating.error} />
    </section>
  );
}

/** What the log says the next season will take. */
function Season({ craft, care }: { craft: CraftView; care: CareView }) {
  const { days, flightCount, logDays, hands } = care.season;
  const isUnknown = hands.some(({ spares }) => spares === null);
  return (
    <section className={classes.sheet} aria-label="Spares for the season">
      <h2>Spares for the next season</h2>
      {isUnknown && (
        <p>
          {`Not enough flown to say: ${flightCount} ${flightCount === 1 ? 'flight' : 'flights'} in ${logDays} ` +
            `${logDays === 1 ? 'day' : 'days'} of log, of ${LEAST_LOG.flights} in ${LEAST_LOG.days} that are ` +
            'needed.'}
        </p>
      )}
      {hands.length === 0 && (
        <p className="muted">{`Choose a reference prop for ${craft.name}, and its spares are counted here.`}</p>
      )}
      <ul className={classes.rows}>
        {hands.map(
          ({ hand, spares }) =>
            spares && (
              <li key={hand}>
                <strong>
                  {spares.toBuyCount === 0
                    ? `${hand.toUpperCase()}: enough on the rack`
                    : `Buy ${spares.toBuyCount} ${hand.toUpperCase()}`}
                </strong>
                <span className="muted" style={{ display: 'block', fontSize: 13 }}>
                  {`${spares.safeCount} are enough in nineteen of twenty seasons of ${days} days; ` +
                    `${formatNumber(spares.expectedCount, 1)} are ` +
                    `usual.${spares.isThin ? ' Hardly a piece was used up yet: little is known.' : ''}`}
                </span>
              </li>
            ),
        )}
      </ul>
    </section>
  );
}

/** An undamaged piece that failed grounds its siblings until somebody releases them. */
function Alerts({ care }: { care: CareView }) {
  const [raise, raising] = useRaiseAlertMutation();
  const [release, releasing] = useReleaseAlertMutation();
  const { data: models } = usePropModelsQuery();
  const { data: batches } = useBatchesQuery();
  const [text, setText] = useState('');
  const [answer, setAnswer] = useState('');
  const [batchId, setBatchId] = useState('');
  const modelId = care.pieces[0]?.piece.propModelId ?? null;
  const nameOf = (id: string): string => {
    const model = models?.items.find((m) => m.id === id);
    return model ? propModelName(model) : 'this model';
  };
  const deliveryOf = (id: string): string => {
    const batch = batches?.items.find((b) => b.id === id);
    return batch ? `delivery of ${formatDay(batch.createdAt)}` : 'one delivery';
  };
  const deliveries = batches?.items.filter((b) => b.propModelId === modelId) ?? [];
  return (
    <section className={classes.sheet} aria-label="Model alerts">
      <h2>{care.alerts.length === 0 ? 'No alert grounds this craft' : 'Grounded by an alert'}</h2>
      {care.alerts.map((alert) => (
        <div key={alert.id}>
          <p>
            <strong>{nameOf(alert.propModelId)}</strong>
            {`${alert.batchId === null ? '' : `, ${deliveryOf(alert.batchId)}`}: ${alert.reason}. Since ` +
              `${formatDay(alert.raisedAt)}.`}
          </p>
          <TextInput
            label="Why it may be released"
            value={answer}
            onChange={(e) => setAnswer(e.currentTarget.value)}
            placeholder="whole bag looked at under the magnifier"
            maxLength={500}
          />
          <div className={classes.bar}>
            <Action
              disabled={answer.trim() === ''}
              onClick={() => void release({ id: alert.id, reason: answer.trim() })}
            >
              Release
            </Action>
          </div>
        </div>
      ))}
      {care.alerts.length === 0 && modelId !== null && (
        <>
          <p className="muted">{`Did an undamaged ${nameOf(modelId)} fail? All of its kind stay down until they are released.`}</p>
          {deliveries.length > 0 && (
            <NativeSelect
              label="Which of them"
              value={batchId}
              onChange={(e) => setBatchId(e.currentTarget.value)}
              data={[
                { value: '', label: 'all of this model' },
                ...deliveries.map((b) => ({
                  value: b.id,
                  label: `only the ${deliveryOf(b.id)}, ${b.pieceCount} pieces`,
                })),
              ]}
              mb="xs"
            />
          )}
          <TextInput
            label="What failed"
            value={text}
            onChange={(e) => setText(e.currentTarget.value)}
            placeholder="cracked at the root without a strike"
            maxLength={500}
          />
          <div className={classes.bar}>
            <Action
              weight="danger"
              disabled={text.trim() === ''}
              onClick={() =>
                void raise({
                  id: v7(),
                  propModelId: modelId,
                  batchId: batchId === '' ? null : batchId,
                  reason: text.trim(),
                }).then(() => setText(''))
              }
            >
              Ground them all
            </Action>
          </div>
        </>
      )}
      <ProblemNote error={raising.error ?? releasing.error} />
    </section>
  );
}
