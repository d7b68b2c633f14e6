import { NativeSelect, TextInput } from '@mantine/core';
import {
  BLOB_MAX_BYTES,
  listenLimits,
  type CraftView,
  type ListeningView,
  type ListenView,
  type PropModelView,
} from '@zivvo/contract';
import { chainOffsetDb, fromSi, sonicTipRpm, writeWav } from '@zivvo/core';
import { formatNumber, formatShare, unitFor } from '@zivvo/words';
import { proxy } from 'comlink';
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { useFlyQuery } from '../shared/api/flyApi.ts';
import { useAddTakeMutation, useChangeListeningMutation, useRemoveTakeMutation } from '../shared/api/listenApi.ts';
import { useModelRunsQuery, usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useRunQuery } from '../shared/api/standApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useStoreBlobMutation } from '../shared/api/workshopApi.ts';
import { useInk } from '../shared/charts/useInk.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { forgetMadeId, madeIdOf, useKept } from '../shared/forms/kept.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import { WorkRefusal } from '../shared/worker/workProblem.ts';
import { ListenTabs } from './ListenTabs.tsx';
import classes from './Listen.module.css';
import { placeText, soundProblem, soundSaid } from './listenView.ts';
import type { HeardBlades, HeardFile } from './listenWork.ts';
import { combLines, spectrumOption } from './soundCharts.ts';
import { SoundPictureView } from './SoundPictureView.tsx';
import {
  bladesOf,
  blankTake,
  missing,
  nextPropId,
  patternChoices,
  readTake,
  takeBody,
  takeKey,
  type ReadTake,
  type TakeEntry,
} from './takeEntry.ts';
import { useListenWork } from './useListenWork.ts';
import { microphoneText, useMicrophone } from './useMicrophone.ts';
import { useOpenListening } from './useOpenListening.ts';

const Chart = lazy(() => import('../shared/charts/Chart.tsx'));
const CHART_HEIGHT = 220;
/** Length of a take that the page itself records [s]. */
const TAKE_S = 8;

/** One take: the place alone, or a prop. */
export function Component() {
  return <WithCraft station="Listen">{(craft) => <TakeOf craft={craft} key={craft.id} />}</WithCraft>;
}

function TakeOf({ craft }: { craft: CraftView }) {
  const { query } = useOpenListening(craft.id);
  const models = usePropModelsQuery();
  return (
    <Ready query={query}>
      {(listen) => (
        <Ready query={models}>
          {({ items }) =>
            listen.open === null ? (
              <NoPlace craft={craft} />
            ) : (
              <Take craft={craft} listen={listen} listening={listen.open} models={items} key={listen.open.id} />
            )
          }
        </Ready>
      )}
    </Ready>
  );
}

function NoPlace({ craft }: { craft: CraftView }) {
  const { to } = useInHand();
  return (
    <StationPage eyebrow={`Listen · Take · ${craft.name}`} headline="Where do you listen?" tools={<ListenTabs />}>
      <EmptyPage
        title="Say first where and how"
        actions={
          <ActionLink weight="main" to={to('/listen/place')}>
            Say where you listen
          </ActionLink>
        }
      >
        <p>Takes are held against each other within one place and one distance.</p>
      </EmptyPage>
    </StationPage>
  );
}

interface TakeProps {
  craft: CraftView;
  listen: ListenView;
  listening: ListeningView;
  models: readonly PropModelView[];
}

function Take({ craft, listen, listening, models }: TakeProps) {
  const { propModelId, to } = useInHand();
  const format = useFormat();
  const unit = unitFor('force', format.choices);
  const [add, adding] = useAddTakeMutation();
  const [remove] = useRemoveTakeMutation();
  const [store, storing] = useStoreBlobMutation();
  const { ask, isAsking, asking } = useAsking();
  const next = nextPropId(listening, listen.referencePropModelId, propModelId);
  const key = takeKey(listening.id);
  const [entry, setEntry, handedOver] = useKept<TakeEntry>(key, () => blankTake(next, listening));
  const set = (change: Partial<TakeEntry>): void => setEntry((now) => ({ ...now, ...change }));
  const model = models.find((m) => m.id === entry.propId);
  const sound = useHeardSound(entry, model, craft, listening);
  const read = readTake(entry, unit);
  const lacks = missing(entry, read, listening, sound.heard);
  const isTooLarge = sound.file !== null && sound.file.size > BLOB_MAX_BYTES;
  const keep = async (): Promise<void> => {
    const id = madeIdOf(key);
    let after: ListenView;
    try {
      after = await ask(async () => {
        const kept =
          sound.file && !isTooLarge ? await store({ bytes: sound.file, name: sound.file.name }).unwrap() : null;
        const told = { id, listening, craft, model };
        const body = takeBody(entry, read, told, sound.heard, sound.blades, kept?.sha256 ?? null);
        return add({ craftId: craft.id, listeningId: listening.id, body }).unwrap();
      });
    } catch {
      return;
    }
    handedOver();
    if (after.open) setEntry(blankTake(nextPropId(after.open, listen.referencePropModelId, propModelId), after.open));
    forgetMadeId(key);
    sound.forget();
    void announceDeletion('The take is kept.', () => void remove({ craftId: craft.id, id }));
  };
  const what = model ? propModelName(model) : 'the place alone';
  return (
    <StationPage
      eyebrow={`Listen · Take · ${craft.name}`}
      headline={sound.isReading ? 'Listening to it…' : `Take ${listening.takes.length + 1}: ${what}`}
      detail={placeText(listening)}
      tools={<ListenTabs />}
      reasons={<Said listening={listening} sound={sound} lacks={lacks} isTooLarge={isTooLarge} />}
      actions={
        <>
          <Action weight="main" disabled={lacks !== null || isAsking || sound.isReading} onClick={() => void keep()}>
            Keep take
          </Action>
          <ActionLink to={to(`/listen?listening=${listening.id}`)}>Side by side</ActionLink>
        </>
      }
    >
      <What entry={entry} set={set} read={read} craft={craft} listening={listening} models={models} />
      {listening.method === 'recording' && (
        <Recorded sound={sound} craft={craft} listening={listening} entry={entry} set={set} read={read} />
      )}
      {entry.propId !== '' && <Beside entry={entry} set={set} craft={craft} listening={listening} />}
      <AskedNote asking={asking} error={adding.error ?? storing.error} />
    </StationPage>
  );
}

type HeardSoundState = ReturnType<typeof useHeardSound>;

/** A file, what was heard in it, and what the blades of the chosen prop say in it. */
function useHeardSound(entry: TakeEntry, model: PropModelView | undefined, craft: CraftView, listening: ListeningView) {
  const work = useListenWork();
  const [file, setFile] = useState<File | null>(null);
  const [heard, setHeard] = useState<HeardFile | null>(null);
  const [blades, setBlades] = useState<HeardBlades | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const hear = async (taken: File): Promise<void> => {
    setFile(taken);
    setHeard(null);
    setBlades(null);
    setProblem(null);
    setShare(0);
    try {
      setHeard(await work.ask((w) => w.hear(taken, proxy(setShare))));
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      setFile(null);
      setProblem(soundProblem(error.problem));
    }
    setShare(null);
  };
  const bladeCount = bladesOf(entry, model);
  const roughRpm = numberIn(entry.roughRpm, listenLimits.rpm).value;
  const rotorCount = listening.heardOn === 'stand' ? 1 : Math.min(8, craft.rotors.length);
  const diameterM = model?.diameterM ?? null;
  useEffect(() => {
    let isGone = false;
    if (heard === null || diameterM === null || bladeCount < 1) return;
    const question = { bladeCount, roughRpm, rotorCount, mostRpm: sonicTipRpm(diameterM) };
    work
      .ask((w) => w.blades(question))
      .then(
        (found) => !isGone && setBlades(found),
        () => !isGone && setBlades(null),
      );
    return () => {
      isGone = true;
    };
  }, [work, heard, bladeCount, roughRpm, rotorCount, diameterM]);
  const forget = (): void => {
    setFile(null);
    setHeard(null);
    setBlades(null);
    setProblem(null);
  };
  const isProp = diameterM !== null;
  return {
    file,
    heard,
    blades: isProp ? blades : null,
    share,
    isReading: share !== null,
    problem,
    hear,
    forget,
    stop: () => work.stop(),
  };
}

function What({
  entry,
  set,
  read,
  craft,
  listening,
  models,
}: {
  entry: TakeEntry;
  set: (change: Partial<TakeEntry>) => void;
  read: ReadTake;
  craft: CraftView;
  listening: ListeningView;
  models: readonly PropModelView[];
}) {
  const unit = unitFor('force', useFormat().choices);
  const model = models.find((m) => m.id === entry.propId);
  const hover = listening.hoverThrustN === null ? '' : formatNumber(fromSi(unit, listening.hoverThrustN), 0);
  const patterns = patternChoices(entry, model);
  const isWalked = listening.method === 'walkAway';
  return (
    <section className={classes.sheet} aria-label="What was heard">
      <h2>What was heard</h2>
      <div className={classes.fields}>
        <NativeSelect
          label="Prop"
          value={entry.propId}
          onChange={(e) => set({ propId: e.currentTarget.value, runId: '', flightCardId: '' })}
          data={[
            { value: '', label: 'the place alone' },
            ...models.map((m) => ({ value: m.id, label: propModelName(m) })),
          ]}
        />
        {listening.method === 'meter' && (
          <TextInput
            label="The meter read, dB(A)"
            inputMode="decimal"
            value={entry.level}
            error={read.errors.level}
            onChange={(e) => set({ level: e.currentTarget.value })}
          />
        )}
        <TextInput
          label={isWalked ? 'Not heard any more from, m' : 'Distance, m'}
          inputMode="decimal"
          value={entry.distance}
          error={read.errors.distance}
          onChange={(e) => set({ distance: e.currentTarget.value })}
        />
        {entry.propId !== '' && (
          <>
            <TextInput
              label={`Thrust, ${unit.symbol}`}
              inputMode="decimal"
              placeholder={
                listening.heardOn === 'stand' ? '' : `${hover}, ${craft.kind === 'plane' ? 'its cruise' : 'its hover'}`
              }
              value={entry.thrust}
              error={read.errors.thrust}
              onChange={(e) => set({ thrust: e.currentTarget.value })}
            />
            <TextInput
              label="Rests after the cut, s"
              inputMode="decimal"
              value={entry.spinDown}
              error={read.errors.spinDown}
              onChange={(e) => set({ spinDown: e.currentTarget.value })}
            />
            <NativeSelect
              label="Slots of the hub"
              value={entry.slotCount}
              onChange={(e) => set({ slotCount: e.currentTarget.value, bladeCount: '', pattern: '0' })}
              data={[
                { value: '', label: 'as many as blades' },
                ...Array.from({ length: 11 }, (_, i) => ({ value: String(i + 2), label: String(i + 2) })),
              ]}
            />
          </>
        )}
        {entry.propId !== '' && entry.slotCount !== '' && (
          <>
            <NativeSelect
              label="Blades in it"
              value={String(bladesOf(entry, model))}
              onChange={(e) => set({ bladeCount: e.currentTarget.value, pattern: '0' })}
              data={Array.from({ length: Number(entry.slotCount) }, (_, i) => String(i + 1))}
            />
            <NativeSelect
              label="Pattern"
              value={entry.pattern}
              onChange={(e) => set({ pattern: e.currentTarget.value })}
              data={patterns.map(({ label }, i) => ({ value: String(i), label }))}
            />
          </>
        )}
        <TextInput
          label="Note"
          maxLength={400}
          value={entry.note}
          onChange={(e) => set({ note: e.currentTarget.value })}
        />
      </div>
    </section>
  );
}

function Recorded({
  sound,
  craft,
  listening,
  entry,
  set,
  read,
}: {
  sound: HeardSoundState;
  craft: CraftView;
  listening: ListeningView;
  entry: TakeEntry;
  set: (change: Partial<TakeEntry>) => void;
  read: ReadTake;
}) {
  const ink = useInk();
  const { heard, blades } = sound;
  const offset = listening.chainOffsetDb;
  const option = useMemo(
    () => heard && spectrumOption(heard.sound.spectrum, combLines(blades?.combs[0]), offset, ink),
    [heard, blades, offset, ink],
  );
  return (
    <section className={classes.sheet} aria-label="Recording">
      <h2>The recording</h2>
      <FileDrop accept=".wav,audio/wav,audio/x-wav" button="Choose a WAV" onFile={(file) => void sound.hear(file)}>
        Drop a WAV, five seconds or more
      </FileDrop>
      <Recorder onTaken={(file) => void sound.hear(file)} />
      {sound.share !== null && (
        <p role="status" style={{ display: 'flex', gap: 10, alignItems: 'center', margin: '8px 0 0' }}>
          {`listening… ${formatShare(sound.share, 0)}`}
          <Action onClick={sound.stop}>Stop</Action>
        </p>
      )}
      {sound.problem !== null && (
        <p role="alert" style={{ color: 'var(--rust)', margin: '8px 0 0' }}>
          {sound.problem}
        </p>
      )}
      {heard && option && (
        <>
          <Levels heard={heard} craft={craft} listening={listening} />
          {entry.propId !== '' && <BladesSaid blades={blades} entry={entry} set={set} error={read.errors.roughRpm} />}
          <Suspense fallback={<div style={{ height: CHART_HEIGHT }} />}>
            <Chart
              option={option}
              height={CHART_HEIGHT}
              label="Spectrum of the recording, the passes of the blades marked"
            />
          </Suspense>
          <SoundPictureView picture={heard.picture} />
        </>
      )}
    </section>
  );
}

/** The level, absolute once a known one was said. */
function Levels({ heard, craft, listening }: { heard: HeardFile; craft: CraftView; listening: ListeningView }) {
  const [change, changing] = useChangeListeningMutation();
  const { ask, isAsking, asking } = useAsking();
  const [known, setKnown] = useState('');
  const { value, error } = numberIn(known, listenLimits.levelDb);
  const offset = listening.chainOffsetDb;
  const { aDb, cDb, highestADb } = heard.levels;
  const shown = (db: number): string => formatNumber(db + (offset ?? 0), 1);
  const calibrate = async (): Promise<void> => {
    const { heardOn, method, place, surface, distanceM, heightM, windMPerS, note, revision, id } = listening;
    const body = { heardOn, method, place, surface, distanceM, heightM, windMPerS, note, revision };
    try {
      await ask(() =>
        change({ craftId: craft.id, id, body: { ...body, chainOffsetDb: chainOffsetDb(value!, aDb) } }).unwrap(),
      );
      setKnown('');
    } catch {
      // What was wrong stands beside it.
    }
  };
  return (
    <div style={{ display: 'grid', gap: 8, margin: '12px 0' }}>
      <span className={classes.reading}>{`${shown(aDb)} ${offset === null ? 'dB, relative' : 'dB(A)'}`}</span>
      <span className="muted">
        {`${formatNumber(heard.sound.durationS, 1)} s · C-weighted ${shown(cDb)} dB`}
        {highestADb === null ? '' : ` · highest on fast ${shown(highestADb)} dB`}
      </span>
      <div className={classes.row}>
        <TextInput
          label="A meter beside it showed, dB(A)"
          inputMode="decimal"
          value={known}
          error={error}
          onChange={(e) => setKnown(e.currentTarget.value)}
        />
        <Action disabled={value === null || isAsking} onClick={() => void calibrate()}>
          {offset === null ? 'Calibrate by it' : 'Calibrate anew'}
        </Action>
      </div>
      <AskedNote asking={asking} error={changing.error} />
    </div>
  );
}

function BladesSaid({
  blades,
  entry,
  set,
  error,
}: {
  blades: HeardBlades | null;
  entry: TakeEntry;
  set: (change: Partial<TakeEntry>) => void;
  error: string | undefined;
}) {
  const combs = blades?.combs ?? [];
  const [first] = combs;
  return (
    <div style={{ display: 'grid', gap: 8, marginBottom: 8 }}>
      <p style={{ margin: 0 }} role="status">
        {first === undefined
          ? 'No comb of blades stands out of it.'
          : combs.length === 1
            ? `The blades pass ${formatNumber(first.passingHz, 1)} times a second: ${formatNumber(first.rpm, 0)} rpm.`
            : `${combs.length} rotors: ${combs
                .map((c) => c.rpm)
                .sort((a, b) => a - b)
                .map((rpm) => formatNumber(rpm, 0))
                .join(', ')} rpm.`}
        {first !== undefined && first.otherRpm.length > 0 && (
          <span className="muted">
            {` Or ${first.otherRpm.map((rpm) => formatNumber(rpm, 0)).join(' or ')}: say roughly how fast it turned.`}
          </span>
        )}
      </p>
      <div className={classes.row}>
        <TextInput
          label="Roughly, rpm"
          inputMode="numeric"
          value={entry.roughRpm}
          error={error}
          onChange={(e) => set({ roughRpm: e.currentTarget.value })}
        />
      </div>
    </div>
  );
}

/** Records from the browser's own microphone, with a word on what that is worth. */
function Recorder({ onTaken }: { onTaken: (file: File) => void }) {
  const pieces = useRef<Float32Array[]>([]);
  const [seconds, setSeconds] = useState(0);
  const finish = useRef<(rateHz: number) => void>(() => undefined);
  const { state, start, stop } = useMicrophone((samples, rateHz) => {
    pieces.current.push(samples);
    const count = pieces.current.reduce((sum, piece) => sum + piece.length, 0);
    setSeconds(count / rateHz);
    if (count >= TAKE_S * rateHz) finish.current(rateHz);
  });
  useEffect(() => {
    finish.current = (rateHz) => {
      stop();
      const all = new Float32Array(pieces.current.reduce((sum, piece) => sum + piece.length, 0));
      pieces.current.reduce((at, piece) => (all.set(piece, at), at + piece.length), 0);
      pieces.current = [];
      setSeconds(0);
      onTaken(new File([writeWav([all], rateHz, 'pcm24') as BlobPart], 'microphone.wav'));
    };
  });
  const begin = (): void => {
    pieces.current = [];
    void start();
  };
  return (
    <div className={classes.row} style={{ marginTop: 10, alignItems: 'center' }}>
      {state === 'on' ? (
        <span role="status">{`recording… ${formatNumber(seconds, 1)} of ${TAKE_S} s`}</span>
      ) : (
        <Action disabled={state === 'asking'} onClick={begin}>
          {`Record ${TAKE_S} s here`}
        </Action>
      )}
      <span className="muted">
        {microphoneText[state] ??
          'A telephone or laptop hears what its microphone lets through: good for differences, not for levels.'}
      </span>
    </div>
  );
}

/** What it was taken beside: a run of the stand gives its thrust and speed, a flight card its flight. */
function Beside({
  entry,
  set,
  craft,
  listening,
}: {
  entry: TakeEntry;
  set: (change: Partial<TakeEntry>) => void;
  craft: CraftView;
  listening: ListeningView;
}) {
  const onStand = listening.heardOn === 'stand';
  const { data: runs } = useModelRunsQuery(entry.propId, { skip: !onStand });
  const { data: fly } = useFlyQuery(craft.id, { skip: onStand });
  const { data: run } = useRunQuery(entry.runId, { skip: entry.runId === '' });
  const format = useFormat();
  const unit = unitFor('force', format.choices);
  const own = runs?.filter((r) => r.craftId === craft.id) ?? [];
  const cards = fly?.cards.filter((c) => c.propModelId === entry.propId) ?? [];
  if (onStand ? own.length === 0 : cards.length === 0) return null;
  const steps = run?.steps.filter((s) => s.thrustN != null && s.thrustN > 0) ?? [];
  return (
    <section className={classes.sheet} aria-label="Taken beside">
      <h2>Taken beside</h2>
      <div className={classes.fields}>
        {onStand ? (
          <NativeSelect
            label="Run of the stand"
            value={entry.runId}
            onChange={(e) => set({ runId: e.currentTarget.value })}
            data={[
              { value: '', label: 'none' },
              ...own.map((r) => ({ value: r.runId, label: `${formatDay(r.keptAt)}, ${r.campaignName}` })),
            ]}
          />
        ) : (
          <NativeSelect
            label="Flight card"
            value={entry.flightCardId}
            onChange={(e) => set({ flightCardId: e.currentTarget.value })}
            data={[
              { value: '', label: 'none' },
              ...cards.map((c) => ({ value: c.id, label: `${formatDay(c.flownAt)}, flight ${c.nthFlight}` })),
            ]}
          />
        )}
      </div>
      {steps.length > 0 && (
        <div className={classes.row} style={{ marginTop: 10 }}>
          {steps.map((step, i) => (
            <Action
              key={i}
              onClick={() =>
                set({
                  thrust: String(Number(fromSi(unit, step.thrustN!).toPrecision(4))),
                  roughRpm: step.speedRpm == null ? entry.roughRpm : String(Math.round(step.speedRpm)),
                })
              }
            >
              {format.quantity(step.thrustN!, 'force').text}
            </Action>
          ))}
        </div>
      )}
    </section>
  );
}

function Said({
  listening,
  sound,
  lacks,
  isTooLarge,
}: {
  listening: ListeningView;
  sound: HeardSoundState;
  lacks: string | null;
  isTooLarge: boolean;
}) {
  const said = [
    ...(lacks === null ? [] : [lacks]),
    ...(sound.heard === null ? [] : soundSaid(sound.heard)),
    ...(isTooLarge ? ['The file is over 25 MB: what was heard is kept, the file itself is not.'] : []),
    ...(listening.takes.length === 0 && listening.method !== 'walkAway'
      ? ['The place alone first, before anything turns.']
      : []),
    'The same spot, the same height, nothing between.',
    'Stand well behind the discs; pack out before fingers go near.',
  ];
  return (
    <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
      {said.map((sentence) => (
        <li key={sentence}>{sentence}</li>
      ))}
    </ul>
  );
}
