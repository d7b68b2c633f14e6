import { bearingFeels, MotorPieceDto, rotorPlaces, type MotorPieceView } from '@zivvo/contract';
import { bearingNames, placeNames } from '@zivvo/words';
import { useParams } from 'react-router';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import {
  useAddMotorMutation,
  useMotorHistoryQuery,
  useLazyMotorsQuery,
  useMotorsQuery,
  useRemoveMotorMutation,
  useRestoreMotorMutation,
  useUpdateMotorMutation,
} from '../shared/api/pieceApi.ts';
import { ChoiceField, CountField, NoteField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { PartHistory } from './PartHistory.tsx';
import piece from './PiecePage.module.css';
import { RackTabs } from './RackTabs.tsx';
import { usePartForm } from './usePartForm.ts';

/** One physical motor: what it has been through, and how it feels. */
export function Component() {
  const { motorId } = useParams();
  const query = useMotorsQuery();
  const { to } = useInHand();
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(motors) => {
        const motor = motors.items.find((m) => m.id === motorId) ?? null;
        if (motorId !== undefined && motor === null)
          return (
            <EmptyPage title="No such motor" actions={<ActionLink to={to('/rack/parts')}>All parts</ActionLink>}>
              <p>It was taken off the list, or the address is of another workshop.</p>
            </EmptyPage>
          );
        return <Motor motor={motor} key={motorId} />;
      }}
    </Ready>
  );
}

function Motor({ motor }: { motor: MotorPieceView | null }) {
  const { to } = useInHand();
  const go = useGo();
  const { data: crafts } = useCraftsQuery();
  const { data: history } = useMotorHistoryQuery(motor?.id ?? '', { skip: motor === null });
  const craftName = (id: string): string => crafts?.items.find((c) => c.id === id)?.name ?? 'a craft';
  return (
    <StationPage
      eyebrow="Rack · Motor"
      headline={motor === null ? 'A motor gets its tag' : `Motor ${motor.tag} ${verdictOf(motor)}`}
      detail={
        motor &&
        `${motor.hours.toFixed(1)} h · ` +
          `${motor.craftId === null ? 'on the shelf' : `on ${craftName(motor.craftId)}${motor.place === null ? '' : `, ${placeNames[motor.place].toLowerCase()}`}`}`
      }
      tools={<RackTabs />}
      reasons={
        <p style={{ margin: 0 }}>
          After every strike: spin the bell bare by hand and look at the shaft’s tip against something still. Click,
          grind or a wandering tip takes the motor off before a new prop goes on.
        </p>
      }
      actions={<ActionLink to={to('/rack/parts')}>All parts</ActionLink>}
    >
      <div className={motor ? piece.columns : undefined}>
        <MotorForm motor={motor} onDone={() => go('/rack/parts')} />
        {motor && <PartHistory list={history} of={`motor ${motor.tag}`} craftName={craftName} />}
      </div>
    </StationPage>
  );
}

function verdictOf({ strikeCount, bearing, overLimitCount }: MotorPieceView): string {
  if (bearing === 'gritty') return 'grinds: take it off';
  if (strikeCount > 0) return `was struck ${strikeCount === 1 ? 'once' : `${strikeCount} times`}: feel it`;
  if (bearing === 'dry') return 'runs dry: a drop of oil';
  if (overLimitCount > 0) return `went over its limit ${overLimitCount === 1 ? 'once' : `${overLimitCount} times`}`;
  return bearing === null ? 'was not felt yet' : 'is in order';
}

type MotorForm = { [K in keyof MotorPieceDto]: MotorPieceDto[K] };
const blankMotor: MotorForm = {
  tag: '',
  craftId: null,
  place: null,
  hours: 0,
  overLimitCount: 0,
  strikeCount: 0,
  bearing: null,
  shaftPlayM: null,
  shaftRunOutM: null,
  note: null,
};

function MotorForm({ motor, onDone }: { motor: MotorPieceView | null; onDone: () => void }) {
  const { craftId } = useInHand();
  const { data: crafts } = useCraftsQuery();
  const [add] = useAddMotorMutation();
  const [update] = useUpdateMotorMutation();
  const [reread] = useLazyMotorsQuery();
  const [remove] = useRemoveMotorMutation();
  const [restore] = useRestoreMotorMutation();
  const { control, isBusy, notes, onSave, onRemove } = usePartForm<MotorForm>({
    kind: 'motor',
    reread: async () => (await reread().unwrap()).items.find((m) => m.id === motor!.id)!,
    blank: blankMotor,
    start: { craftId },
    part: motor,
    Dto: MotorPieceDto,
    onDone,
    onGone: onDone,
    goneText: `Motor ${motor?.tag} was taken off the list.`,
    add: (body) => add(body).unwrap(),
    update: (id, body) => update({ id, body }).unwrap(),
    remove: (id) => void remove(id),
    restore: (id) => void restore(id),
  });
  return (
    <form className={classes.form} noValidate onSubmit={onSave}>
      {notes}
      <fieldset className={classes.group}>
        <legend>{motor ? `Motor ${motor.tag}` : 'New motor'}</legend>
        <TextField control={control} name="tag" label="Tag" autoFocus />
        <ChoiceField
          control={control}
          name="craftId"
          label="Sits on"
          none="the shelf"
          choices={(crafts?.items ?? []).map((c) => ({ value: c.id, label: c.name }))}
        />
        <ChoiceField
          control={control}
          name="place"
          label="Place"
          none="not noted"
          choices={rotorPlaces.map((p) => ({ value: p, label: placeNames[p] }))}
        />
        <QuantityField control={control} name="hours" label="Hours" dimension="number" />
        <CountField control={control} name="strikeCount" label="Strikes" />
        <CountField control={control} name="overLimitCount" label="Times over its limit" />
        <ChoiceField
          control={control}
          name="bearing"
          label="Bearing"
          none="not felt"
          choices={bearingFeels.map((b) => ({ value: b, label: bearingNames[b]! }))}
        />
        <QuantityField control={control} name="shaftPlayM" label="Play" dimension="length" />
        <QuantityField control={control} name="shaftRunOutM" label="Run-out, spun bare" dimension="length" />
        <div className={classes.wide}>
          <NoteField control={control} name="note" label="Note" />
        </div>
        <div className={classes.wide} style={{ display: 'flex', gap: 10 }}>
          <Action type="submit" disabled={isBusy}>
            {motor ? 'Save motor' : 'Put on the list'}
          </Action>
          <Action weight="quiet" onClick={onDone}>
            Cancel
          </Action>
          {motor && (
            <Action weight="danger" onClick={onRemove}>
              Delete
            </Action>
          )}
        </div>
      </fieldset>
    </form>
  );
}
