import { NativeSelect, TextInput } from '@mantine/core';
import {
  heardOn,
  listenLimits,
  listenSurfaces,
  type CraftView,
  type ListeningDto,
  type ListenView,
} from '@zivvo/contract';
import { listenMethods } from '@zivvo/core';
import { useBeginListeningMutation, useChangeListeningMutation } from '../shared/api/listenApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { forgetMadeId, madeIdOf, useKept } from '../shared/forms/kept.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { useGo } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { ListenTabs } from './ListenTabs.tsx';
import classes from './Listen.module.css';
import { heardOnNames, methodNames, surfaceNames } from './listenWords.ts';
import { useOpenListening } from './useOpenListening.ts';

/** Where and how is listened: what makes takes comparable. */
export function Component() {
  return <WithCraft station="Listen">{(craft) => <PlaceOf craft={craft} key={craft.id} />}</WithCraft>;
}

function PlaceOf({ craft }: { craft: CraftView }) {
  const { query, listeningId } = useOpenListening(craft.id);
  return (
    <Ready query={query}>
      {(listen) => <Place craft={craft} listen={listen} changedId={listeningId} key={listeningId} />}
    </Ready>
  );
}

interface TypedPlace {
  heardOn: ListeningDto['heardOn'];
  method: ListeningDto['method'];
  surface: ListeningDto['surface'];
  place: string;
  distance: string;
  height: string;
  wind: string;
  note: string;
}

function Place({ craft, listen, changedId }: { craft: CraftView; listen: ListenView; changedId: string | null }) {
  const go = useGo();
  const [begin, beginning] = useBeginListeningMutation();
  const [change, changing] = useChangeListeningMutation();
  const { ask, isAsking, asking } = useAsking();
  const changed = changedId !== null && listen.open?.id === changedId ? listen.open : null;
  const before = listen.open;
  // What was taken in one way does not become another by a word.
  const hasTakes = changed !== null && changed.takes.length > 0;
  const key = `listen/place/${craft.id}/${changed?.id ?? 'new'}`;
  const [typed, setTyped, handedOver] = useKept<TypedPlace>(key, () => ({
    heardOn: before?.heardOn ?? 'craft',
    method: before?.method ?? 'recording',
    surface: before?.surface ?? 'grass',
    place: before?.place ?? '',
    distance: before ? String(before.distanceM) : '4',
    height: before ? String(before.heightM) : '1.5',
    wind: changed?.windMPerS != null ? String(changed.windMPerS) : '',
    note: changed?.note ?? '',
  }));
  const set = (more: Partial<TypedPlace>): void => setTyped((now) => ({ ...now, ...more }));
  const distance = numberIn(typed.distance, listenLimits.distanceM);
  const height = numberIn(typed.height, listenLimits.heightM);
  const wind = numberIn(typed.wind, listenLimits.windMPerS);
  const isGood =
    typed.place.trim() !== '' && distance.value !== null && height.value !== null && wind.error === undefined;
  const keep = async (): Promise<void> => {
    const body: ListeningDto = {
      heardOn: typed.heardOn,
      method: typed.method,
      surface: typed.surface,
      place: typed.place.trim(),
      distanceM: distance.value!,
      heightM: height.value!,
      windMPerS: wind.value,
      note: typed.note.trim() === '' ? null : typed.note.trim(),
      chainOffsetDb: changed?.chainOffsetDb ?? null,
    };
    const id = changed?.id ?? madeIdOf(key);
    try {
      await ask(() =>
        changed
          ? change({ craftId: craft.id, id, body: { ...body, revision: changed.revision } }).unwrap()
          : begin({ craftId: craft.id, body: { ...body, id } }).unwrap(),
      );
    } catch {
      return;
    }
    handedOver();
    forgetMadeId(key);
    go(changed ? `/listen?listening=${id}` : `/listen/new?listening=${id}`);
  };
  return (
    <StationPage
      eyebrow={`Listen · Place · ${craft.name}`}
      headline={changed ? 'Where it was listened' : 'Where do you listen?'}
      detail="Takes are held against each other within one place, one distance and one way of reading."
      tools={<ListenTabs />}
      reasons={
        <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
          <li>Open ground, no wall within twice the distance, no road: what comes back is heard too.</li>
          <li>Over 5 m/s of wind the microphone hears the wind.</li>
          <li>Nobody level with the discs; local rules come first.</li>
        </ul>
      }
      actions={
        <Action weight="main" disabled={!isGood || isAsking} onClick={() => void keep()}>
          {changed ? 'Keep' : 'Listen here'}
        </Action>
      }
    >
      <section className={classes.sheet} aria-label="The place">
        <h2>The place</h2>
        <div className={classes.fields}>
          <TextInput
            label="Place"
            placeholder="meadow behind the shed"
            maxLength={80}
            value={typed.place}
            onChange={(e) => set({ place: e.currentTarget.value })}
          />
          <TextInput
            label="Distance, m"
            inputMode="decimal"
            value={typed.distance}
            error={distance.error}
            onChange={(e) => set({ distance: e.currentTarget.value })}
          />
          <TextInput
            label="Height of the hub, m"
            inputMode="decimal"
            value={typed.height}
            error={height.error}
            onChange={(e) => set({ height: e.currentTarget.value })}
          />
          <NativeSelect
            label="Ground"
            value={typed.surface}
            onChange={(e) => set({ surface: e.currentTarget.value as TypedPlace['surface'] })}
            data={listenSurfaces.map((value) => ({ value, label: surfaceNames[value] }))}
          />
          <TextInput
            label="Wind, m/s"
            inputMode="decimal"
            value={typed.wind}
            error={wind.error}
            onChange={(e) => set({ wind: e.currentTarget.value })}
          />
        </div>
      </section>
      <section className={classes.sheet} aria-label="What turns">
        <h2>What turns, and how it is read</h2>
        {hasTakes && <p className="muted">There are takes of it: another way is another listening.</p>}
        <div className={classes.fields}>
          <NativeSelect
            label="Listened to"
            disabled={hasTakes}
            value={typed.heardOn}
            onChange={(e) => set({ heardOn: e.currentTarget.value as TypedPlace['heardOn'] })}
            data={heardOn.map((value) => ({ value, label: heardOnNames[value] }))}
          />
          <NativeSelect
            label="With"
            disabled={hasTakes}
            value={typed.method}
            onChange={(e) => set({ method: e.currentTarget.value as TypedPlace['method'] })}
            data={listenMethods.map((value) => ({ value, label: methodNames[value] }))}
          />
          <TextInput
            label="Walls, traffic, anything else"
            maxLength={400}
            value={typed.note}
            onChange={(e) => set({ note: e.currentTarget.value })}
          />
        </div>
      </section>
      <AskedNote asking={asking} error={beginning.error ?? changing.error} />
    </StationPage>
  );
}
