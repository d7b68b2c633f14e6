import type { ArmStateDto, CraftView, FittingView, UpdateFittingDto } from '@zivvo/contract';
import { bySeverity } from '@zivvo/core';
import { useState } from 'react';
import { useKeys } from '../shared/keys/keys.ts';
import { usePerson } from '../shared/store/usePerson.ts';
import { useQueuedChanges } from '../shared/api/useQueuedChanges.ts';
import {
  useConfirmFittingMutation,
  useFittingQuery,
  useLazyFittingQuery,
  useSwapArmsMutation,
  useUpdateFittingMutation,
} from '../shared/api/fitApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { WaitingNote } from '../shared/ui/WaitingNote.tsx';
import { ReadyList } from '../shared/ui/ReadyList.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { HeadlineWorking } from '../shared/working/HeadlineWorking.tsx';
import { ArmPanel } from './ArmPanel.tsx';
import classes from './FitPage.module.css';
import {
  armName,
  elsewhere,
  fitWorking,
  headlineOf,
  isArm,
  moveDone,
  moveSentence,
  nextStep,
  openSentence,
  reversed,
  signatureSentence,
  withAllLooked,
  withAllSpins,
  withArm,
  withFacts,
  type ArmKey,
  type NextStep,
} from './fitView.ts';
import { EveryArm, SpinCheck } from './SeeTheSpin.tsx';
import { SignIt } from './SignIt.tsx';
import { SpinMap } from './SpinMap.tsx';

/** Right piece, right way round: the craft from above, what it will do, what mends it. */
export function Component() {
  return <WithCraft station="Fit">{(craft) => <FitCraft craft={craft} key={craft.id} />}</WithCraft>;
}

function FitCraft({ craft }: { craft: CraftView }) {
  const query = useFittingQuery(craft.id);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(view) => <Fit craft={craft} view={view} />}
    </Ready>
  );
}

function Fit({ craft, view }: { craft: CraftView; view: FittingView }) {
  const { to } = useInHand();
  const format = useFormat();
  const { personId } = usePerson();
  const [chosen, setChosen] = useState<ArmKey | null>(null);
  const [checkedAt, setCheckedAt] = useState<number | null>(null);
  const [isSwapping, setSwapping] = useState(false);
  const [update] = useUpdateFittingMutation();
  const [swap, swapping] = useSwapArmsMutation();
  const [confirm, confirming] = useConfirmFittingMutation();
  const arm = view.arms.find((a) => isArm(a, chosen)) ?? null;
  const [reread] = useLazyFittingQuery();
  const { add: write, state: writing } = useQueuedChanges<FittingView, UpdateFittingDto>(view, {
    send: (newest, body) => update({ craftId: craft.id, body: { ...body, revision: newest.revision } }).unwrap(),
    reread: () => reread(craft.id).unwrap(),
    has: (newest, body) =>
      JSON.stringify(withFacts(newest, {})) === JSON.stringify({ ...body, revision: newest.revision }),
  });
  const set = (key: ArmKey, change: Partial<ArmStateDto>): void => write((latest) => withArm(latest, key, change));
  const choose = (key: ArmKey | null): void => {
    setChosen(key);
    setSwapping(false);
    setCheckedAt(null);
  };
  const step = (by: number): void => {
    const at = view.arms.findIndex((a) => isArm(a, chosen));
    choose(view.arms[(at + by + view.arms.length) % view.arms.length]!);
  };
  const swapArms = ({ place, level }: ArmKey, other: ArmKey): void => {
    setSwapping(false);
    void swap({
      craftId: craft.id,
      body: { first: { place, level }, second: { place: other.place, level: other.level } },
    });
  };
  const take = (key: ArmKey): void =>
    isSwapping && arm && !isArm(key, arm) ? swapArms(arm, key) : choose(isArm(key, chosen) ? null : key);
  const seeAll = (): void => write(withAllSpins);
  const lookAll = (): void => write(withAllLooked);
  const sign = (): void => {
    // Without a person the page asks for one; a key signs for nobody.
    if (personId !== null) void confirm({ craftId: craft.id, body: { note: null } });
  };
  useKeys([
    { key: 'n', what: 'Next arm', run: () => step(1) },
    { key: 'b', what: 'Arm before', run: () => step(-1) },
    { key: 'a', what: 'I saw every spin turn as it is drawn', run: seeAll },
    { key: 'l', what: 'I looked at every piece, on untouched arms too', run: lookAll },
    { key: 's', what: 'This shaft turns the other way', run: () => arm && set(arm, reversed(arm)) },
    {
      key: 't',
      what: 'This piece is turned over',
      run: () => arm && set(arm, { isLabelForward: !arm.isLabelForward }),
    },
    { key: 'w', what: 'Swap this piece with the one of another arm', run: () => arm && setSwapping(!isSwapping) },
    { key: 'k', what: 'Sign for it', run: sign },
  ]);
  const { plan } = view;
  const [first] = plan.moves;
  const signature = signatureSentence(view, format.sentence);
  const next = nextStep(view);
  const doMove = (step: Extract<NextStep, { kind: 'move' }>): void => {
    const { move } = step;
    if (move.kind === 'swap') swapArms(move.a, move.b);
    else write((latest) => moveDone(latest, move));
  };
  return (
    <StationPage
      eyebrow={`Fit · ${craft.name}`}
      headline={headlineOf(view, craft.name)}
      working={
        <HeadlineWorking
          working={fitWorking(view, { ...craft, rotorCount: craft.rotors.length })}
          subject={craft.name}
          what={view.takeOff.verdict === 'tips' ? 'the moment' : 'the pull of an arm'}
        />
      }
      detail={first ? moveSentence(first, view.arms) : `${signature} ${openSentence(view) ?? ''}`}
      reasons={
        <>
          <ReasonList reasons={bySeverity([...view.takeOff.reasons, ...view.reasons])} />
          <ReadyList ready={elsewhere(view.ready)} />
          {first && (
            <section aria-label="Fewest moves" className={classes.moves}>
              <h2>{`Fewest moves: ${plan.moves.length}`}</h2>
              <ol>
                {plan.moves.map((move, i) => (
                  <li key={i}>{moveSentence(move, view.arms)}</li>
                ))}
              </ol>
              {plan.missing.cwCount + plan.missing.ccwCount > 0 && (
                <p className={classes.wrong}>
                  {'Not on the rack: ' +
                    `${[plan.missing.cwCount > 0 ? `${plan.missing.cwCount} CW` : '', plan.missing.ccwCount > 0 ? `${plan.missing.ccwCount} CCW` : ''].filter((t) => t !== '').join(' and ')}.`}
                </p>
              )}
            </section>
          )}
          {view.tablePlan && (
            <section aria-label="Or tell the controller" className={classes.moves}>
              <h2>Or leave the motors as they turn</h2>
              <ol>
                {view.tablePlan.moves.map((move, i) => (
                  <li key={i}>{moveSentence(move, view.arms)}</li>
                ))}
              </ol>
            </section>
          )}
          <p className={classes.caution}>Pack out before fingers go near. The maker’s manual comes first.</p>
        </>
      }
      actions={
        <>
          <NextAction
            next={next}
            view={view}
            isBusy={confirming.isLoading || swapping.isLoading}
            onMove={doMove}
            onFit={choose}
            onSee={seeAll}
            onLook={lookAll}
            onSign={sign}
          />
          <ActionLink weight="quiet" to={to('/fit/card')}>
            Card for pocket and case
          </ActionLink>
        </>
      }
    >
      <ProblemNote
        error={(writing.status === 'refused' ? writing.problem : null) ?? swapping.error ?? confirming.error}
      />
      <WaitingNote state={writing} />
      <div className={classes.columns}>
        <section className={classes.sheet}>
          <SpinMap
            view={view}
            kind={craft.kind}
            chosen={checkedAt === null ? chosen : view.arms[checkedAt]!}
            onChoose={take}
            size={450}
          />
          <p className="muted">
            {craft.kind === 'plane' ? 'From the front, the labels facing you. ' : 'From above, nose up. '}
            Outside: the shaft’s spin, thick once it was seen. Inside: the piece’s hand, and what it will pull. Struck:
            they clash.
          </p>
        </section>
        {checkedAt !== null ? (
          <SpinCheck craft={craft} view={view} at={checkedAt} onAt={setCheckedAt} onSeen={set} />
        ) : arm ? (
          <ArmPanel
            key={`${arm.place}/${arm.level}`}
            craft={craft}
            view={view}
            arm={arm}
            onSet={(change) => set(arm, change)}
            isSwapping={isSwapping}
            onSwapping={setSwapping}
            onSwapWith={(other) => swapArms(arm, other)}
          />
        ) : (
          <EveryArm
            craft={craft}
            view={view}
            onChoose={choose}
            onCheck={() => setCheckedAt(0)}
            onFacts={(change) => write((latest) => withFacts(latest, change))}
          />
        )}
      </div>
    </StationPage>
  );
}

interface NextActionProps {
  next: NextStep;
  view: FittingView;
  isBusy: boolean;
  onMove: (step: Extract<NextStep, { kind: 'move' }>) => void;
  onFit: (arm: ArmKey) => void;
  onSee: () => void;
  onLook: () => void;
  onSign: () => void;
}

const MOVE_WORDS = { swap: 'I swapped them', turnOver: 'I turned it over', reverse: 'It turns right now' } as const;

/** The one thing to do next; at the end of it stands the signature. */
function NextAction({ next, view, isBusy, onMove, onFit, onSee, onLook, onSign }: NextActionProps) {
  switch (next.kind) {
    case 'move':
      return (
        <Action weight="main" disabled={isBusy} onClick={() => onMove(next)}>
          {MOVE_WORDS[next.move.kind]}
        </Action>
      );
    case 'fit':
      return (
        <Action weight="main" onClick={() => onFit(next.arm)}>
          {`Fit ${armName(next.arm, view.arms).toLowerCase()}`}
        </Action>
      );
    case 'see':
      return (
        <Action weight="main" hint="a" onClick={onSee}>
          I saw every spin as drawn
        </Action>
      );
    case 'look':
      return (
        <Action weight="main" hint="l" onClick={onLook}>
          I looked at every piece
        </Action>
      );
    case 'sign':
      return <SignIt view={view} isBusy={isBusy} onSign={onSign} />;
  }
}
