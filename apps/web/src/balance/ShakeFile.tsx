import { NativeSelect } from '@mantine/core';
import { CoreError, onceAround } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useState } from 'react';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import { parseDelimited } from '../shared/table/parseDelimited.ts';
import { Action } from '../shared/ui/Action.tsx';
import { recordingOf, type ShakeColumns } from './shakeFile.ts';

/** Acceleration from a file: which column is what, and the part that turns with the shaft. */
export function ShakeFile({ speedRpm, onRead }: { speedRpm: number; onRead: (found: { amplitude: number; phaseDegrees: number | null }) => void }) {
  const [rows, setRows] = useState<string[][] | null>(null);
  const [columns, setColumns] = useState<ShakeColumns>({ time: 0, acceleration: 1, tacho: null });
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File): Promise<void> => {
    const read = parseDelimited(await file.text());
    setProblem(read.length < 20 ? 'Fewer than twenty rows: nothing to see in them.' : null);
    setRows(read.length < 20 ? null : read);
    setColumns({ time: 0, acceleration: 1, tacho: (read[0]?.length ?? 0) > 2 ? 2 : null });
  };
  const work = (): void => {
    if (!rows) return;
    try {
      const found = onceAround(recordingOf(rows, columns, speedRpm));
      setProblem(null);
      onRead({ amplitude: found.amplitudeMPerS2, phaseDegrees: found.phaseDegrees });
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      const { what, allowed } = error.details as { what?: string; allowed?: string };
      setProblem(what === 'lineHz' ? `Once a turn lies above 0.4 of the sampling rate: it would be an alias. Allowed is ${allowed}.` : what === 'marksS' ? 'Too few marks of the tacho. Choose its column, or none and the rough speed.' : `${what ?? error.code}: ${allowed ?? 'cannot be read'}`);
    }
  };
  const names = rows?.[0]?.map((cell, i) => ({ value: String(i), label: /[a-z]/i.test(cell) ? cell : `column ${i + 1}` })) ?? [];
  return (
    <div>
      <FileDrop accept=".csv,.txt,.tsv" button="Choose a recording" onFile={(file) => void take(file)}>
        Drop a recording of the sensor: time, acceleration, tacho
      </FileDrop>
      {rows && (
        <div style={{ display: 'flex', gap: 10, alignItems: 'end', flexWrap: 'wrap', marginTop: 8 }}>
          <NativeSelect label="Seconds" value={String(columns.time)} onChange={(e) => setColumns({ ...columns, time: Number(e.currentTarget.value) })} data={names} />
          <NativeSelect label="Acceleration, m/s²" value={String(columns.acceleration)} onChange={(e) => setColumns({ ...columns, acceleration: Number(e.currentTarget.value) })} data={names} />
          <NativeSelect label="Tacho" value={columns.tacho === null ? '' : String(columns.tacho)} onChange={(e) => setColumns({ ...columns, tacho: e.currentTarget.value === '' ? null : Number(e.currentTarget.value) })} data={[{ value: '', label: `none, about ${formatNumber(speedRpm, 0)} rpm` }, ...names]} />
          <Action onClick={work}>Read once a turn</Action>
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
