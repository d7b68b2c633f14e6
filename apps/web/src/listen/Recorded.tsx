import { TextInput } from '@mantine/core';
import { listenLimits, type CraftView, type ListeningView } from '@zivvo/contract';
import { chainOffsetDb, writeWav } from '@zivvo/core';
import { formatNumber, formatShare } from '@zivvo/words';
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { useChangeListeningMutation } from '../shared/api/listenApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useInk } from '../shared/charts/useInk.ts';
import { useIsNarrow } from '../shared/charts/useIsNarrow.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import classes from './Listen.module.css';
import { levelText } from './listenView.ts';
import type { HeardBlades, HeardFile } from './listenWork.ts';
import { combLines, spectrumOption } from './soundCharts.ts';
import { SoundPictureView } from './SoundPictureView.tsx';
import type { ReadTake, TakeEntry } from './takeEntry.ts';
import type { HeardSoundState } from './useHeardSound.ts';
import { microphoneText, useMicrophone } from './useMicrophone.ts';
import { useMoments } from './useMoments.ts';

const Chart = lazy(() => import('../shared/charts/Chart.tsx'));
const CHART_HEIGHT = 220;
/** Length of a take that the page itself records [s]. */
const TAKE_S = 8;
/** While it is recorded only the level is wanted. */
const ONE_BLADE = { bladeCount: 1 };

/** The recording of a take: chosen or made here, its level, its blades, its spectrum. */
export function Recorded({
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
  const isNarrow = useIsNarrow();
  const { heard, blades } = sound;
  const offset = listening.chainOffsetDb;
  const option = useMemo(
    () => heard && spectrumOption(heard.sound.spectrum, combLines(blades?.combs[0]), offset, ink, isNarrow),
    [heard, blades, offset, ink, isNarrow],
  );
  return (
    <section className={classes.sheet} aria-label="Recording">
      <h2>The recording</h2>
      <FileDrop accept=".wav,audio/wav,audio/x-wav" button="Choose a WAV" onFile={(file) => void sound.hear(file)}>
        Drop a WAV, five seconds or more
      </FileDrop>
      <Recorder listening={listening} onTaken={(file) => void sound.hear(file)} />
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
          {entry.propId !== '' && (
            <BladesSaid
              blades={blades}
              isReading={sound.isReading}
              entry={entry}
              set={set}
              error={read.errors.roughRpm}
            />
          )}
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
          description="for this chain: all takes here follow"
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
  isReading,
  entry,
  set,
  error,
}: {
  blades: HeardBlades | null;
  isReading: boolean;
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
          ? isReading
            ? 'listening for the blades…'
            : 'No comb of blades stands out of it.'
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
function Recorder({ listening, onTaken }: { listening: ListeningView; onTaken: (file: File) => void }) {
  const pieces = useRef<Float32Array[]>([]);
  const [seconds, setSeconds] = useState(0);
  const finish = useRef<(rateHz: number) => void>(() => undefined);
  const { moments, feed, forget } = useMoments(ONE_BLADE);
  const { state, start, stop } = useMicrophone((samples, rateHz) => {
    pieces.current.push(samples);
    feed(samples, rateHz);
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
  const nowDb = moments.at(-1)?.sound?.aDb ?? null;
  const begin = (): void => {
    pieces.current = [];
    forget();
    void start();
  };
  return (
    <div className={classes.row} style={{ marginTop: 10, alignItems: 'center' }}>
      {state === 'on' ? (
        <span role="status">
          {`recording… ${formatNumber(seconds, 1)} of ${TAKE_S} s`}
          {nowDb !== null &&
            ', ' +
              `${levelText(nowDb + (listening.chainOffsetDb ?? 0), listening)}${listening.isAbsolute ? '' : ', relative'}`}
        </span>
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
