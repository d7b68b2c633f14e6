import { NativeSelect, TextInput } from '@mantine/core';
import {
  flyLimits,
  motorTouches,
  NOTE_MAX_LENGTH,
  opinionTopics,
  type CraftView,
  type FlyView,
  type PropModelView,
} from '@zivvo/contract';
import { cellVoltages } from '@zivvo/core';
import { formatNumber, opinionNames, placeNames, upperFirst } from '@zivvo/words';
import type { ReactNode } from 'react';
import { useAddFlightCardMutation, useFlyQuery, useRemoveFlightCardMutation } from '../shared/api/flyApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { forgetMadeId, madeIdOf, useKept } from '../shared/forms/kept.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import {
  addedPass,
  blankEntry,
  cardBody,
  cardKey,
  courseRange,
  flightKey,
  entryFaults,
  minutesRange,
  passSpeed,
  percentRange,
  speedRange,
  type CardEntry,
  type TypedPass,
} from './cardEntry.ts';
import { CarefulFirst } from './CarefulFirst.tsx';
import { FlyTabs } from './FlyTabs.tsx';
import classes from './Fly.module.css';
import { touchNames } from './flyWords.ts';

/** A card of one flight, typed standing on the field. */
export function Component() {
  return <WithCraft station="Fly">{(craft) => <CardOf craft={craft} key={craft.id} />}</WithCraft>;
}

function CardOf({ craft }: { craft: CraftView }) {
  const fly = useFlyQuery(craft.id);
  const models = usePropModelsQuery();
  return (
    <Ready query={fly}>
      {(data) => <Ready query={models}>{({ items }) => <Card craft={craft} fly={data} models={items} />}</Ready>}
    </Ready>
  );
}

function Card({ craft, fly, models }: { craft: CraftView; fly: FlyView; models: readonly PropModelView[] }) {
  const { propModelId, to } = useInHand();
  const go = useGo();
  const { data: packs } = usePacksQuery();
  const [add, adding] = useAddFlightCardMutation();
  const [remove] = useRemoveFlightCardMutation();
  const { ask, isAsking, asking } = useAsking();
  const usualProp = propModelId ?? craft.referencePropModelId ?? models[0]?.id ?? '';
  const [kept, setEntry, handedOver] = useKept<CardEntry>(cardKey(craft.id), () => blankEntry(usualProp));
  // A log is read before anybody has said which prop flew, and a prop may have left the rack meanwhile.
  const typed = { ...blankEntry(usualProp), ...kept };
  const entry = models.some((m) => m.id === typed.propId) ? typed : { ...typed, propId: usualProp };
  const set = (change: Partial<CardEntry>): void => setEntry((now) => ({ ...now, ...change }));
  const faults = entryFaults(entry);
  const model = models.find((m) => m.id === entry.propId);
  const nth = fly.cards.filter((c) => c.propModelId === entry.propId).length + 1;
  const gateV = cellVoltages[packs?.items.find((p) => p.id === entry.packId)?.chemistry ?? craft.packChemistry].gateV;
  const restV = numberIn(entry.restCell, flyLimits.restCellV).value;
  const keep = async (): Promise<void> => {
    // One id over every trial of this tab, so that nothing is logged twice; another tab types another card.
    const ids = { id: madeIdOf(cardKey(craft.id)), flightId: madeIdOf(flightKey(craft.id)) };
    try {
      await ask(() => add({ craftId: craft.id, body: cardBody(entry, craft, ids) }).unwrap());
    } catch {
      return;
    }
    handedOver();
    forgetMadeId(cardKey(craft.id));
    forgetMadeId(flightKey(craft.id));
    void announceDeletion(
      'The card is kept, and its flight is in the log.',
      () => void remove({ craftId: craft.id, id: ids.id }),
    );
    go('/fly');
  };
  if (models.length === 0)
    return (
      <StationPage eyebrow={`Fly · ${craft.name}`} headline="No prop to fly yet" tools={<FlyTabs />}>
        <EmptyPage
          title="Put a label on the rack first"
          actions={
            <ActionLink weight="main" to={to('/rack/new')}>
              Read a label
            </ActionLink>
          }
        >
          <p>A card says which prop flew: its label is enough.</p>
        </EmptyPage>
      </StationPage>
    );
  return (
    <StationPage
      eyebrow={`Fly · Card · ${craft.name}`}
      headline={model ? `Flight ${nth} of ${propModelName(model)}` : 'Which prop flew?'}
      detail={entry.minutes === '' ? 'The minutes in the air are enough; what was not flown stays blank.' : undefined}
      tools={<FlyTabs />}
      reasons={<Hints gateV={gateV} restV={restV} entry={entry} nth={nth} />}
      actions={
        <Action weight="main" disabled={faults.size > 0 || isAsking} onClick={() => void keep()}>
          Keep card
        </Action>
      }
    >
      {nth === 1 && !entry.isCarefulFirst && <CarefulFirst onFlown={() => set({ isCarefulFirst: true })} />}
      <WhatFlew entry={entry} set={set} models={models} packs={packs?.items ?? []} gateV={gateV} />
      <Climbs entry={entry} set={set} fly={fly} />
      <Passes entry={entry} set={set} />
      <InTheAir entry={entry} set={set} isPlane={craft.kind === 'plane'} />
      <Motors entry={entry} set={set} craft={craft} />
      <Opinions entry={entry} set={set} />
      <AskedNote asking={asking} error={adding.error} />
    </StationPage>
  );
}

interface PartProps {
  entry: CardEntry;
  set: (change: Partial<CardEntry>) => void;
}

/** What is worth knowing while it is typed. */
function Hints({ gateV, restV, entry, nth }: { gateV: number; restV: number | null; entry: CardEntry; nth: number }) {
  const hints: ReactNode[] = [];
  if (entry.packId === '') hints.push('Without a pack the flight is kept and does not count beside others.');
  else if (restV !== null && restV < gateV)
    hints.push(
      `${formatNumber(restV, 2)} V a cell is under the gate of ${formatNumber(gateV, 2)} V: it will have to be ` +
        'flown again.',
    );
  if (entry.climbs.some((c) => !c.isHeld))
    hints.push('Could not hold the angle: that is a result, and is kept as one.');
  if (nth === 1) hints.push('A first flight is marked as not yet used to it; feel grows with the third.');
  hints.push('Opinion stays opinion: it is shown beside its figures and never averaged into them.');
  hints.push('Pack out before fingers go near; local rules and the maker’s manual come first.');
  return (
    <ul style={{ margin: 0, paddingLeft: 18, display: 'grid', gap: 8 }}>
      {hints.map((hint, i) => (
        <li key={i}>{hint}</li>
      ))}
    </ul>
  );
}

function WhatFlew({
  entry,
  set,
  models,
  packs,
  gateV,
}: PartProps & {
  models: readonly PropModelView[];
  packs: readonly { id: string; tag: string }[];
  gateV: number;
}) {
  return (
    <section className={classes.sheet} aria-label="What flew">
      <h2>What flew</h2>
      <div className={classes.fields}>
        <NativeSelect
          label="Prop"
          value={entry.propId}
          onChange={(e) => set({ propId: e.currentTarget.value })}
          data={models.map((m) => ({ value: m.id, label: propModelName(m) }))}
        />
        <NativeSelect
          label="Pack"
          value={entry.packId}
          onChange={(e) => set({ packId: e.currentTarget.value })}
          data={[{ value: '', label: 'not noted' }, ...packs.map((p) => ({ value: p.id, label: p.tag }))]}
        />
        <Field
          label="Volts a cell at rest"
          value={entry.restCell}
          range={flyLimits.restCellV}
          placeholder={`${formatNumber(gateV, 2)} or more`}
          onChange={(restCell) => set({ restCell })}
        />
        <Field
          label="Minutes in the air"
          value={entry.minutes}
          range={minutesRange}
          onChange={(minutes) => set({ minutes })}
        />
        <Field
          label="Payload, g"
          value={entry.payload}
          range={{ min: 0, max: flyLimits.payloadKg.max * 1000 }}
          onChange={(payload) => set({ payload })}
        />
        <Field label="Wind, m/s" value={entry.wind} range={flyLimits.windMPerS} onChange={(wind) => set({ wind })} />
        <NativeSelect
          label="Flown by"
          value={entry.view}
          onChange={(e) => set({ view: e.currentTarget.value as CardEntry['view'] })}
          data={[
            { value: 'sight', label: 'line of sight' },
            { value: 'goggles', label: 'goggles' },
          ]}
        />
      </div>
    </section>
  );
}

function Climbs({ entry, set, fly }: PartProps & { fly: FlyView }) {
  const { angleDegrees, lowerM, upperM } = fly.protocol;
  const change = (i: number, more: Partial<CardEntry['climbs'][number]>): void =>
    set({ climbs: entry.climbs.map((c, k) => (k === i ? { ...c, ...more } : c)) });
  return (
    <section className={classes.sheet} aria-label="Climbs">
      <h2>
        {`Climbs at ${formatNumber(angleDegrees, 0)}°, seconds from ${formatNumber(lowerM, 0)} to ` +
          `${formatNumber(upperM, 0)} m`}
      </h2>
      <div className={classes.row}>
        {entry.climbs.map((c, i) => (
          <Field
            key={i}
            label={`Climb ${i + 1}, s`}
            value={c.isHeld ? c.time : ''}
            range={flyLimits.climbDurationS}
            disabled={!c.isHeld}
            onChange={(time) => change(i, { time })}
            below={
              <label style={{ display: 'flex', gap: 6, alignItems: 'center', minHeight: 44 }}>
                <input
                  type="checkbox"
                  checked={!c.isHeld}
                  onChange={(e) => change(i, { isHeld: !e.currentTarget.checked })}
                />
                could not hold it
              </label>
            }
          />
        ))}
        {entry.climbs.length < flyLimits.climbCount.max && (
          <Action weight="quiet" onClick={() => set({ climbs: [...entry.climbs, { time: '', isHeld: true }] })}>
            One more
          </Action>
        )}
      </div>
    </section>
  );
}

/** What a time over the course comes to. */
function courseText(entry: CardEntry, pass: TypedPass): string {
  if (pass.speed === '') return '';
  if (numberIn(entry.course, courseRange).value === null) return 'type the length of the course';
  const speed = passSpeed(entry, pass);
  return speed === null ? 'no speed that is flown' : `${formatNumber(speed, 1)} m/s`;
}

function Passes({ entry, set }: PartProps) {
  const change = (i: number, more: Partial<CardEntry['passes'][number]>): void =>
    set({ passes: entry.passes.map((p, k) => (k === i ? { ...p, ...more } : p)) });
  return (
    <section className={classes.sheet} aria-label="Passes">
      <h2>Passes there and back; full throttle where none is typed</h2>
      <div className={classes.row}>
        <NativeSelect
          label="Speeds in"
          value={entry.speedUnit}
          onChange={(e) => set({ speedUnit: e.currentTarget.value as CardEntry['speedUnit'] })}
          data={[
            { value: 'm/s', label: 'm/s' },
            { value: 'km/h', label: 'km/h' },
            { value: 's', label: 'seconds over a course' },
          ]}
        />
        {entry.speedUnit === 's' && (
          <Field label="Course, m" value={entry.course} range={courseRange} onChange={(course) => set({ course })} />
        )}
      </div>
      {entry.passes.map((pass, i) => (
        <div key={i} className={classes.row}>
          <Field
            label={`Pass ${i + 1}, ${entry.speedUnit}`}
            value={pass.speed}
            range={speedRange(entry.speedUnit)}
            onChange={(speed) => change(i, { speed })}
            {...(entry.speedUnit === 's' && { below: courseText(entry, pass) })}
          />
          <Field
            label="Track, °"
            value={pass.track}
            range={flyLimits.trackDegrees}
            placeholder={i % 2 === 0 ? '90' : '270'}
            onChange={(track) => change(i, { track })}
          />
          <Field
            label="Current, A"
            value={pass.current}
            range={flyLimits.currentA}
            onChange={(current) => change(i, { current })}
          />
          <Field
            label="Throttle, %"
            value={pass.throttle}
            range={percentRange}
            placeholder="100"
            onChange={(throttle) => change(i, { throttle })}
          />
        </div>
      ))}
      {entry.passes.length < flyLimits.passCount.max && (
        <div className={classes.row}>
          <Action weight="quiet" onClick={() => set(addedPass(entry))}>
            One more pass
          </Action>
        </div>
      )}
    </section>
  );
}

function InTheAir({ entry, set, isPlane }: PartProps & { isPlane: boolean }) {
  return (
    <section className={classes.sheet} aria-label="In the air">
      <h2>{isPlane ? 'Take-off and charge' : 'Hover and charge'}</h2>
      <div className={classes.fields}>
        {isPlane ? (
          <Field
            label="Take-off roll, m"
            value={entry.roll}
            range={flyLimits.takeOffRollM}
            onChange={(roll) => set({ roll })}
          />
        ) : (
          <>
            <Field
              label="Hover throttle, %"
              value={entry.hoverThrottle}
              range={percentRange}
              onChange={(hoverThrottle) => set({ hoverThrottle })}
            />
            <Field
              label="Current in hover, A"
              value={entry.hoverCurrent}
              range={flyLimits.currentA}
              onChange={(hoverCurrent) => set({ hoverCurrent })}
            />
          </>
        )}
        <Field
          label="Put back by the charger, Ah"
          value={entry.usedAh}
          range={flyLimits.usedAh}
          onChange={(usedAh) => set({ usedAh })}
        />
      </div>
    </section>
  );
}

function Motors({ entry, set, craft }: PartProps & { craft: CraftView }) {
  return (
    <section className={classes.sheet} aria-label="Motors">
      <h2>Motors within twenty seconds, pack out</h2>
      {craft.rotors.map(({ place, level }) => {
        const arm = `${place}/${level}`;
        const said = entry.heat[arm] ?? { number: '', touch: '' };
        const change = (more: Partial<typeof said>): void =>
          set({ heat: { ...entry.heat, [arm]: { ...said, ...more } } });
        const name = upperFirst(placeNames[place]) + (level === 1 ? ', lower' : '');
        return (
          <div key={arm} className={classes.row}>
            <NativeSelect
              label={name}
              value={said.touch}
              onChange={(e) => change({ touch: e.currentTarget.value as typeof said.touch })}
              data={[
                { value: '', label: 'not felt' },
                ...motorTouches.map((t) => ({ value: t, label: touchNames[t] })),
              ]}
            />
            <Field
              label="or °C"
              hiddenName={`${name}, °C`}
              value={said.number}
              range={flyLimits.motorTemperatureC}
              onChange={(number) => change({ number })}
            />
          </div>
        );
      })}
    </section>
  );
}

function Opinions({ entry, set }: PartProps) {
  return (
    <section className={classes.sheet} aria-label="What you felt">
      <h2>What you felt</h2>
      {opinionTopics.map((topic) => {
        const own = entry.opinions[topic];
        const say = (stars: number): void => {
          const { [topic]: _before, ...others } = entry.opinions;
          set({
            opinions:
              own?.stars === stars ? others : { ...entry.opinions, [topic]: { stars, words: own?.words ?? '' } },
          });
        };
        return (
          <div key={topic} className={classes.opinion}>
            <span>{upperFirst(opinionNames[topic])}</span>
            <span className={classes.stars} role="group" aria-label={opinionNames[topic]}>
              {[1, 2, 3, 4, 5].map((n) => (
                <button
                  key={n}
                  type="button"
                  className={classes.star}
                  aria-pressed={(own?.stars ?? 0) >= n}
                  aria-label={`${opinionNames[topic]}: ${n} of 5`}
                  onClick={() => say(n)}
                >
                  ★
                </button>
              ))}
            </span>
            {own !== undefined && (
              <TextInput
                aria-label={`${opinionNames[topic]} in words`}
                placeholder="in words"
                value={own.words}
                maxLength={NOTE_MAX_LENGTH}
                onChange={(e) =>
                  set({ opinions: { ...entry.opinions, [topic]: { ...own, words: e.currentTarget.value } } })
                }
              />
            )}
          </div>
        );
      })}
      <TextInput
        label="Note"
        value={entry.note}
        maxLength={NOTE_MAX_LENGTH}
        onChange={(e) => set({ note: e.currentTarget.value })}
      />
    </section>
  );
}

interface FieldProps {
  label: string;
  /** What it is called for those who do not see its row. */
  hiddenName?: string;
  value: string;
  range: { min: number; max: number };
  placeholder?: string;
  disabled?: boolean;
  below?: ReactNode;
  onChange: (text: string) => void;
}

/** A number typed by thumb; what cannot be read says what is allowed. */
function Field({ label, hiddenName, value, range, placeholder, disabled, below, onChange }: FieldProps) {
  return (
    <TextInput
      label={label}
      {...(hiddenName === undefined ? {} : { 'aria-label': hiddenName })}
      value={value}
      placeholder={placeholder}
      disabled={disabled ?? false}
      inputMode="decimal"
      autoComplete="off"
      error={numberIn(value, range).error}
      onChange={(e) => onChange(e.currentTarget.value)}
      {...(below === undefined
        ? {}
        : { description: below, inputWrapperOrder: ['label', 'input', 'error', 'description'] })}
    />
  );
}
