import { NativeSelect, TextInput } from '@mantine/core';
import {
  BLOB_MAX_BYTES,
  type CraftView,
  type ListeningView,
  type ListenView,
  type PropModelView,
} from '@zivvo/contract';
import { fromSi } from '@zivvo/core';
import { formatNumber, unitFor } from '@zivvo/words';
import { useAddTakeMutation, useRemoveTakeMutation } from '../shared/api/listenApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useStoreBlobMutation } from '../shared/api/workshopApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { forgetMadeId, madeIdOf, useKept } from '../shared/forms/kept.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import { Beside } from './Beside.tsx';
import { ListenTabs } from './ListenTabs.tsx';
import classes from './Listen.module.css';
import { placeText, soundSaid } from './listenView.ts';
import { Recorded } from './Recorded.tsx';
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
import { useHeardSound, type HeardSoundState } from './useHeardSound.ts';
import { useOpenListening } from './useOpenListening.ts';

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
      headline={sound.share !== null ? 'Listening to it…' : `Take ${listening.takes.length + 1}: ${what}`}
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
