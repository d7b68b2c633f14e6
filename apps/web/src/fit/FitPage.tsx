import { SegmentedControl, TextInput } from '@mantine/core';
import { armChecks, NOTE_MAX_LENGTH, type ArmView, type CraftView, type FittingView, type UpdateFittingDto } from '@zivvo/contract';
import { handNames, armCheckNames, formatNumber, formatShare, mountSheets, placeNames } from '@zivvo/words';
import { useEffect, useRef, useState } from 'react';
import { useKeys } from '../app/keys.ts';
import { problemOf } from '../shared/api/api.ts';
import { useConfirmFittingMutation, useFitPieceMutation, useFittingQuery, useSwapPiecesMutation, useUpdateFittingMutation } from '../shared/api/fitApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './FitPage.module.css';
import { armName, headlineOf, isArm, moveSentence, withAllSpins, withArm, withFacts, type ArmKey } from './fitView.ts';
import { HandFinder } from './HandFinder.tsx';
import { SpinMap } from './SpinMap.tsx';

/** Right piece, right way round: the craft from above, what it will do, what mends it. */
export function Component() {
  return <WithCraft station="Fit">{(craft) => <FitCraft craft={craft} key={craft.id} />}</WithCraft>;
}

function FitCraft({ craft }: { craft: CraftView }) {
  const query = useFittingQuery(craft.id);
  return <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>{(view) => <Fit craft={craft} view={view} />}</Ready>;
}

function Fit({ craft, view }: { craft: CraftView; view: FittingView }) {
  const [chosen, choose] = useState<ArmKey | null>(null);
  const [update, updating] = useUpdateFittingMutation();
  const [swap, swapping] = useSwapPiecesMutation();
  const [confirm, confirming] = useConfirmFittingMutation();
  const arm = view.arms.find((a) => isArm(a, chosen)) ?? null;
  const write = useInTurn(view, (body: UpdateFittingDto) => update({ craftId: craft.id, body }).unwrap());
  const set = (key: ArmKey, change: Parameters<typeof withArm>[2]): void => write((latest) => withArm(latest, key, change));
  const step = (by: number): void => {
    const at = view.arms.findIndex((a) => isArm(a, chosen));
    choose(view.arms[(at + by + view.arms.length) % view.arms.length]!);
  };
  const seeAll = (): void => write(withAllSpins);
  const sign = (): void => void confirm({ craftId: craft.id, body: { note: null } });
  useKeys([
    { key: 'n', what: 'Next arm', run: () => step(1) },
    { key: 'b', what: 'Arm before', run: () => step(-1) },
    { key: 'a', what: 'I saw every spin turn as it is drawn', run: seeAll },
    { key: 's', what: 'This motor turns the other way', run: () => arm && set(arm, { seenSpin: arm.spin === 'cw' ? 'ccw' : 'cw' }) },
    { key: 't', what: 'This piece is turned over', run: () => arm && set(arm, { isLabelForward: !arm.isLabelForward }) },
    { key: 'k', what: 'Sign for it', run: sign },
  ]);
  const { plan } = view;
  const first = plan.moves[0];
  const doSwap = (): void => {
    if (first?.kind !== 'swap') return;
    const pieceOn = (key: ArmKey) => view.arms.find((a) => isArm(a, key))?.piece;
    const [a, b] = [pieceOn(first.a), pieceOn(first.b)];
    if (a && b) void swap({ craftId: craft.id, body: { firstPieceId: a.id, secondPieceId: b.id } });
  };
  const canSwapHere = first?.kind === 'swap' && view.arms.some((a) => isArm(a, first.a) && a.piece) && view.arms.some((a) => isArm(a, first.b) && a.piece);
  return (
    <StationPage
      eyebrow={`Fit · ${craft.name}`}
      headline={headlineOf(view, craft.name)}
      detail={plan.moves.length > 0 ? moveSentence(first!, view.arms) : view.confirmedAt === null ? 'Nobody has signed for it yet.' : `Signed ${formatDay(view.confirmedAt)}${view.confirmedBy === null ? '' : ` by ${view.confirmedBy}`}.`}
      reasons={
        <>
          <ReasonList reasons={view.takeOff.reasons} />
          {plan.moves.length > 0 && (
            <section aria-label="Fewest moves" className={classes.moves}>
              <h2>{`Fewest moves: ${plan.moves.length}`}</h2>
              <ol>
                {plan.moves.map((move, i) => (
                  <li key={i}>{moveSentence(move, view.arms)}</li>
                ))}
              </ol>
              {plan.missing.cwCount + plan.missing.ccwCount > 0 && <p className={classes.wrong}>{`Not on the rack: ${[plan.missing.cwCount > 0 ? `${plan.missing.cwCount} CW` : '', plan.missing.ccwCount > 0 ? `${plan.missing.ccwCount} CCW` : ''].filter((t) => t !== '').join(' and ')}.`}</p>}
            </section>
          )}
          <Forces view={view} craft={craft} />
        </>
      }
      actions={
        <>
          {canSwapHere ? (
            <Action weight="main" onClick={doSwap}>
              I swapped them
            </Action>
          ) : view.takeOff.isConfirmed || view.takeOff.verdict === 'unknown' ? (
            <Action weight="main" hint="k" disabled={confirming.isLoading || view.takeOff.verdict === 'unknown'} onClick={sign}>
              Sign for it
            </Action>
          ) : (
            <Action weight="main" hint="a" onClick={seeAll}>
              I saw every spin as drawn
            </Action>
          )}
          <Action weight="quiet" onClick={() => window.print()}>
            Print the card
          </Action>
        </>
      }
    >
      <ProblemNote error={updating.error ?? swapping.error ?? confirming.error} />
      <div className={classes.columns}>
        <section className={classes.sheet}>
          <SpinMap view={view} kind={craft.kind} chosen={chosen} onChoose={choose} size={430} />
          <p className="muted">
            {craft.kind === 'plane' ? 'From the front, the labels facing you. ' : 'From above, nose up. '}
            Outside: the motor’s spin, thick once it was seen. Inside: the piece’s hand. Struck in red: they clash.
          </p>
        </section>
        {arm ? <ArmPanel key={`${arm.place}/${arm.level}`} craft={craft} view={view} arm={arm} onSet={(change) => set(arm, change)} /> : <SeeTheSpin craft={craft} view={view} onChoose={choose} onFacts={(change) => write((latest) => withFacts(latest, change))} />}
      </div>
    </StationPage>
  );
}

/** Sends changes one after the other, each made on the answer to the one before: quick hands lose nothing. */
function useInTurn(view: FittingView, send: (body: UpdateFittingDto) => Promise<FittingView>): (change: (latest: FittingView) => UpdateFittingDto) => void {
  const latest = useRef(view);
  const queue = useRef<Promise<void>>(Promise.resolve());
  useEffect(() => {
    if (view.revision >= latest.current.revision) latest.current = view;
  }, [view]);
  return (change) => {
    queue.current = queue.current.then(async () => {
      try {
        latest.current = await send(change(latest.current));
      } catch {
        // The note above the map says what went wrong; the next change starts from what the page shows.
      }
    });
  };
}

/** How to see a spin safely, and which arms are left. */
interface SeeTheSpinProps {
  craft: CraftView;
  view: FittingView;
  onChoose: (key: ArmKey) => void;
  onFacts: (change: Parameters<typeof withFacts>[1]) => void;
}

function SeeTheSpin({ craft, view, onChoose, onFacts }: SeeTheSpinProps) {
  return (
    <section className={classes.sheet} aria-label="See the spin">
      <h2>See the spin</h2>
      <ol className={classes.steps}>
        <li>Pack out, every prop off.</li>
        <li>A strip of paper held at the bell, pack in, one short bump from the controller’s motor page.</li>
        <li>The strip is flicked the way the shaft turns. Pack out again, then read the controller’s table.</li>
      </ol>
      <p className="muted">Take an arm to say what you saw, what is on it, and to put a tagged piece there.</p>
      <ul className={classes.arms}>
        {view.arms.map((a) => (
          <li key={`${a.place}/${a.level}`}>
            <button type="button" className={classes.arm} onClick={() => onChoose(a)}>
              <strong>{armName(a, view.arms)}</strong>
              <span>{a.piece ? <span className="mono">{a.piece.tag}</span> : a.hand === null ? 'no piece known' : 'untagged'}</span>
              <span className={a.isSpinSeen ? classes.right : 'muted'}>{a.isSpinSeen ? 'seen' : 'not seen'}</span>
            </button>
          </li>
        ))}
      </ul>
      {craft.kind === 'multirotor' && (
        <label className={classes.fact}>
          <input type="checkbox" checked={view.isHanging} onChange={(e) => onFacts({ isHanging: e.currentTarget.checked })} /> The motors hang under the arms
        </label>
      )}
      <TextInput key={view.note} label="Note for whoever fits next" defaultValue={view.note ?? ''} maxLength={NOTE_MAX_LENGTH} onBlur={(e) => e.currentTarget.value !== (view.note ?? '') && onFacts({ note: e.currentTarget.value.trim() || null })} />
    </section>
  );
}

interface ArmPanelProps {
  craft: CraftView;
  view: FittingView;
  arm: ArmView;
  onSet: (change: Parameters<typeof withArm>[2]) => void;
}

function ArmPanel({ craft, view, arm, onSet }: ArmPanelProps) {
  const { data: models } = usePropModelsQuery();
  const model = models?.items.find((m) => m.id === (arm.piece?.propModelId ?? craft.referencePropModelId));
  const sheet = mountSheets[model?.mountKind ?? 'nut']!;
  const done = new Set(arm.checks.map((c) => c.what));
  return (
    <section className={classes.sheet} aria-label={armName(arm, view.arms)}>
      <h2>{armName(arm, view.arms)}</h2>
      <p className={classes.line}>
        needs <HandArrow hand={arm.neededHand} /> · has {arm.hand === null ? 'nothing known' : <HandArrow hand={arm.hand} />}
        {arm.piece && <span className="mono">{arm.piece.tag}</span>}
      </p>
      <ScanToArm craft={craft} arm={arm} />
      <label className={classes.field}>
        <span>{craft.kind === 'plane' ? 'The motor turns, seen from behind' : 'The motor turns'}</span>
        <SegmentedControl aria-label="The motor turns" value={arm.seenSpin ?? 'none'} onChange={(v) => onSet({ seenSpin: v === 'none' ? null : (v) })} data={[{ value: 'cw', label: 'CW' }, { value: 'ccw', label: 'CCW' }, { value: 'none', label: 'not seen' }]} />
      </label>
      <label className={classes.field}>
        <span>The label faces</span>
        <SegmentedControl aria-label="The label faces" value={arm.isLabelForward ? 'forward' : 'back'} onChange={(v) => onSet({ isLabelForward: v === 'forward' })} data={[{ value: 'forward', label: craft.kind === 'plane' ? 'forward' : 'up' }, { value: 'back', label: craft.kind === 'plane' ? 'back' : 'down' }]} />
      </label>
      {!arm.piece && (
        <>
          <label className={classes.field}>
            <span>Hand of the untagged piece</span>
            <SegmentedControl aria-label="Hand of the untagged piece" value={arm.hand ?? 'none'} onChange={(v) => onSet({ hand: v === 'none' ? null : (v) })} data={[{ value: 'cw', label: 'CW' }, { value: 'ccw', label: 'CCW' }, { value: 'either', label: 'either' }, { value: 'none', label: 'unknown' }]} />
          </label>
          <HandFinder letters={{ cwLetters: model?.cwLetters ?? null, ccwLetters: model?.ccwLetters ?? null }} onFound={(hand) => onSet({ hand })} />
        </>
      )}
      <h3>Before the nut is called tight</h3>
      <ul className={classes.checks}>
        {armChecks.map((what) => (
          <li key={what}>
            <label>
              <input type="checkbox" checked={done.has(what)} onChange={(e) => onSet({ checks: e.currentTarget.checked ? [...arm.checks, { what }] : arm.checks.filter((c) => c.what !== what) })} /> {armCheckNames[what]}
            </label>
          </li>
        ))}
      </ul>
      <p className="muted">{`${sheet.mind} Tools: ${sheet.tools}; about ${sheet.minutes} min; gets lost: ${sheet.lost}.`}</p>
      <label className={classes.field}>
        <span>Thread of the nut</span>
        <SegmentedControl aria-label="Thread of the nut" value={arm.threadOn ?? 'none'} onChange={(v) => onSet({ thread: v === 'none' ? null : (v) })} data={[{ value: 'right', label: 'right-hand' }, { value: 'left', label: 'left-hand' }, { value: 'none', label: 'not noted' }]} />
      </label>
      <p className="muted">{`Drag tightens a ${arm.thread.selfTightening}-hand nut here; it comes off ${handNames[arm.thread.undo]} seen from the nut. Lock it in any case. Torque only as the maker gives it.`}</p>
    </section>
  );
}

/** Tag, arm, a huge yes or no before the nut goes on. */
function ScanToArm({ craft, arm }: { craft: CraftView; arm: ArmView }) {
  const [fit, fitting] = useFitPieceMutation();
  const [tag, setTag] = useState('');
  const [oldTag, setOldTag] = useState('');
  const [reason, setReason] = useState('');
  const [isDone, setDone] = useState(false);
  const problem = problemOf(fitting.error);
  const isRefused = problem !== null && problem.code !== 'fit.oldTag';
  const put = async (overrideReason: string | null): Promise<void> => {
    setDone(false);
    try {
      await fit({ craftId: craft.id, body: { tag: tag.trim(), place: arm.place, level: arm.level, oldTag: arm.piece ? oldTag.trim() || null : null, overrideReason } }).unwrap();
      setDone(true);
      setTag('');
      setOldTag('');
      setReason('');
    } catch {
      // The answer below says why.
    }
  };
  return (
    <form
      className={classes.scan}
      onSubmit={(e) => {
        e.preventDefault();
        void put(null);
      }}
    >
      {arm.piece && <TextInput label={`Read the old mark on ${placeNames[arm.place].toLowerCase()}`} placeholder="tag that comes off" value={oldTag} onChange={(e) => setOldTag(e.currentTarget.value.toUpperCase())} maxLength={12} styles={{ input: { fontFamily: 'var(--font-mono)', fontSize: 18 } }} />}
      <TextInput label="Tag of the piece that goes on" value={tag} onChange={(e) => { setTag(e.currentTarget.value.toUpperCase()); fitting.reset(); setDone(false); }} maxLength={12} styles={{ input: { fontFamily: 'var(--font-mono)', fontSize: 18 } }} />
      <Action type="submit" disabled={tag.trim() === '' || fitting.isLoading}>
        May it go on?
      </Action>
      <div role="status">
        {isDone && (
          <p className={classes.yes}>
            Yes<span>on {placeNames[arm.place].toLowerCase()}; lock it and look again</span>
          </p>
        )}
        {problem !== null && (
          <p className={classes.no}>
            No<span>{problem.detail}</span>
          </p>
        )}
      </div>
      {isRefused && (problem.code === 'fit.otherHand' || problem.code === 'fit.otherModel') && (
        <div className={classes.override}>
          <TextInput label="Put it on all the same, because" value={reason} onChange={(e) => setReason(e.currentTarget.value)} maxLength={200} />
          <Action weight="danger" disabled={reason.trim() === ''} onClick={() => void put(reason.trim())}>
            Override, and write it down
          </Action>
        </div>
      )}
    </form>
  );
}

/** What a lost rotor or blade would mean. */
function Forces({ view, craft }: { view: FittingView; craft: CraftView }) {
  const format = useFormat();
  const { marginsAfterLoss, bladeLoss } = view;
  const worst = marginsAfterLoss && marginsAfterLoss.length > 0 ? Math.min(...marginsAfterLoss) : null;
  return (
    <div className={classes.forces}>
      {worst !== null && <p>{worst < 1 ? `Loses a rotor and comes down: ${formatShare(Math.max(0, worst), 0)} of its weight is held level at worst.` : `Holds itself level after any one rotor stops: ${formatNumber(worst, 2)} times its weight at worst.`}</p>}
      {bladeLoss && <p>{`A lost blade pulls with ${format.quantity(bladeLoss.forceN, 'force').text} at full throttle, ${formatNumber(bladeLoss.forceN / bladeLoss.weightN, 0)} times the weight of ${craft.name}: shut down at once.`}</p>}
      {view.propModelIds.length > 1 && <PropMix ids={view.propModelIds} />}
    </div>
  );
}

function PropMix({ ids }: { ids: readonly string[] }) {
  const { data: models } = usePropModelsQuery();
  return <p className={classes.wrong}>{`Mixed models: ${ids.map((id) => models?.items.find((m) => m.id === id)).flatMap((m) => (m ? [propModelName(m)] : [])).join(', ')}. One model on every arm.`}</p>;
}
