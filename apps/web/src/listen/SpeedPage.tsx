import { NativeSelect, TextInput } from '@mantine/core';
import { listenLimits, type CraftView, type PropModelView } from '@zivvo/contract';
import { median, sonicTipRpm, type CombAsk, type SpeedAt, type SpinDown } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { lazy, Suspense, useMemo, useState } from 'react';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useInk } from '../shared/charts/useInk.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { WorkRefusal } from '../shared/worker/workProblem.ts';
import { ListenTabs } from './ListenTabs.tsx';
import classes from './Listen.module.css';
import { soundProblem } from './listenView.ts';
import { speedOption } from './soundCharts.ts';
import { useListenWork } from './useListenWork.ts';
import { microphoneText, useMicrophone } from './useMicrophone.ts';
import { useMoments } from './useMoments.ts';

const Chart = lazy(() => import('../shared/charts/Chart.tsx'));
const CHART_HEIGHT = 240;
/** The shown speed is the middle of so many moments; most of them must have one. */
const SHOWN_MOMENTS = 5;

/** How fast it turns, by ear: live or from a file. */
export function Component() {
  return <WithCraft station="Listen">{(craft) => <SpeedOf craft={craft} key={craft.id} />}</WithCraft>;
}

function SpeedOf({ craft }: { craft: CraftView }) {
  return <Ready query={usePropModelsQuery()}>{({ items }) => <Speed craft={craft} models={items} />}</Ready>;
}

function Speed({ craft, models }: { craft: CraftView; models: readonly PropModelView[] }) {
  const { propModelId } = useInHand();
  const held = models.find((m) => m.id === (propModelId ?? craft.referencePropModelId));
  const [blades, setBlades] = useState(String(held?.bladeCount ?? 2));
  const [rough, setRough] = useState('');
  const { value: roughRpm, error } = numberIn(rough, listenLimits.rpm);
  // What is in hand bounds the speed as long as it may be what turns.
  const isHeld = held !== undefined && String(held.bladeCount) === blades;
  const ask: CombAsk = {
    bladeCount: Number(blades),
    roughRpm,
    ...(isHeld && roughRpm === null ? { mostRpm: sonicTipRpm(held.diameterM) } : {}),
  };
  const live = useLiveSpeed(ask);
  const followed = useFollowed();
  const rpm = live.rpm;
  const headline =
    live.state === 'on'
      ? rpm === null
        ? 'Listening; no comb of blades yet'
        : `${formatNumber(Math.round(rpm / 10) * 10, 0)} rpm by ear`
      : followed.spinDown
        ? `From ${formatNumber(followed.spinDown.fromRpm, 0)} rpm to half in ` +
          `${formatNumber(followed.spinDown.toHalfS, 2)} s`
        : followed.track && followed.track.length > 0
          ? `${formatNumber(median(followed.track.map((s) => s.rpm)), 0)} rpm by ear`
          : 'How fast does it turn?';
  const track = followed.track ?? live.track;
  return (
    <StationPage
      eyebrow={`Listen · Speed · ${craft.name}`}
      headline={headline}
      detail={isHeld ? `${propModelName(held)}, or any other of its size with as many blades` : undefined}
      tools={<ListenTabs />}
      reasons={
        <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
          <li>Blades that pass are heard, not turns: their number must be right, or the speed is off by it.</li>
          <li>
            Within half a percent where the tone stands out; a second rotor beside it may be the one that is heard.
          </li>
          {live.others.length > 0 && (
            <li>
              {`It may be ${live.others.map((r) => formatNumber(r, 0)).join(' or ')} rpm as well: say roughly how ` +
                'fast.'}
            </li>
          )}
          <li>Stand well behind the disc, nobody level with it; eyes protected.</li>
        </ul>
      }
      actions={
        live.state === 'on' ? (
          <Action weight="main" onClick={live.stop}>
            Stop listening
          </Action>
        ) : (
          <Action
            weight="main"
            disabled={live.state === 'asking' || error !== undefined}
            onClick={() => {
              followed.forget();
              void live.start();
            }}
          >
            Listen now
          </Action>
        )
      }
    >
      <section className={classes.sheet} aria-label="What turns">
        <div className={classes.fields}>
          <NativeSelect
            label="Blades"
            value={blades}
            onChange={(e) => setBlades(e.currentTarget.value)}
            data={Array.from({ length: 12 }, (_, i) => String(i + 1))}
          />
          <TextInput
            label="Roughly, rpm"
            inputMode="numeric"
            value={rough}
            error={error}
            onChange={(e) => setRough(e.currentTarget.value)}
          />
        </div>
      </section>
      {live.state === 'on' && (
        <section className={classes.sheet} aria-label="Now">
          <p className={classes.reading} role="status" aria-live="off">
            {rpm === null ? '–' : `${formatNumber(Math.round(rpm / 10) * 10, 0)} rpm`}
          </p>
          <span className="muted">
            {live.aDb === null
              ? 'nothing heard'
              : `${formatNumber(live.aDb, 0)} dB, relative: a microphone here is no meter`}
          </span>
        </section>
      )}
      {microphoneText[live.state] && (
        <p role="alert" style={{ color: 'var(--rust)', margin: 0 }}>
          {microphoneText[live.state]}
        </p>
      )}
      <FileDrop
        accept=".wav,audio/wav,audio/x-wav"
        button="Choose a WAV"
        onFile={(file) => {
          live.stop();
          live.forget();
          void followed.follow(file, ask);
        }}
      >
        Or drop a recording, up to two minutes: a run-up, a cut, a run-down
      </FileDrop>
      {followed.isReading && (
        <p role="status" style={{ margin: 0 }}>
          following it… <Action onClick={followed.stop}>Stop</Action>
        </p>
      )}
      {followed.problem !== null && (
        <p role="alert" style={{ color: 'var(--rust)', margin: 0 }}>
          {followed.problem}
        </p>
      )}
      {track.length > 1 && <TrackChart track={track} spinDown={followed.spinDown} />}
    </StationPage>
  );
}

function TrackChart({ track, spinDown }: { track: readonly SpeedAt[]; spinDown: SpinDown | null }) {
  const ink = useInk();
  const option = useMemo(() => speedOption(track, spinDown, ink), [track, spinDown, ink]);
  return (
    <section className={classes.sheet} aria-label="Speed over time">
      <h2>Speed over time</h2>
      {spinDown && (
        <p>
          {`Cut at ${formatNumber(spinDown.cutS, 1)} s; half the speed after ` +
            `${formatNumber(spinDown.toHalfS, 2)} s, not heard any more after ` +
            `${formatNumber(spinDown.toSilenceS, 2)} s.`}
        </p>
      )}
      <Suspense fallback={<div style={{ height: CHART_HEIGHT }} />}>
        <Chart option={option} height={CHART_HEIGHT} label="Speed over time, by ear" />
      </Suspense>
    </section>
  );
}

/** The speed that the microphone hears, the middle of the last moments. */
function useLiveSpeed(ask: CombAsk) {
  const { moments, feed, forget } = useMoments(ask);
  const { state, start, stop } = useMicrophone(feed);
  const last = moments.slice(-SHOWN_MOMENTS);
  const heard = last.flatMap(({ sound }) => sound?.comb ?? []);
  return {
    state,
    start: (): Promise<void> => {
      forget();
      return start();
    },
    stop,
    forget,
    rpm: 2 * heard.length > SHOWN_MOMENTS ? median(heard.map((c) => c.rpm)) : null,
    aDb: last.at(-1)?.sound?.aDb ?? null,
    others: heard.at(-1)?.otherRpm ?? [],
    track: moments.flatMap(({ timeS, sound }) => (sound?.comb ? [{ timeS, rpm: sound.comb.rpm }] : [])),
  };
}

/** A file that is followed step by step. */
function useFollowed() {
  const work = useListenWork();
  const [found, setFound] = useState<{ track: SpeedAt[]; spinDown: SpinDown | null } | null>(null);
  const [isReading, setReading] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const follow = async (file: File, ask: CombAsk): Promise<void> => {
    setFound(null);
    setProblem(null);
    setReading(true);
    try {
      const heard = await work.ask((w) => w.follow(file, ask));
      setFound(heard);
      if (heard.track.length === 0)
        setProblem('No comb of blades stands out of it: go nearer, or say roughly how fast it turned.');
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      setProblem(soundProblem(error.problem));
    }
    setReading(false);
  };
  return {
    track: found?.track ?? null,
    spinDown: found?.spinDown ?? null,
    isReading,
    problem,
    follow,
    forget: (): void => {
      setFound(null);
      setProblem(null);
    },
    stop: () => work.stop(),
  };
}
