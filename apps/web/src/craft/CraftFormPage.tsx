import {
  CraftDto,
  type estimableFields,
  layouts,
  motorEstimates,
  packChemistries,
  type CraftView,
  type PackPieceView,
} from '@zivvo/contract';
import {
  estimateMotor,
  layoutKind,
  layOut,
  needsDiagonal,
  readMotorLabel,
  USUAL_DUCT_RATIO,
  usualCraftNames,
  usualStandbyW,
  type MotorLabelReading,
  type UsualCraftName,
} from '@zivvo/core';
import { chemistryNames, labelProblemSentence, layoutNames, labelReasonSentence, usualCraftWords } from '@zivvo/words';
import { useState } from 'react';
import type { Control } from 'react-hook-form';
import { Link, useParams } from 'react-router';
import {
  useCraftQuery,
  useCreateCraftMutation,
  useLazyCraftQuery,
  useUpdateCraftMutation,
} from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { ArmsField, armsProblem } from './ArmsField.tsx';
import { KitsField } from './KitsField.tsx';
import { SpinTableField } from './SpinTableField.tsx';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import { ChoiceField, CountField, NoteField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { ReadingChoice } from '../shared/forms/ReadingChoice.tsx';
import { useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { blankCraft, usualCraftEntries, type CraftForm } from '../shared/craft/usualCraft.ts';
import { NativeSelect, TextInput } from '@mantine/core';

type EstimatedField = (typeof estimableFields)[number];
type MotorEstimate = (typeof motorEstimates)[number];

/** New craft, or an existing one to edit. */
export function Component() {
  const { craftId } = useParams();
  const query = useCraftQuery(craftId ?? '', { skip: craftId === undefined });
  return craftId === undefined ? (
    <CraftFormPage craft={null} />
  ) : (
    <Ready query={query}>{(craft) => <CraftFormPage craft={craft} key={craft.revision} />}</Ready>
  );
}

function CraftFormPage({ craft }: { craft: CraftView | null }) {
  const go = useGo();
  const { to } = useInHand();
  const [then] = useAddressParam('then');
  const { data: models } = usePropModelsQuery();
  const [create] = useCreateCraftMutation();
  const [update] = useUpdateCraftMutation();
  const [reread] = useLazyCraftQuery();
  const { form, save, isBusy, notes } = useKeptForm<CraftForm>({
    keptAs: `craft/${craft?.id ?? 'new'}`,
    row: craft,
    blank: blankCraft,
    Dto: CraftDto,
    send: (body, id, revision) =>
      (revision === null ? create({ ...body, id }) : update({ id, body: { ...body, revision } })).unwrap(),
    reread: () => reread(craft!.id).unwrap(),
    onDone: (id) =>
      then === 'pick' ? go('/pick', { craftId: id, propModelId: null }) : go(`/crafts/${id}`, { craftId: id }),
  });
  const { control, handleSubmit, setValue, getValues, watch, setError, setFocus, formState } = form;
  const estimated = watch('estimatedFields');
  const layout = watch('layout');
  const kind = layoutKind(layout);
  const massKg = watch('massKg');
  const [usual, setUsual] = useState<UsualCraftName | ''>('');
  const armsError = armsProblem(formState.errors.arms);

  /** Fills a field in; one that was red is looked at anew. */
  const fill = (field: EstimatedField, value: number | null): void =>
    setValue(field, value, { shouldValidate: formState.errors[field] !== undefined });

  const applyMotor = (): void => {
    const [d, h, kv] = [getValues('statorDiameterM'), getValues('statorHeightM'), getValues('kvRpmPerV')];
    const estimate = estimateOrNull(d, h, kv);
    if (!estimate) return;
    const values: Record<MotorEstimate, number> = {
      motorResistanceOhm: estimate.resistanceOhm,
      motorNoLoadCurrentA: estimate.noLoadCurrentA,
      motorMassKg: estimate.massKg,
    };
    for (const field of motorEstimates) if (getValues('estimatedFields').includes(field)) fill(field, values[field]);
  };
  const takeReading = (reading: MotorLabelReading): void => {
    fill('statorDiameterM', reading.statorDiameterM);
    fill('statorHeightM', reading.statorHeightM);
    if (reading.kvRpmPerV !== null) fill('kvRpmPerV', reading.kvRpmPerV);
    markTyped('statorDiameterM', 'statorHeightM', ...(reading.kvRpmPerV === null ? [] : (['kvRpmPerV'] as const)));
    applyMotor();
  };
  /** Begins with a craft as it is often built; what it says stays marked until it is typed over. */
  const takeUsual = (name: UsualCraftName): void => {
    for (const [field, value] of Object.entries(usualCraftEntries(name)))
      setValue(field as keyof CraftForm, value, {
        shouldValidate: formState.errors[field as keyof CraftForm] !== undefined,
      });
    setUsual(name);
  };
  const takePack = (pack: PackPieceView | null): void => {
    setValue('packPieceId', pack?.id ?? null);
    if (!pack) return;
    setValue('packChemistry', pack.chemistry);
    setValue('packSeriesCount', pack.seriesCount);
    setValue('packParallelCount', pack.parallelCount);
    setValue('packCapacityAh', pack.capacityAh);
    setValue('packCellResistanceOhm', pack.cellResistanceOhm);
    setValue('packCRating', pack.cRating);
  };
  const markTyped = (...fields: EstimatedField[]): void =>
    setValue(
      'estimatedFields',
      getValues('estimatedFields').filter((f) => !fields.includes(f)),
    );
  /** A field that may be estimated: its mark, which goes when the person types. */
  const marked = (field: EstimatedField, andThen?: () => void) => ({
    name: field,
    mark: estimated.includes(field) ? ('estimated' as const) : undefined,
    onTyped: (): void => {
      markTyped(field);
      andThen?.();
    },
  });

  const onSave = handleSubmit(
    async (values) => {
      const body = pickForm(values);
      const hole = layoutHole(body);
      if (hole) return setError(hole.field, { type: 'layout', message: hole.message });
      await save(body);
    },
    (errors) => setFocus(Object.keys(errors)[0] as keyof CraftForm),
  );

  return (
    <StationPage
      eyebrow={craft ? `Crafts · ${craft.name}` : 'Crafts'}
      headline={craft ? `Edit ${craft.name}` : 'Describe the craft'}
      detail="Lengths and weights take any unit: 294 mm, 11 1/2 in, 1.92 kg."
      reasons={
        <p style={{ margin: 0 }}>
          Weigh the craft as it flies: pack in, payload on. Figures marked estimated follow from the motor’s size; type
          measured ones over them when you have them. The makers’ manuals come first.
        </p>
      }
      actions={
        <>
          <Action weight="main" type="submit" form="craft-form" disabled={isBusy}>
            {craft ? 'Save craft' : 'Put on the shelf'}
          </Action>
          <ActionLink to={to(craft ? `/crafts/${craft.id}` : '/crafts')}>Cancel</ActionLink>
        </>
      }
    >
      <form id="craft-form" className={classes.form} noValidate onSubmit={(e) => void onSave(e)}>
        {notes}
        {formState.isSubmitted && !formState.isValid && Object.keys(formState.errors).length > 0 && (
          <p role="alert" style={{ margin: 0, color: 'var(--rust)' }}>
            {Object.keys(formState.errors).length === 1
              ? 'One entry needs another look.'
              : `${Object.keys(formState.errors).length} entries need another look.`}{' '}
            Nothing was lost.
          </p>
        )}
        {!craft && (
          <NativeSelect
            label="Begin with a usual one"
            description="every figure it fills in is marked estimated until you type over it"
            value={usual}
            onChange={(e) => e.currentTarget.value !== '' && takeUsual(e.currentTarget.value as UsualCraftName)}
            data={[
              { value: '', label: 'empty' },
              ...usualCraftNames.map((name) => ({ value: name, label: usualCraftWords[name] })),
            ]}
            style={{ maxWidth: 340 }}
          />
        )}
        <fieldset className={classes.group}>
          <legend>Craft</legend>
          <TextField control={control} name="name" label="Name" autoFocus={!craft} />
          <TextField control={control} name="ownerName" label="Owner or use" />
          <QuantityField
            control={control}
            {...marked('massKg')}
            label="Take-off weight"
            dimension="mass"
            description="with pack and payload"
          />
          <ChoiceField
            control={control}
            name="layout"
            label="Layout"
            choices={layouts.map((l) => ({ value: l, label: layoutNames[l] }))}
          />
          {needsDiagonal(layout) && (
            <QuantityField
              control={control}
              {...marked('diagonalM')}
              label={kind === 'plane' ? 'Between the shafts' : 'Motor diagonal'}
              dimension="length"
              description={kind === 'plane' ? 'left shaft to right shaft' : 'twice the centre to a motor'}
            />
          )}
          <QuantityField
            control={control}
            {...marked('clearanceDiameterM')}
            label="Largest disc"
            dimension="length"
            description="that clears frame, wires, view"
          />
          {kind === 'plane' && (
            <QuantityField
              control={control}
              {...marked('groundClearanceM')}
              label="Height of the shaft"
              dimension="length"
              description="over the ground, wheels pressed in"
            />
          )}
          {kind === 'plane' && (
            <QuantityField
              control={control}
              name="boomClearanceM"
              label="Beside the shaft"
              dimension="length"
              description="to the nearest boom, tail, float"
            />
          )}
          <QuantityField
            control={control}
            name="shaftDiameterM"
            label="Shaft"
            dimension="length"
            description="that the bore goes over"
          />
          <ChoiceField
            control={control}
            name="referencePropModelId"
            label="Flies now"
            description="the reference prop"
            none="not chosen yet"
            choices={(models?.items ?? []).map((m) => ({ value: m.id, label: propModelName(m) }))}
          />
        </fieldset>
        {kind === 'multirotor' && layout !== 'custom' && (
          <SpinTableField
            control={control}
            layout={layout}
            table={watch('spinTable') ?? 'in'}
            own={watch('ownSpins') ?? null}
            onOwn={(spins) => setValue('ownSpins', spins)}
          />
        )}
        {layout === 'custom' && <ArmsField control={control} error={armsError} />}
        <fieldset className={classes.group}>
          <legend>Motor and ESC</legend>
          <MotorLabel
            key={usual}
            initial={getValues('motorLabel')}
            onText={(text) => setValue('motorLabel', text)}
            onReading={takeReading}
            error={formState.errors.motorLabel?.message}
          />
          <QuantityField
            control={control}
            {...marked('statorDiameterM', applyMotor)}
            label="Stator diameter"
            dimension="length"
          />
          <QuantityField
            control={control}
            {...marked('statorHeightM', applyMotor)}
            label="Stator height"
            dimension="length"
          />
          <QuantityField
            control={control}
            {...marked('kvRpmPerV', applyMotor)}
            label="Speed constant"
            dimension="motorConstant"
          />
          <QuantityField control={control} {...marked('motorResistanceOhm')} label="Winding" dimension="resistance" />
          <QuantityField
            control={control}
            {...marked('motorNoLoadCurrentA')}
            label="No-load current"
            dimension="current"
          />
          <QuantityField control={control} {...marked('motorMassKg')} label="Motor weight" dimension="mass" />
          <QuantityField
            control={control}
            name="gearRatio"
            label="Gear"
            dimension="number"
            description="motor turns for one of the prop; minus where one stage reverses it, empty without"
          />
          <QuantityField
            control={control}
            {...marked('escLimitA')}
            label="ESC limit"
            dimension="current"
            description="its continuous rating"
          />
          <QuantityField
            control={control}
            name="motorLimitA"
            label="Motor limit"
            dimension="current"
            description="if the maker gives one"
          />
        </fieldset>
        <fieldset className={classes.group}>
          <legend>Pack</legend>
          <PackFields control={control} marked={marked} packPieceId={watch('packPieceId') ?? null} onPack={takePack} />
          <QuantityField
            control={control}
            name="standbyPowerW"
            label="Draw beside the motors"
            dimension="power"
            usual={massKg > 0 ? usualStandbyW(kind, massKg) : undefined}
            mark={watch('standbyPowerW') === null ? 'estimated' : undefined}
            description="receiver, video, camera, payload"
          />
          <QuantityField
            control={control}
            {...marked('ductThrustRatio')}
            label="Gain of the ducts"
            dimension="number"
            description={`thrust over that of a free prop: ${USUAL_DUCT_RATIO} is usual, empty without ducts`}
          />
          <div className={classes.wide}>
            <NoteField control={control} name="note" label="What the flying must feel like" />
          </div>
        </fieldset>
        <KitsField control={control} setValue={setValue} />
      </form>
    </StationPage>
  );
}

interface PackFieldsProps {
  control: Control<CraftForm>;
  marked: (field: EstimatedField) => { name: EstimatedField; mark: 'estimated' | undefined; onTyped: () => void };
  packPieceId: string | null;
  /** Null leaves the figures where they are, to be typed over. */
  onPack: (pack: PackPieceView | null) => void;
}

/** The pack: one of the shelf, whose figures count as they stand there, or typed by its label. */
function PackFields({ control, marked, packPieceId, onPack }: PackFieldsProps) {
  const format = useFormat();
  const { to } = useInHand();
  const { data: packs } = usePacksQuery();
  const chosen = packs?.items.find((p) => p.id === packPieceId);
  return (
    <>
      <NativeSelect
        label="Pack of the shelf"
        name="packPieceId"
        description="its measured figures count"
        value={packPieceId ?? ''}
        onChange={(e) => onPack(packs?.items.find((p) => p.id === e.currentTarget.value) ?? null)}
        data={[
          { value: '', label: 'typed here' },
          ...(packs?.items ?? []).map((p) => ({
            value: p.id,
            label: `${p.tag}, ${p.seriesCount}S${p.parallelCount}P ${format.quantity(p.capacityAh, 'charge').text}`,
          })),
        ]}
      />
      {chosen ? (
        <p className={classes.wide} style={{ margin: 0 }}>
          {`${chosen.seriesCount}S${chosen.parallelCount}P ${chemistryNames[chosen.chemistry]}, ` +
            `${format.quantity(chosen.capacityAh, 'charge').text}, ` +
            `${chosen.cellResistanceOhm !== null ? `${format.quantity(chosen.cellResistanceOhm, 'resistance').text} a cell, measured` : chosen.cRating !== null ? `${chosen.cRating} C by its label` : 'resistance not measured'}. `}
          <Link to={to(`/rack/parts/packs/${chosen.id}`)}>Change them on the pack</Link>
        </p>
      ) : (
        <>
          <ChoiceField
            control={control}
            name="packChemistry"
            label="Chemistry"
            choices={packChemistries.map((c) => ({ value: c, label: chemistryNames[c] }))}
          />
          <CountField control={control} {...marked('packSeriesCount')} label="Cells in series" />
          <CountField control={control} name="packParallelCount" label="Cells in parallel" />
          <QuantityField control={control} {...marked('packCapacityAh')} label="Capacity" dimension="charge" />
          <CountField control={control} name="packCRating" label="C rating" description="printed on the label" />
          <QuantityField
            control={control}
            name="packCellResistanceOhm"
            label="Resistance a cell"
            dimension="resistance"
            description="measured; it wins over the label"
          />
        </>
      )}
    </>
  );
}

interface MotorLabelProps {
  initial: string;
  onText: (text: string) => void;
  onReading: (reading: MotorLabelReading) => void;
  error?: string;
}

/** The motor's label with what it was read as; a doubtful one is offered, never taken in silence. */
function MotorLabel({ initial, onText, onReading, error }: MotorLabelProps) {
  const format = useFormat();
  const [text, setText] = useState(initial);
  const [chosen, setChosen] = useState<string | null>(initial === '' ? null : '0');
  const result = readMotorLabel(text);
  const change = (next: string): void => {
    setText(next);
    onText(next);
    const read = readMotorLabel(next);
    setChosen(read.status === 'read' ? '0' : null);
    if (read.status === 'read') onReading(read.readings[0]!);
  };
  const title = (r: MotorLabelReading): string =>
    `${format.millimetres(r.statorDiameterM)} × ` +
    `${format.millimetres(r.statorHeightM)}${r.kvRpmPerV === null ? '' : `, ${format.quantity(r.kvRpmPerV, 'motorConstant').text}`}`;
  return (
    <div className={classes.wide}>
      <TextInput
        label="Motor label"
        name="motorLabel"
        description="stator size and kV: 2406 2350, 2208.5 2900 kV, 2814/9"
        autoComplete="off"
        value={text}
        onChange={(e) => change(e.currentTarget.value)}
        error={
          error ??
          (text.trim() !== '' && result.status === 'unreadable' ? labelProblemSentence(result.problem) : undefined)
        }
        style={{ maxWidth: 340 }}
      />
      {result.status === 'read' && (
        <ReadingChoice
          legend={result.readings.length > 1 ? 'Read as, likeliest first' : 'Read as'}
          readings={result.readings.map((r, i) => ({
            key: String(i),
            title: title(r),
            reasons: r.reasons.map(labelReasonSentence).join(', '),
          }))}
          chosen={chosen}
          onChoose={(key) => {
            setChosen(key);
            onReading(result.readings[Number(key)]!);
          }}
        />
      )}
    </div>
  );
}

/** The estimate, or null while the entries are not a motor yet. */
function estimateOrNull(d: number, h: number, kv: number): ReturnType<typeof estimateMotor> | null {
  try {
    return estimateMotor(d, h, kv);
  } catch {
    return null;
  }
}

/** What a layout still lacks, and where. */
function layoutHole({ layout, diagonalM, arms }: CraftForm): { field: 'diagonalM' | 'arms'; message: string } | null {
  if (needsDiagonal(layout) && diagonalM === null)
    return { field: 'diagonalM', message: `${layoutNames[layout]} needs the distance between its motors.` };
  if (layout !== 'custom') return null;
  try {
    layOut({ layout, diagonalM: null, arms });
    return null;
  } catch {
    return { field: 'arms', message: 'Two to twelve arms, at most two rotors at one place.' };
  }
}

/** Only the fields that may be sent. */
function pickForm(values: CraftForm): CraftForm {
  const own = Object.fromEntries(
    Object.keys(blankCraft).map((key) => [key, values[key as keyof CraftForm]]),
  ) as unknown as CraftForm;
  const hasTable = own.layout !== 'custom' && layoutKind(own.layout) === 'multirotor';
  return {
    ...own,
    spinTable: hasTable ? own.spinTable : 'in',
    ownSpins: hasTable && own.spinTable === 'own' ? own.ownSpins : null,
    arms: own.layout === 'custom' ? own.arms : null,
    diagonalM: needsDiagonal(own.layout) ? own.diagonalM : null,
  };
}
