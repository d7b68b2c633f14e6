import { NativeSelect, RangeSlider } from '@mantine/core';
import { BLOB_MAX_BYTES, type CraftView, type FlyView } from '@zivvo/contract';
import { segmentKinds, type LoggedSegment, type LogReport, type SegmentKind } from '@zivvo/core';
import { formatNumber, formatShare } from '@zivvo/words';
import { startTransition, useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { storedFile } from '../shared/api/blobFile.ts';
import { useFlyQuery } from '../shared/api/flyApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useStoreBlobMutation } from '../shared/api/workshopApi.ts';
import { readKept, writeKept } from '../shared/forms/kept.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { toldShares } from '../shared/worker/toldShares.ts';
import { WorkRefusal } from '../shared/worker/workProblem.ts';
import { blankEntry, cardKey, type CardEntry } from './cardEntry.ts';
import { FlyTabs } from './FlyTabs.tsx';
import classes from './Fly.module.css';
import { segmentNames } from './flyWords.ts';
import type { OpenedFile } from './flyWork.ts';
import log from './Log.module.css';
import { logRoles, type LogColumns } from './logFiles.ts';
import { cardFromLog, logHeadline, logProblem, logSaid, segmentText, sureText } from './logView.ts';
import { HeightDrawing, TrackDrawing } from './TrackDrawing.tsx';
import { useFlyWork } from './useFlyWork.ts';

/** A log from on board: what was flown in it, and which motor shakes. */
export function Component() {
  return <WithCraft station="Fly">{(craft) => <LogOf craft={craft} key={craft.id} />}</WithCraft>;
}

function LogOf({ craft }: { craft: CraftView }) {
  return <Ready query={useFlyQuery(craft.id)}>{(fly) => <Log craft={craft} fly={fly} />}</Ready>;
}

/** Stretches that are shown before somebody asks for more. */
const SHOWN = 40;

/** A stretch that a person leaves in or takes out. */
interface Stretch {
  segment: LoggedSegment;
  isIn: boolean;
}

function Log({ craft, fly }: { craft: CraftView; fly: FlyView }) {
  const work = useFlyWork();
  const go = useGo();
  const { propModelId } = useInHand();
  const [store, storing] = useStoreBlobMutation();
  const { ask, isAsking, asking } = useAsking();
  // The log of a card that is looked at again.
  const kept = useSearchParams()[0].get('log');
  const [file, setFile] = useState<File | null>(null);
  /** Under which the file is stored already; null for one that was chosen now. */
  const [fileSha, setFileSha] = useState<string | null>(null);
  const [opened, setOpened] = useState<OpenedFile | null>(null);
  const [stretches, setStretches] = useState<Stretch[]>([]);
  const [chosen, choose] = useState<number | null>(null);
  const [shownCount, setShownCount] = useState(SHOWN);
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const during = async (what: (onShare: (share: number) => void) => Promise<void>): Promise<void> => {
    setShare(0);
    setProblem(null);
    const shares = toldShares(setShare);
    try {
      await what(shares.tell);
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      setProblem(logProblem(error.problem));
    }
    shares.end();
    setShare(null);
  };
  const show = (found: OpenedFile): void => {
    // As a transition: a long flight is drawn in pieces, and hands at the keys go first.
    startTransition(() => {
      setOpened(found);
      choose(null);
      setStretches(found.kind === 'log' ? found.report.segments.map((segment) => ({ segment, isIn: true })) : []);
      setShownCount(SHOWN);
    });
  };
  const open = (taken: File, sha256: string | null = null): Promise<void> =>
    during(async (onShare) => {
      setOpened(null);
      setFile(taken);
      setFileSha(sha256);
      show(await work.ask((w) => w.openFile(taken, onShare) as Promise<OpenedFile>));
    });
  const read = (columns: LogColumns): Promise<void> =>
    during(async () => show(await work.ask((w) => w.read(columns) as Promise<OpenedFile>)));
  const move = (index: number, kind: SegmentKind, fromS: number, toS: number): Promise<void> =>
    during(async () => {
      const segment = await work.ask((w) => w.mark(kind, fromS, toS));
      setStretches((now) => now.map((s, i) => (i === index ? { ...s, segment } : s)));
    });
  const report = opened?.kind === 'log' ? opened.report : null;
  const confirmed = stretches.filter((s) => s.isIn).map((s) => s.segment);
  const drawn = stretches.slice(0, shownCount).filter((s) => s.isIn);
  const drawing = {
    segments: drawn.map((s) => s.segment),
    chosen: indexIn(stretches, chosen),
    onChoose: (i: number) => choose(stretches.indexOf(drawn[i]!)),
  };
  const isTooLarge = file !== null && file.size > BLOB_MAX_BYTES;
  const takeOver = async (): Promise<void> => {
    const key = cardKey(craft.id);
    const entry = readKept<CardEntry>(key) ?? blankEntry(propModelId ?? craft.referencePropModelId ?? '');
    let logSha256 = fileSha;
    if (file && logSha256 === null && !isTooLarge)
      try {
        logSha256 = (await ask(() => store({ bytes: file, name: file.name }).unwrap())).sha256;
      } catch {
        return;
      }
    writeKept(key, { ...cardFromLog(entry, report!, confirmed, fly.protocol), logSha256 });
    go('/fly/new');
  };
  const openKept = useRef(async (sha256: string): Promise<void> => {
    try {
      await open(await storedFile(sha256, 'log of the card'), sha256);
    } catch (error) {
      setProblem((error as Error).message);
    }
  });
  useEffect(() => {
    if (kept !== null) void openKept.current(kept);
  }, [kept]);
  return (
    <StationPage
      eyebrow={`Fly · Log · ${craft.name}`}
      headline={
        share !== null && report === null
          ? 'Reading the log…'
          : report === null
            ? opened === null
              ? 'What did it write down on board?'
              : 'Which column is what?'
            : logHeadline(report, confirmed)
      }
      detail={
        report &&
        file &&
        `${file.name} · ${formatNumber(report.durationS / 60, 1)} min, ${formatNumber(report.distanceM, 0)} m flown`
      }
      tools={<FlyTabs />}
      reasons={
        report === null ? (
          <p style={{ margin: 0 }}>
            A table (CSV) of any layout, a GPX track, or a ULog of a flight controller. Climbs, passes and hovers are
            found; you say which of them count.
          </p>
        ) : (
          <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
            {[
              ...logSaid(report),
              'Passes go into the card as flown at full throttle: say there where one was not.',
              ...(isTooLarge
                ? ['The file is over 25 MB: what was found goes into the card, the file itself does not.']
                : []),
            ].map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        )
      }
      actions={
        <Action
          weight="main"
          disabled={report === null || confirmed.length === 0 || isAsking}
          onClick={() => void takeOver()}
        >
          Take over into a card
        </Action>
      }
    >
      <FileDrop accept=".csv,.txt,.tsv,.gpx,.ulg" button="Choose a log" onFile={(taken) => void open(taken)}>
        Drop a flight log: table, GPX or ULog
      </FileDrop>
      {share !== null && (
        <p role="status" style={{ display: 'flex', gap: 10, alignItems: 'center', margin: 0 }}>
          {`reading… ${formatShare(share, 0)}`}
          <Action onClick={() => work.stop()}>Stop</Action>
        </p>
      )}
      {problem !== null && (
        <p role="alert" style={{ color: 'var(--rust)', margin: 0 }}>
          {problem}
        </p>
      )}
      <AskedNote asking={asking} error={storing.error} />
      {opened?.kind === 'table' && <Columns opened={opened} isBusy={share !== null} onRead={(c) => void read(c)} />}
      {report !== null && (
        <>
          <div className={log.drawings}>
            <TrackDrawing report={report} {...drawing} />
            <HeightDrawing report={report} {...drawing} />
          </div>
          <Found
            report={report}
            stretches={stretches}
            shownCount={shownCount}
            onMore={() => setShownCount(stretches.length)}
            chosen={chosen}
            onChoose={choose}
            onSwitch={(index) => setStretches((now) => now.map((s, i) => (i === index ? { ...s, isIn: !s.isIn } : s)))}
            onMove={(...args) => void move(...args)}
          />
        </>
      )}
    </StationPage>
  );
}

/** Where a stretch stands among those that count. */
function indexIn(stretches: readonly Stretch[], chosen: number | null): number | null {
  if (chosen === null || !stretches[chosen]?.isIn) return null;
  return stretches.slice(0, chosen).filter((s) => s.isIn).length;
}

interface FoundProps {
  report: LogReport;
  stretches: readonly Stretch[];
  shownCount: number;
  onMore: () => void;
  chosen: number | null;
  onChoose: (index: number | null) => void;
  onSwitch: (index: number) => void;
  onMove: (index: number, kind: SegmentKind, fromS: number, toS: number) => void;
}

/** The stretches that were found, to be confirmed; the ends of the chosen one are dragged. */
function Found({ report, stretches, shownCount, onMore, chosen, onChoose, onSwitch, onMove }: FoundProps) {
  const endS = report.line.at(-1)!.timeS;
  if (stretches.length === 0)
    return (
      <section className={classes.sheet} aria-label="What was found">
        <h2>Nothing was flown steadily for long enough</h2>
        <p>A pass wants five seconds on one track, a climb three at one angle, a hover six in one place.</p>
      </section>
    );
  return (
    <section className={classes.sheet} aria-label="What was found">
      <h2>Which of these count?</h2>
      <ul className={log.found}>
        {stretches.slice(0, shownCount).map(({ segment, isIn }, i) => (
          <li key={i} data-chosen={i === chosen}>
            <input
              type="checkbox"
              checked={isIn}
              aria-label={`${segmentNames[segment.kind]} at ${formatNumber(segment.fromS, 0)} s counts`}
              onChange={() => onSwitch(i)}
            />
            <button
              type="button"
              className={log.name}
              aria-expanded={i === chosen}
              onClick={() => onChoose(i === chosen ? null : i)}
            >
              {`${segmentNames[segment.kind]}, ${formatNumber(segment.fromS, 1)} to ${formatNumber(segment.toS, 1)} s`}
            </button>
            <span>{segmentText(segment)}</span>
            <span className="muted">{sureText(segment)}</span>
            {i === chosen && (
              <div className={log.ends}>
                <NativeSelect
                  label="It was a"
                  value={segment.kind}
                  onChange={(e) => onMove(i, e.currentTarget.value as SegmentKind, segment.fromS, segment.toS)}
                  data={segmentKinds.map((kind) => ({ value: kind, label: segmentNames[kind].toLowerCase() }))}
                  style={{ maxWidth: 160 }}
                />
                <RangeSlider
                  mt="sm"
                  min={Math.max(0, Math.floor(segment.fromS - 15))}
                  max={Math.min(endS, Math.ceil(segment.toS + 15))}
                  step={0.2}
                  minRange={1}
                  defaultValue={[segment.fromS, segment.toS]}
                  key={`${segment.fromS}/${segment.toS}`}
                  thumbFromLabel="It begins"
                  thumbToLabel="It ends"
                  label={(value) => `${formatNumber(value, 1)} s`}
                  onChangeEnd={([from, to]) => onMove(i, segment.kind, from, to)}
                />
              </div>
            )}
          </li>
        ))}
      </ul>
      {stretches.length > shownCount && (
        <Action weight="quiet" onClick={onMore}>
          {`${stretches.length - shownCount} more were found`}
        </Action>
      )}
    </section>
  );
}

const ROLE_NAMES: Record<(typeof logRoles)[number], string> = {
  time: 'Time',
  latitude: 'Latitude',
  longitude: 'Longitude',
  height: 'Height, m',
  voltage: 'Voltage, V',
  current: 'Current, A',
};
const TIME_STEPS = [
  { value: '1', label: 'seconds, or dates' },
  { value: '0.001', label: 'milliseconds' },
  { value: '0.000001', label: 'microseconds' },
];

/** Which column of a table is what. */
function Columns({
  opened,
  isBusy,
  onRead,
}: {
  opened: Extract<OpenedFile, { kind: 'table' }>;
  isBusy: boolean;
  onRead: (columns: LogColumns) => void;
}) {
  // Headings that were read once are read the same way the next time.
  const keptAs = `fly/columns/${opened.names.join('|').slice(0, 400)}`;
  const [columns, setColumns] = useState(() => readKept<LogColumns>(keptAs) ?? opened.guess);
  const onSure = (): void => {
    writeKept(keptAs, columns);
    onRead(columns);
  };
  const names = opened.names.map((label, i) => ({ value: String(i), label }));
  const isWhole = (['time', 'latitude', 'longitude', 'height'] as const).every((r) => columns.columns[r] !== null);
  return (
    <section className={classes.sheet} aria-label="Columns">
      <h2>{`${opened.rowCount} rows of ${opened.names.length} columns`}</h2>
      <div className={classes.fields}>
        {logRoles.map((role) => (
          <NativeSelect
            key={role}
            label={ROLE_NAMES[role]}
            value={columns.columns[role] === null ? '' : String(columns.columns[role])}
            onChange={(e) => {
              const at = e.currentTarget.value === '' ? null : Number(e.currentTarget.value);
              setColumns((now) => ({ ...now, columns: { ...now.columns, [role]: at } }));
            }}
            data={[{ value: '', label: 'not in it' }, ...names]}
          />
        ))}
        <NativeSelect
          label="Times are"
          value={String(columns.timeStepS)}
          onChange={(e) => {
            const timeStepS = Number(e.currentTarget.value);
            setColumns((now) => ({ ...now, timeStepS }));
          }}
          data={TIME_STEPS}
        />
      </div>
      <div className={classes.row}>
        <Action disabled={!isWhole || isBusy} onClick={onSure}>
          Read the flight
        </Action>
        {!isWhole && <span className="muted">Time, latitude, longitude and height are needed.</span>}
      </div>
    </section>
  );
}
