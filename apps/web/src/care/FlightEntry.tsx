import { NativeSelect, TextInput } from '@mantine/core';
import { struckThings, type CraftView, type StrikeDto } from '@zivvo/contract';
import { placeNames, struckThingNames } from '@zivvo/words';
import { v7 } from 'uuid';
import { useLogFlightMutation, useLogStrikeMutation, useRemoveFlightMutation } from '../shared/api/careApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useKept } from '../shared/forms/kept.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import classes from './Care.module.css';

const MINUTES_MOST = 600;
const THROTTLES = [
  { value: '0.1', label: 'idling' },
  { value: '0.4', label: 'hover' },
  { value: '0.7', label: 'climbing' },
  { value: '1', label: 'full' },
];

type Hit = Pick<StrikeDto, 'thing' | 'throttleRatio' | 'isCrash' | 'arms'>;

interface Entry {
  minutes: string;
  packId: string;
  note: string;
  hit: Hit | null;
}
const BLANK: Entry = { minutes: '', packId: '', note: '', hit: null };

/** A flight as short as it can be told: minutes, pack, what was hit. */
export function FlightEntry({ craft }: { craft: CraftView }) {
  const [log, logging] = useLogFlightMutation();
  const [strike, striking] = useLogStrikeMutation();
  const [remove] = useRemoveFlightMutation();
  const { data: packs } = usePacksQuery();
  const [{ minutes, packId, note, hit }, setEntry, handedOver] = useKept<Entry>(`flight/${craft.id}`, () => BLANK);
  const { ask, isAsking, asking } = useAsking();
  const set = (change: Partial<Entry>): void => setEntry((now) => ({ ...now, ...change }));
  const value = Number(minutes.replace(',', '.'));
  const isGood = value > 0 && value <= MINUTES_MOST;
  const strikes = (): StrikeDto[] => (hit === null ? [] : [{ ...hit, id: v7(), note: note.trim() || null }]);
  const keep = async (): Promise<void> => {
    // One id over every trial, so that nothing is logged twice.
    const id = v7();
    const body = {
      id,
      durationS: value * 60,
      packPieceId: packId === '' ? null : packId,
      strikes: strikes(),
      note: note.trim() || null,
    };
    try {
      await ask(() => log({ craftId: craft.id, body }).unwrap());
    } catch {
      return;
    }
    handedOver();
    void announceDeletion(
      `${value} minutes are logged for ${craft.name}.`,
      () => void remove({ craftId: craft.id, id }),
    );
  };
  const keepStrike = async (): Promise<void> => {
    const [one] = strikes();
    try {
      if (one) await ask(() => strike({ craftId: craft.id, body: one }).unwrap());
    } catch {
      return;
    }
    handedOver();
  };
  return (
    <section className={classes.sheet} aria-label="A flight">
      <h2>It flew</h2>
      <div className={classes.fields}>
        <TextInput
          label="Minutes"
          value={minutes}
          onChange={(e) => set({ minutes: e.currentTarget.value })}
          inputMode="decimal"
          error={minutes === '' || isGood ? undefined : `more than 0, at most ${MINUTES_MOST}`}
        />
        <NativeSelect
          label="Pack"
          value={packId}
          onChange={(e) => set({ packId: e.currentTarget.value })}
          data={[
            { value: '', label: 'not noted' },
            ...(packs?.items ?? []).map((p) => ({ value: p.id, label: p.tag })),
          ]}
        />
        <TextInput label="Note" value={note} onChange={(e) => set({ note: e.currentTarget.value })} maxLength={200} />
      </div>
      {hit !== null && <Strike craft={craft} hit={hit} onSet={(next) => set({ hit: next })} />}
      <div className={classes.bar}>
        <Action disabled={!isGood || isAsking} onClick={() => void keep()}>
          Log the flight
        </Action>
        {hit === null ? (
          <Action
            weight="danger"
            onClick={() =>
              set({
                hit: {
                  thing: 'grass',
                  throttleRatio: 0.4,
                  isCrash: false,
                  arms: craft.rotors.length === 1 ? [{ place: craft.rotors[0]!.place, level: 0 }] : [],
                },
              })
            }
          >
            It hit something
          </Action>
        ) : (
          <>
            {minutes === '' && (
              <Action disabled={hit.arms.length === 0 || isAsking} onClick={() => void keepStrike()}>
                Log the strike alone
              </Action>
            )}
            <Action weight="quiet" onClick={() => set({ hit: null })}>
              Nothing was hit
            </Action>
          </>
        )}
      </div>
      <AskedNote asking={asking} error={logging.error ?? striking.error} />
    </section>
  );
}

interface StrikeProps {
  craft: CraftView;
  hit: Pick<StrikeDto, 'thing' | 'throttleRatio' | 'isCrash' | 'arms'>;
  onSet: (hit: StrikeProps['hit']) => void;
}

/** What was hit, how hard, and with which props. */
function Strike({ craft, hit, onSet }: StrikeProps) {
  const has = (place: string, level: number): boolean => hit.arms.some((a) => a.place === place && a.level === level);
  return (
    <div style={{ marginTop: 12 }}>
      <div className={classes.fields}>
        <NativeSelect
          label="It hit"
          value={hit.thing}
          onChange={(e) => onSet({ ...hit, thing: e.currentTarget.value as StrikeDto['thing'] })}
          data={struckThings.map((t) => ({ value: t, label: struckThingNames[t] }))}
        />
        <NativeSelect
          label="Throttle"
          value={String(hit.throttleRatio)}
          onChange={(e) => onSet({ ...hit, throttleRatio: Number(e.currentTarget.value) })}
          data={THROTTLES}
        />
        <label style={{ display: 'flex', gap: 8, alignItems: 'center', minHeight: 44 }}>
          <input
            type="checkbox"
            checked={hit.isCrash}
            onChange={(e) => onSet({ ...hit, isCrash: e.currentTarget.checked })}
          />{' '}
          it came down
        </label>
      </div>
      <h3>{hit.arms.length === 0 ? 'Which props hit?' : 'Props that hit'}</h3>
      <div className={classes.keys}>
        {craft.rotors.map(({ place, level }) => (
          <button
            key={`${place}/${level}`}
            type="button"
            className={classes.key}
            aria-pressed={has(place, level)}
            onClick={() =>
              onSet({
                ...hit,
                arms: has(place, level)
                  ? hit.arms.filter((a) => a.place !== place || a.level !== level)
                  : [...hit.arms, { place, level }],
              })
            }
          >
            {placeNames[place]}
            {level === 1 && <small>lower</small>}
          </button>
        ))}
      </div>
    </div>
  );
}
