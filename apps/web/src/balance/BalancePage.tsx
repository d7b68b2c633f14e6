import { TextInput } from '@mantine/core';
import { RigDto, type PieceView, type RigView, TRAY_MAX_COUNT, type ListView } from '@zivvo/contract';
import { spinTestFrictionKgM } from '@zivvo/core';
import { formatUnbalance } from '@zivvo/words';
import { useState } from 'react';
import { Link } from 'react-router';
import { useKeys } from '../shared/keys/keys.ts';
import {
  useAddRigMutation,
  useRemoveRigMutation,
  useRestoreRigMutation,
  useRigsQuery,
  useTraysQuery,
} from '../shared/api/balanceApi.ts';
import { useCraftQuery } from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import { NoteField, TextField } from '../shared/forms/Fields.tsx';
import form from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import classes from './BalancePage.module.css';
import { BalanceTabs } from './BalanceTabs.tsx';

/** The balancing bench: trays of pieces, and the rigs they are balanced on. */
export function Component() {
  const { craftId, propModelId, to } = useInHand();
  const [shown, setShown] = useAddressParam('show');
  const isAll = shown === 'all';
  const query = useTraysQuery(isAll ? { craftId: null, propModelId: null } : { craftId, propModelId });
  const { data: models } = usePropModelsQuery();
  const { data: craft } = useCraftQuery(craftId ?? '', { skip: craftId === null });
  const { data: rigs } = useRigsQuery();
  const go = useGo();
  const first = query.currentData?.toDo[0];
  useKeys([{ key: 'n', what: 'Balance the next piece', run: () => first && go(`/balance/${first.id}`) }]);
  return (
    <Ready query={query}>
      {({ toDo, good, back, notNeeded, elsewhereCount, isCut }) => {
        const model = models?.items.find((m) => m.id === propModelId);
        const whose = isAll
          ? ''
          : model && model.id !== craft?.referencePropModelId
            ? ` of ${propModelName(model)}`
            : craft
              ? ` for ${craft.name}`
              : '';
        const all = toDo.length + good.length + back.length + notNeeded.length;
        return (
          <StationPage
            eyebrow={craft ? `Balance · ${craft.name}` : 'Balance'}
            headline={
              all === 0
                ? elsewhereCount > 0
                  ? `Nothing to balance${whose}`
                  : 'Nothing checked in to balance'
                : traysHeadline(toDo.length, back.length, whose)
            }
            detail={
              all === 0
                ? undefined
                : `${good.length} good, ${back.length} to send ` +
                  `back${notNeeded.length > 0 ? `, ${notNeeded.length} need none` : ''}.`
            }
            tools={<BalanceTabs />}
            reasons={
              <>
                <p className={classes.side}>
                  Fit ring or adapter first, tag and mark at the hub before the last check: ink weighs. Balance does not
                  prove soundness.
                </p>
                <p className={classes.side}>Sanding dust, above all carbon: mask. Eye protection when it spins.</p>
              </>
            }
            actions={
              first && (
                <ActionLink weight="main" hint="n" to={to(`/balance/${first.id}`)}>
                  {`Balance ${first.tag}`}
                </ActionLink>
              )
            }
          >
            {isCut && (
              <p className={classes.elsewhere} role="note">
                {`There are more pieces than the trays hold: the newest ${TRAY_MAX_COUNT} are sorted here.`}
              </p>
            )}
            {(elsewhereCount > 0 || isAll) && (
              <p className={classes.elsewhere}>
                <Action onClick={() => setShown(isAll ? null : 'all')}>
                  {isAll ? 'Only what is in hand' : `${elsewhereCount} of other models to balance`}
                </Action>
              </p>
            )}
            {all === 0 ? (
              elsewhereCount === 0 && (
                <EmptyPage
                  title="Check pieces in first"
                  actions={
                    <ActionLink weight="main" to={to('/rack/deliveries/new')}>
                      New delivery
                    </ActionLink>
                  }
                >
                  <p>Every piece that is checked in lies in the first tray until it is balanced or sent back.</p>
                </EmptyPage>
              )
            ) : (
              <div className={classes.trays}>
                <Tray title="To do" pieces={toDo} />
                <Tray title="Good" pieces={good} />
                <Tray title="Back" pieces={back} />
              </div>
            )}
            <Rigs list={rigs} />
          </StationPage>
        );
      }}
    </Ready>
  );
}

function Tray({ title, pieces }: { title: string; pieces: readonly PieceView[] }) {
  const { to } = useInHand();
  const { data: models } = usePropModelsQuery();
  return (
    <section className={classes.tray} aria-label={title}>
      <h2>
        {title} <span className="muted">{pieces.length}</span>
      </h2>
      <ul>
        {pieces.slice(0, 40).map((p) => {
          const model = models?.items.find((m) => m.id === p.propModelId);
          return (
            <li key={p.id}>
              <Link to={to(`/balance/${p.id}`)}>
                <strong className="mono">{p.tag}</strong>
                <HandArrow hand={p.hand} />
                <span className="muted">{model ? propModelName(model) : ''}</span>
              </Link>
            </li>
          );
        })}
        {pieces.length === 0 && <li className="muted">empty</li>}
        {pieces.length > 40 && <li className="muted">{`and ${pieces.length - 40} more`}</li>}
      </ul>
    </section>
  );
}

type RigForm = { [K in keyof RigDto]: RigDto[K] };

function Rigs({ list }: { list: ListView<RigView> | undefined }) {
  const rigs = list?.items ?? [];
  const format = useFormat();
  const [remove] = useRemoveRigMutation();
  const [restore] = useRestoreRigMutation();
  const [isOpen, setOpen] = useState(false);
  return (
    <section className={classes.rigs} aria-label="Rigs">
      <header>
        <h2>Rigs</h2>
        <Action onClick={() => setOpen(!isOpen)}>{isOpen ? 'Close' : 'New rig'}</Action>
      </header>
      {isOpen && <NewRig onDone={() => setOpen(false)} />}
      {list && <CutNote list={list} what="rigs" />}
      {rigs.map((rig) => (
        <div key={rig.id} className={classes.rig}>
          <strong>{rig.name}</strong>
          <span className="muted">
            {`friction holds ${formatUnbalance(rig.frictionKgM)}, play ` +
              `${format.millimetres(rig.borePlayM).replace('0.0', '0')}, up to ` +
              `${format.quantity(rig.largestM, 'length').text}`}
          </span>
          <Action
            weight="quiet"
            onClick={() => {
              void remove(rig.id);
              void announceDeletion(`${rig.name} was taken off the bench.`, () => void restore(rig.id));
            }}
          >
            Take off
          </Action>
        </div>
      ))}
      {rigs.length === 0 && !isOpen && (
        <p className="muted">Describe the shaft you balance on; the spin test tells its friction.</p>
      )}
    </section>
  );
}

const BLANK_RIG: RigForm = { name: '', frictionKgM: 5e-8, borePlayM: 0, largestM: 0.4, inertiaKgM2: 1e-7, note: null };

function NewRig({ onDone }: { onDone: () => void }) {
  const [add] = useAddRigMutation();
  const [spin, setSpin] = useState({ turns: '', seconds: '', inertia: '' });
  const {
    form: rigForm,
    save,
    isBusy,
    notes,
  } = useKeptForm<RigForm>({
    keptAs: 'rig/new',
    row: null,
    blank: BLANK_RIG,
    Dto: RigDto,
    send: (values, id) => add({ ...values, id }).unwrap(),
    onDone,
  });
  const { control, handleSubmit, setValue, getValues } = rigForm;
  const onSave = handleSubmit(save);
  const [taken, setTaken] = useState(() => getValues('frictionKgM'));
  const [turns, seconds, inertia] = [Number(spin.turns), Number(spin.seconds), Number(spin.inertia)];
  const found = turns > 0 && seconds > 0 && inertia > 0 ? spinTestFrictionKgM(inertia * 1e-9, turns, seconds) : null;
  return (
    <form className={form.form} noValidate onSubmit={(e) => void onSave(e)}>
      <fieldset className={form.group}>
        <legend>New rig</legend>
        <TextField control={control} name="name" label="Name" autoFocus />
        <QuantityField control={control} name="largestM" label="Largest prop" dimension="length" />
        <QuantityField
          control={control}
          name="borePlayM"
          label="Play of the bore"
          dimension="length"
          description="0 with cones"
        />
        <MomentField
          key={taken}
          label="Friction holds"
          onSet={(value) => setValue('frictionKgM', value)}
          start={taken}
        />
        <div className={form.wide}>
          <p className="muted" style={{ margin: '0 0 6px' }}>
            Spin test: flick a prop whose inertia you know, count its turns until it stands still, and the seconds they
            took.
          </p>
          <div style={{ display: 'flex', gap: 10, flexWrap: 'wrap' }}>
            <TextInput
              label="Inertia, g·mm²"
              value={spin.inertia}
              onChange={(e) => setSpin({ ...spin, inertia: e.currentTarget.value })}
              inputMode="decimal"
              style={{ width: 130 }}
            />
            <TextInput
              label="Turns"
              value={spin.turns}
              onChange={(e) => setSpin({ ...spin, turns: e.currentTarget.value })}
              inputMode="decimal"
              style={{ width: 90 }}
            />
            <TextInput
              label="Seconds"
              value={spin.seconds}
              onChange={(e) => setSpin({ ...spin, seconds: e.currentTarget.value })}
              inputMode="decimal"
              style={{ width: 90 }}
            />
            {found !== null && (
              <Action
                onClick={() => {
                  setValue('frictionKgM', found);
                  setTaken(found);
                }}
                style={{ alignSelf: 'end' }}
              >
                {`Take ${formatUnbalance(found)}`}
              </Action>
            )}
          </div>
        </div>
        <div className={form.wide}>
          <NoteField control={control} name="note" label="Note" />
        </div>
        <div className={form.wide}>
          {notes}
          <Action type="submit" disabled={isBusy}>
            Put on the bench
          </Action>
        </div>
      </fieldset>
    </form>
  );
}

/** A moment typed in gram-millimetres. */
function MomentField({ label, start, onSet }: { label: string; start: number; onSet: (valueKgM: number) => void }) {
  const [text, setText] = useState(String(Number((start * 1e6).toPrecision(3))));
  const value = Number(text.replace(',', '.'));
  return (
    <TextInput
      label={label}
      value={text}
      inputMode="decimal"
      rightSection={<span className="muted">g·mm</span>}
      rightSectionWidth={52}
      error={Number.isFinite(value) && value > 0 ? undefined : 'a moment above 0'}
      onChange={(e) => {
        setText(e.currentTarget.value);
        const next = Number(e.currentTarget.value.replace(',', '.'));
        if (Number.isFinite(next) && next > 0) onSet(next * 1e-6);
      }}
    />
  );
}

function traysHeadline(toDoCount: number, backCount: number, whose: string): string {
  if (toDoCount > 0) return `${toDoCount} ${toDoCount === 1 ? 'piece' : 'pieces'} to balance${whose}`;
  return backCount === 0
    ? 'Every piece is balanced'
    : `Nothing left to balance: ${backCount} ${backCount === 1 ? 'goes' : 'go'} back`;
}
