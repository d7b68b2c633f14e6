import { NativeSelect } from '@mantine/core';
import { formatNumber, formatShare } from '@zivvo/words';
import { useState } from 'react';
import { Action } from '../shared/ui/Action.tsx';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import { toldShares } from '../shared/worker/toldShares.ts';
import { WorkRefusal, type WorkProblem } from '../shared/worker/workProblem.ts';
import type { ShakeColumns } from './shakeFile.ts';
import { useBench } from './useBench.ts';

/** Acceleration from a file: which column is what, and the part that turns with the shaft; read in a worker. */
export function ShakeFile({
  speedRpm,
  onRead,
}: {
  speedRpm: number;
  onRead: (found: { amplitude: number; phaseDegrees: number | null }) => void;
}) {
  const bench = useBench();
  const [opened, setOpened] = useState<{ names: string[]; rowCount: number } | null>(null);
  const [columns, setColumns] = useState<ShakeColumns>({ time: 0, acceleration: 1, tacho: null });
  const [problem, setProblem] = useState<string | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const during = async (work: (onShare: (share: number) => void) => Promise<void>): Promise<void> => {
    setShare(0);
    setProblem(null);
    const shares = toldShares(setShare);
    try {
      await work(shares.tell);
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      setProblem(sentenceOf(error.problem));
    }
    shares.end();
    setShare(null);
  };
  const take = (file: File): Promise<void> =>
    during(async (onShare) => {
      setOpened(null);
      const found = await bench.ask((work) => work.openFile(file, onShare));
      setOpened(found);
      setColumns({ time: 0, acceleration: 1, tacho: found.names.length > 2 ? 2 : null });
    });
  const work = (): Promise<void> =>
    during(async () => {
      const found = await bench.ask((work) => work.onceAround(columns, speedRpm));
      onRead({ amplitude: found.amplitudeMPerS2, phaseDegrees: found.phaseDegrees });
    });
  const stop = (): void => {
    setOpened(null);
    bench.stop();
  };
  const names = opened?.names.map((label, i) => ({ value: String(i), label })) ?? [];
  return (
    <div>
      <FileDrop accept=".csv,.txt,.tsv" button="Choose a recording" onFile={(file) => void take(file)}>
        Drop a recording of the sensor: time, acceleration, tacho
      </FileDrop>
      {share !== null && (
        <p role="status" style={{ display: 'flex', gap: 10, alignItems: 'center', margin: '6px 0 0' }}>
          {`reading… ${formatShare(share, 0)}`}
          <Action onClick={stop}>Stop</Action>
        </p>
      )}
      {opened && (
        <div style={{ display: 'flex', gap: 10, alignItems: 'end', flexWrap: 'wrap', marginTop: 8 }}>
          <NativeSelect
            label="Seconds"
            value={String(columns.time)}
            onChange={(e) => setColumns({ ...columns, time: Number(e.currentTarget.value) })}
            data={names}
          />
          <NativeSelect
            label="Acceleration, m/s²"
            value={String(columns.acceleration)}
            onChange={(e) => setColumns({ ...columns, acceleration: Number(e.currentTarget.value) })}
            data={names}
          />
          <NativeSelect
            label="Tacho"
            value={columns.tacho === null ? '' : String(columns.tacho)}
            onChange={(e) =>
              setColumns({ ...columns, tacho: e.currentTarget.value === '' ? null : Number(e.currentTarget.value) })
            }
            data={[{ value: '', label: `none, about ${formatNumber(speedRpm, 0)} rpm` }, ...names]}
          />
          <Action disabled={share !== null} onClick={() => void work()}>
            {`Read once a turn from ${opened.rowCount} rows`}
          </Action>
        </div>
      )}
      {problem !== null && (
        <p role="alert" style={{ color: 'var(--rust)', margin: '6px 0 0' }}>
          {problem}
        </p>
      )}
    </div>
  );
}

/** Why a recording tells nothing, and what to do about it. */
function sentenceOf({ code, what, allowed }: WorkProblem): string {
  if (code === 'stopped') return 'Stopped; nothing was taken over.';
  if (what === 'lineHz')
    return `Once a turn lies above 0.4 of the sampling rate: it would be an alias. Allowed is ${allowed}.`;
  if (what === 'marksS') return 'Too few marks of the tacho. Choose its column, or none and the rough speed.';
  if (what === 'rows' || what === 'samples')
    return 'Fewer than twenty rows hold a time and an acceleration: nothing to see in them.';
  return `${what || code}: ${allowed || 'cannot be read'}`;
}
