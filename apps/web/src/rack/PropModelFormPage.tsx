import { TextInput } from '@mantine/core';
import { materials, mountKinds, planforms, PropModelDto, tipShapes, type PropModelView } from '@zivvo/contract';
import { readPropLabel, usualChord75M, type PropLabelReading } from '@zivvo/core';
import {
  handNames,
  labelProblemSentence,
  labelReasonSentence,
  materialNames,
  mountNames,
  planformNames,
  tipNames,
} from '@zivvo/words';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { ModelRecord } from './ModelRecord.tsx';
import {
  useCountStockMutation,
  useCreatePropModelMutation,
  usePropModelQuery,
  usePropModelsQuery,
  useRemovePropModelMutation,
  useRestorePropModelMutation,
  useUpdatePropModelMutation,
  useLazyPropModelQuery,
} from '../shared/api/rackApi.ts';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import { ChoiceField, CountField, NoteField, PriceField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { ReadingChoice } from '../shared/forms/ReadingChoice.tsx';
import { useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { blankModel, readingEntries } from '../shared/prop/blankModel.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';

type ModelForm = { [K in keyof PropModelDto]: PropModelDto[K] } & { cwCount: number | null; ccwCount: number | null };

/** New prop model by its label, or an existing one. */
export function Component() {
  const { propModelId } = useParams();
  const query = usePropModelQuery(propModelId ?? '', { skip: propModelId === undefined });
  return propModelId === undefined ? (
    <ModelFormPage model={null} />
  ) : (
    <Ready query={query}>{(model) => <ModelFormPage model={model} key={model.revision} />}</Ready>
  );
}

const withCounts = (model: PropModelView): ModelForm & PropModelView => ({
  ...model,
  cwCount: model.stock?.cwCount ?? null,
  ccwCount: model.stock?.ccwCount ?? null,
});

function ModelFormPage({ model }: { model: PropModelView | null }) {
  const format = useFormat();
  const go = useGo();
  const { to } = useInHand();
  const [then] = useAddressParam('then');
  const { data: models } = usePropModelsQuery();
  const [create] = useCreatePropModelMutation();
  const [update] = useUpdatePropModelMutation();
  const [reread] = useLazyPropModelQuery();
  const [countStock] = useCountStockMutation();
  const [remove] = useRemovePropModelMutation();
  const [restore] = useRestorePropModelMutation();
  const { form, save, isBusy, notes } = useKeptForm<ModelForm>({
    keptAs: `model/${model?.id ?? 'new'}`,
    row: model && withCounts(model),
    blank: { ...blankModel, cwCount: null, ccwCount: null },
    Dto: PropModelDto,
    send: async ({ cwCount, ccwCount, ...values }, id, revision) => {
      const body = Object.fromEntries(
        Object.keys(blankModel).map((key) => [key, values[key as keyof PropModelDto]]),
      ) as unknown as PropModelDto;
      await (revision === null ? create({ ...body, id }) : update({ id, body: { ...body, revision } })).unwrap();
      const hasCounts = cwCount !== null || ccwCount !== null;
      const isRecount = cwCount !== (model?.stock?.cwCount ?? null) || ccwCount !== (model?.stock?.ccwCount ?? null);
      if (hasCounts && isRecount)
        await countStock({ id, body: { cwCount: cwCount ?? 0, ccwCount: ccwCount ?? 0 } }).unwrap();
    },
    reread: async () => withCounts(await reread(model!.id).unwrap()),
    onDone: (id) => (then === 'delivery' ? go('/rack/deliveries/new', { propModelId: id }) : go('/rack')),
  });
  const { control, handleSubmit, setValue, getValues, watch, setFocus } = form;
  const shape = watch(['diameterM', 'pitchM', 'bladeCount', 'tipShape']);
  const planform = watch('planform') ?? 'usual';
  const hasShape = shape[0] > 0 && shape[1] > 0 && shape[2] >= 1 && shape[2] <= 8;

  const takeReading = (reading: PropLabelReading | null): void => {
    for (const [field, value] of Object.entries(readingEntries(reading))) setValue(field as keyof ModelForm, value);
  };

  const onSave = handleSubmit(save, (errors) => setFocus(Object.keys(errors)[0] as keyof ModelForm));
  const onRemove = (): Promise<void> =>
    takeAway(remove(model!.id).unwrap(), {
      text: `${propModelName(model!)} left the rack.`,
      undo: () => void restore(model!.id),
      onGone: () => go('/rack', { propModelId: null }),
    });

  return (
    <StationPage
      eyebrow={model ? `Rack · ${propModelName(model)}` : 'Rack'}
      headline={model ? propModelName(model) : 'What is moulded on the hub?'}
      detail={model ? undefined : 'Type the label as it stands there; the readings follow while you type.'}
      tools={
        hasShape ? (
          <BladeGlyph size={72} diameterM={shape[0]} pitchM={shape[1]} bladeCount={shape[2]} tipShape={shape[3]} />
        ) : undefined
      }
      reasons={
        <p style={{ margin: 0 }}>
          The first number is the diameter, the second the pitch, the last the blades. Measure the real diameter: it
          often differs from the label. Measured values stand beside the label’s, never over them.
        </p>
      }
      actions={
        <>
          <Action weight="main" type="submit" form="model-form" disabled={isBusy}>
            {model ? 'Save model' : 'Put on the rack'}
          </Action>
          <ActionLink to={to('/rack')}>Cancel</ActionLink>
          {model && (
            <Action weight="danger" onClick={() => void onRemove()}>
              Delete
            </Action>
          )}
        </>
      }
    >
      {model && <ModelRecord model={model} />}
      <form id="model-form" className={classes.form} noValidate onSubmit={(e) => void onSave(e)}>
        {notes}
        <fieldset className={classes.group}>
          <legend>Label</legend>
          <PropLabel
            initial={getValues('label')}
            isNew={!model}
            onText={(text) => setValue('label', text)}
            onReading={takeReading}
          />
          <QuantityField control={control} name="diameterM" label="Diameter" dimension="length" />
          <QuantityField control={control} name="pitchM" label="Pitch" dimension="length" />
          <CountField control={control} name="bladeCount" label="Blades" />
          <ChoiceField
            control={control}
            name="tipShape"
            label="Tip"
            choices={tipShapes.map((t) => ({ value: t, label: tipNames[t] }))}
          />
          <ChoiceField
            control={control}
            name="labelHand"
            label="Hand on the label"
            none="nothing written"
            choices={(['cw', 'ccw', 'either'] as const).map((h) => ({ value: h, label: handNames[h] }))}
          />
          <TextField control={control} name="makerName" label="Maker" />
        </fieldset>
        {hasShape && (
          <fieldset className={classes.group}>
            <legend>Blades</legend>
            <ReadingChoice
              legend="How wide do they look?"
              readings={planforms.map((p) => ({
                key: p,
                title: planformNames[p],
                reasons:
                  `${format.millimetres(usualChord75M({ diameterM: shape[0], bladeCount: shape[2], tipShape: shape[3], planform: p }))} ` +
                  'at three quarters of the radius',
                glyph: (
                  <BladeGlyph
                    size={54}
                    diameterM={shape[0]}
                    pitchM={shape[1]}
                    bladeCount={shape[2]}
                    tipShape={shape[3]}
                    planform={p}
                  />
                ),
              }))}
              chosen={planform}
              onChoose={(p) => setValue('planform', p as (typeof planforms)[number])}
            />
            <QuantityField
              control={control}
              name="chord75M"
              label="Blade width there"
              dimension="length"
              description="callipers, at three quarters of the radius"
            />
            <QuantityField
              control={control}
              name="angle75Rad"
              label="Blade angle there"
              dimension="angle"
              description={<Link to={to('/balance/aids')}>with the printed gauge</Link>}
            />
          </fieldset>
        )}
        <fieldset className={classes.group}>
          <legend>Pieces and measures</legend>
          <CountField control={control} name="cwCount" label="CW pieces" description="counted, not read off the bag" />
          <CountField
            control={control}
            name="ccwCount"
            label="CCW pieces"
            description="counted, not read off the bag"
          />
          <ChoiceField
            control={control}
            name="material"
            label="Material"
            choices={materials.map((m) => ({ value: m, label: materialNames[m]! }))}
          />
          <QuantityField control={control} name="measuredDiameterM" label="Measured diameter" dimension="length" />
          <QuantityField control={control} name="measuredMassKg" label="Measured weight" dimension="mass" />
          <QuantityField control={control} name="speedLimitRpm" label="Maker’s speed limit" dimension="rotation" />
          <QuantityField
            control={control}
            name="boreDiameterM"
            label="Bore"
            dimension="length"
            description="hole in the hub"
          />
          <QuantityField control={control} name="hubThicknessM" label="Hub thickness" dimension="length" />
          <ChoiceField
            control={control}
            name="mountKind"
            label="Mount"
            none="not noted"
            choices={mountKinds.map((m) => ({ value: m, label: mountNames[m]! }))}
          />
          <TextField
            control={control}
            name="cwLetters"
            label="Letters of CW pieces"
            description="on this maker’s alone"
          />
          <TextField
            control={control}
            name="ccwLetters"
            label="Letters of CCW pieces"
            description="on this maker’s alone"
          />
          <ChoiceField
            control={control}
            name="cutFromModelId"
            label="Cut from"
            none="as it came"
            choices={(models?.items ?? [])
              .filter((m) => m.id !== model?.id)
              .map((m) => ({ value: m.id, label: propModelName(m) }))}
          />
          <PriceField control={control} name="bagPrice" label="Price of a bag" />
          <CountField control={control} name="bagCount" label="Pieces in a bag" />
          <TextField control={control} name="colour" label="Colour" />
          <div className={classes.wide}>
            <NoteField control={control} name="note" label="Note" />
          </div>
        </fieldset>
      </form>
    </StationPage>
  );
}

interface PropLabelProps {
  initial: string;
  isNew: boolean;
  onText: (text: string) => void;
  /** Null while the label is open: what an earlier reading filled in is taken back. */
  onReading: (reading: PropLabelReading | null) => void;
}

/** The label with its readings. One reading is taken; where there are more, the person chooses. */
function PropLabel({ initial, isNew, onText, onReading }: PropLabelProps) {
  const format = useFormat();
  const [text, setText] = useState(initial);
  const [chosen, setChosen] = useState<string | null>(null);
  const result = readPropLabel(text);
  const change = (next: string): void => {
    setText(next);
    onText(next);
    const read = readPropLabel(next);
    const isClear = read.status === 'read' && read.readings.length === 1;
    setChosen(isClear ? '0' : null);
    onReading(isClear ? read.readings[0]! : null);
  };
  const size = (m: number | null): string => (m === null ? '?' : format.quantity(m, 'length').text);
  const leftOut =
    result.status === 'read'
      ? result.readings[0]!.reasons.flatMap((r) => (r.code === 'wordsLeftOut' ? [r.text] : []))
      : [];
  const needsChoice = result.status === 'read' && result.readings.length > 1 && chosen === null && text !== initial;
  return (
    <div className={classes.wide}>
      <TextInput
        label="Label on the hub"
        name="label"
        autoFocus={isNew}
        autoComplete="off"
        value={text}
        onChange={(e) => change(e.currentTarget.value)}
        error={text.trim() !== '' && result.status === 'unreadable' ? labelProblemSentence(result.problem) : undefined}
        style={{ maxWidth: 340 }}
        styles={{ input: { fontFamily: 'var(--font-mono)', fontSize: 17 } }}
      />
      {leftOut.length > 0 && (
        <p className="muted" style={{ margin: '4px 0 0' }}>
          Not read:{' '}
          {leftOut.map((word) => (
            <s key={word} className="mono" style={{ marginRight: 8 }}>
              {word}
            </s>
          ))}
        </p>
      )}
      {result.status === 'read' && (
        <ReadingChoice
          legend={needsChoice ? 'This label can be read in more than one way: choose' : 'Read as'}
          readings={result.readings.map((r, i) => ({
            key: String(i),
            title: `${size(r.diameterM)} × ${size(r.pitchM)}${r.bladeCount === null ? '' : `, ${r.bladeCount} blades`}`,
            reasons: r.reasons.map(labelReasonSentence).join(', '),
            glyph:
              r.pitchM === null ? undefined : (
                <BladeGlyph
                  size={30}
                  diameterM={r.diameterM}
                  pitchM={r.pitchM}
                  bladeCount={r.bladeCount ?? 2}
                  tipShape={r.tipShape ?? 'standard'}
                />
              ),
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
