import { NativeSelect, TextInput } from '@mantine/core';
import type { CraftView, ListeningView, ListenView, TakeView } from '@zivvo/contract';
import { listenLimits } from '@zivvo/contract';
import { fromSi, toSi } from '@zivvo/core';
import { formatNumber, unitFor } from '@zivvo/words';
import { lazy, Suspense, useMemo, useState } from 'react';
import {
  useRemoveListeningMutation,
  useRemoveTakeMutation,
  useRestoreListeningMutation,
  useRestoreTakeMutation,
} from '../shared/api/listenApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useInk } from '../shared/charts/useInk.ts';
import { useIsNarrow } from '../shared/charts/useIsNarrow.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { useKeys } from '../shared/keys/keys.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propMark } from '../shared/ui/propColour.ts';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';
import { HeadlineWorking } from '../shared/working/HeadlineWorking.tsx';
import { ListenTable } from './ListenTable.tsx';
import { ListenTabs } from './ListenTabs.tsx';
import classes from './Listen.module.css';
import { listenHeadline, listenWorking, placeText, takeText } from './listenView.ts';
import { OverTime } from './OverTime.tsx';
import { levelOption, linesOf, spectrumOption } from './soundCharts.ts';
import { useOpenListening } from './useOpenListening.ts';

const Chart = lazy(() => import('../shared/charts/Chart.tsx'));
const CHART_HEIGHT = 250;

/** What the ear says of the props of a craft, side by side. */
export function Component() {
  return <WithCraft station="Listen">{(craft) => <ListenOf craft={craft} key={craft.id} />}</WithCraft>;
}

function ListenOf({ craft }: { craft: CraftView }) {
  const [typed] = useAddressParam('thrust');
  const thrustN = typed === null ? null : numberIn(typed, listenLimits.thrustN).value;
  const { query, open } = useOpenListening(craft.id, thrustN);
  return <Ready query={query}>{(listen) => <Listen craft={craft} listen={listen} onOpen={open} />}</Ready>;
}

function Listen({
  craft,
  listen,
  onOpen,
}: {
  craft: CraftView;
  listen: ListenView;
  onOpen: (id: string | null) => void;
}) {
  const { to } = useInHand();
  const go = useGo();
  const { open } = listen;
  const told = useMemo(() => listenWorking(listen), [listen]);
  const takePath = open ? `/listen/new?listening=${open.id}` : '/listen/place';
  useKeys([{ key: 'n', what: 'A take', run: () => go(takePath) }]);
  return (
    <StationPage
      eyebrow={`Listen · ${craft.name}`}
      headline={listenHeadline(listen)}
      detail={open ? placeText(open) : undefined}
      working={told && <HeadlineWorking working={told.working} subject={told.subject} />}
      tools={<ListenTabs />}
      reasons={open && open.takes.length > 0 ? <ReasonList reasons={open.reasons} /> : <HowTo />}
      actions={
        <>
          <ActionLink weight="main" hint="n" to={to(takePath)}>
            {open ? 'Take a sound' : 'Say where you listen'}
          </ActionLink>
          {open && <ActionLink to={to('/listen/place')}>Another place or day</ActionLink>}
        </>
      }
    >
      {open ? (
        <Opened craft={craft} listen={listen} open={open} onOpen={onOpen} />
      ) : (
        <EmptyPage title="One place, one distance, the reference first and last">
          <p>
            Listen to the place alone, then to each prop in hover from the same spot. A meter, a recording, or walking
            away until nothing is heard: each tells the props apart at equal thrust, or says that it cannot.
          </p>
        </EmptyPage>
      )}
    </StationPage>
  );
}

function HowTo() {
  return (
    <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
      <li>The place alone first: what it adds is taken out of every level.</li>
      <li>The reference first and last: so a place that changes is seen.</li>
      <li>Stand well behind the discs, nobody level with them; eyes protected.</li>
    </ul>
  );
}

function Opened({
  craft,
  listen,
  open,
  onOpen,
}: {
  craft: CraftView;
  listen: ListenView;
  open: ListeningView;
  onOpen: (id: string | null) => void;
}) {
  const [takeId, openTake] = useState<string | null>(null);
  const recorded = open.takes.filter((t) => t.sound !== null);
  const shown = recorded.find((t) => t.id === takeId) ?? recorded.find((t) => t.soundKey !== null) ?? null;
  const thrusts = new Set(open.takes.flatMap((t) => (t.soundKey === null ? [] : (t.thrustN ?? []))));
  return (
    <>
      <Chosen listen={listen} open={open} craft={craft} onOpen={onOpen} />
      {open.takes.length === 0 ? (
        <EmptyPage title="No take here yet">
          <p>Begin with the place alone, before anything turns.</p>
        </EmptyPage>
      ) : (
        <>
          {open.ranking && <ListenTable listening={open} referenceKey={listen.referencePropModelId} />}
          {thrusts.size > 1 && open.ranking && <LevelChart open={open} referenceKey={listen.referencePropModelId} />}
          {shown && <TakeChart take={shown} open={open} />}
          <Takes craft={craft} open={open} shownId={shown?.id ?? null} onShow={openTake} />
        </>
      )}
    </>
  );
}

/** Which listening, and at which thrust. */
function Chosen({
  craft,
  listen,
  open,
  onOpen,
}: {
  craft: CraftView;
  listen: ListenView;
  open: ListeningView;
  onOpen: (id: string | null) => void;
}) {
  const format = useFormat();
  const { to } = useInHand();
  const unit = unitFor('force', format.choices);
  const [thrust, setThrust] = useAddressParam('thrust');
  const [text, setText] = useState(() => (thrust === null ? '' : String(fromSi(unit, Number(thrust)))));
  const [remove] = useRemoveListeningMutation();
  const [restore] = useRestoreListeningMutation();
  const range = { min: fromSi(unit, listenLimits.thrustN.min), max: fromSi(unit, listenLimits.thrustN.max) };
  const { value, error } = numberIn(text, range);
  const settle = (): void => {
    if (error === undefined) setThrust(value === null ? null : String(toSi(unit, value)));
  };
  const takeOut = (): Promise<void> =>
    takeAway(remove({ craftId: craft.id, id: open.id }).unwrap(), {
      text: 'The listening and its takes were taken out.',
      undo: () => void restore({ craftId: craft.id, id: open.id }),
      onGone: () => onOpen(null),
    });
  const hover = open.hoverThrustN === null ? '' : formatNumber(fromSi(unit, open.hoverThrustN), 0);
  return (
    <div className={classes.chosen}>
      <NativeSelect
        label="Listening"
        value={open.id}
        onChange={(e) => onOpen(e.currentTarget.value)}
        data={listen.listenings.map((l) => ({ value: l.id, label: `${formatDay(l.listenedAt)}, ${l.place}` }))}
      />
      <TextInput
        label={`Compared at, ${unit.symbol}`}
        inputMode="decimal"
        placeholder={`${hover}, ${craft.kind === 'plane' ? 'its cruise' : 'its hover'}`}
        value={text}
        error={error}
        onChange={(e) => setText(e.currentTarget.value)}
        onBlur={settle}
        onKeyDown={(e) => e.key === 'Enter' && settle()}
      />
      <ActionLink weight="quiet" to={to(`/listen/place?listening=${open.id}`)}>
        Change the place
      </ActionLink>
      <Action weight="quiet" onClick={() => void takeOut()}>
        Take out
      </Action>
    </div>
  );
}

function LevelChart({ open, referenceKey }: { open: ListeningView; referenceKey: string | null }) {
  const ink = useInk();
  const isNarrow = useIsNarrow();
  const format = useFormat();
  const { data: models } = usePropModelsQuery();
  const option = useMemo(() => {
    const unit = unitFor('force', format.choices);
    const indexOf = (soundKey: string): number => {
      const id = open.props.find((p) => p.soundKey === soundKey)?.propModelId;
      return models?.items.find((m) => m.id === id)?.seriesIndex ?? 0;
    };
    return levelOption(
      open,
      referenceKey,
      (soundKey) => propMark(indexOf(soundKey), ink.isDark),
      { fromSi: (n) => fromSi(unit, n), symbol: unit.symbol },
      ink,
      isNarrow,
    );
  }, [open, referenceKey, models, ink, isNarrow, format.choices]);
  return (
    <section className={classes.sheet} aria-label="Level against thrust">
      <h2>Level against thrust</h2>
      <Suspense fallback={<div style={{ height: CHART_HEIGHT }} />}>
        <Chart
          option={option}
          height={CHART_HEIGHT}
          label="Level of each prop over thrust, with every take that counts"
        />
      </Suspense>
    </section>
  );
}

function TakeChart({ take, open }: { take: TakeView; open: ListeningView }) {
  const ink = useInk();
  const isNarrow = useIsNarrow();
  const option = useMemo(
    () => spectrumOption(take.sound!.spectrum, linesOf(take), open.chainOffsetDb, ink, isNarrow),
    [take, open, ink, isNarrow],
  );
  return (
    <section className={classes.sheet} aria-label="Spectrum">
      <h2>{`${take.name}${take.rpm === null ? '' : `, ${formatNumber(take.rpm, 0)} rpm by ear`}`}</h2>
      <Suspense fallback={<div style={{ height: CHART_HEIGHT }} />}>
        <Chart
          option={option}
          height={CHART_HEIGHT}
          label={`Spectrum of ${take.name}, the passes of the blades marked`}
        />
      </Suspense>
      {take.soundSha256 !== null && <OverTime sha256={take.soundSha256} key={take.soundSha256} />}
    </section>
  );
}

function Takes({
  craft,
  open,
  shownId,
  onShow,
}: {
  craft: CraftView;
  open: ListeningView;
  shownId: string | null;
  onShow: (id: string) => void;
}) {
  const format = useFormat();
  const [remove] = useRemoveTakeMutation();
  const [restore] = useRestoreTakeMutation();
  const takeOut = (take: TakeView): Promise<void> =>
    takeAway(remove({ craftId: craft.id, id: take.id }).unwrap(), {
      text: 'The take was taken out.',
      undo: () => void restore({ craftId: craft.id, id: take.id }),
      onGone: () => undefined,
    });
  return (
    <section className={classes.sheet} aria-label="Takes">
      <h2>{open.takes.length === 1 ? '1 take' : `${open.takes.length} takes`}</h2>
      <ul className={classes.takes}>
        {open.takes.map((take) => (
          <li key={take.id} data-open={take.id === shownId}>
            {take.sound === null ? (
              <span className={classes.name}>{take.name}</span>
            ) : (
              <button
                type="button"
                className={classes.name}
                aria-pressed={take.id === shownId}
                onClick={() => onShow(take.id)}
              >
                {take.name}
              </button>
            )}
            <span>
              {takeText(take, open)}
              <span className={classes.under}>
                {[
                  ...(take.thrustN === null ? [] : [`at ${format.quantity(take.thrustN, 'force').text}`]),
                  ...(take.distanceM === open.distanceM ? [] : [`from ${formatNumber(take.distanceM, 1)} m`]),
                  ...(take.spinDownS === null ? [] : [`rests after ${formatNumber(take.spinDownS, 2)} s`]),
                  ...(take.note === null ? [] : [take.note]),
                ].join(' · ')}
              </span>
            </span>
            <Action weight="quiet" onClick={() => void takeOut(take)}>
              Take out
            </Action>
          </li>
        ))}
      </ul>
    </section>
  );
}
