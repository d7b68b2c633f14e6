import { NativeSelect, TextInput } from '@mantine/core';
import type { CraftListView, PropModelListView } from '@zivvo/contract';
import { cellVoltages, readPropLabel, usualCraftNames, type UsualCraftName } from '@zivvo/core';
import { labelProblemSentence, labelReasonSentence, usualCraftWords } from '@zivvo/words';
import { useState } from 'react';
import { useCraftsQuery, useCreateCraftMutation } from '../shared/api/craftApi.ts';
import { useCreatePropModelMutation, usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useCreateCampaignMutation, useCreateRunMutation } from '../shared/api/standApi.ts';
import { useAirQuery } from '../shared/api/workshopApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { blankCraft, usualCraftEntries } from '../shared/craft/usualCraft.ts';
import classes from '../shared/forms/Form.module.css';
import { forgetMadeId, madeIdOf, useKept } from '../shared/forms/kept.ts';
import { ReadingChoice } from '../shared/forms/ReadingChoice.tsx';
import { useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { blankModel, readingEntries } from '../shared/prop/blankModel.ts';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { freshGrid } from './runGrid.ts';

const STANDARD_AIR = { temperatureC: 15, pressurePa: 101_325, humidityRatio: 0.5 };
/** Blades where the label does not say: nearly always two. */
const USUAL_BLADES = 2;
const NOTHING = { label: '', reading: '', craft: '', modelId: '' };

/** Somebody measured something: which prop, on what kind of craft, and the grid stands there. */
export function Component() {
  const crafts = useCraftsQuery();
  const models = usePropModelsQuery();
  return (
    <Ready query={crafts}>
      {({ items }) => <Ready query={models}>{({ items: props }) => <FirstRun crafts={items} models={props} />}</Ready>}
    </Ready>
  );
}

function FirstRun({ crafts, models }: { crafts: CraftListView['items']; models: PropModelListView['items'] }) {
  const { to } = useInHand();
  const go = useGo();
  const format = useFormat();
  const [typed, setTyped, handedOver] = useKept('stand/first', () => ({ ...NOTHING, craft: crafts[0]?.id ?? '' }));
  const [problem, setProblem] = useState<unknown>(null);
  const { ask, isAsking, asking } = useAsking();
  const { data: airData } = useAirQuery();
  const [createModel] = useCreatePropModelMutation();
  const [createCraft] = useCreateCraftMutation();
  const [createCampaign] = useCreateCampaignMutation();
  const [createRun] = useCreateRunMutation();
  const read = readPropLabel(typed.label);
  const readings = read.status === 'read' ? read.readings.filter((r) => r.pitchM !== null) : [];
  const reading = readings.length === 1 ? readings[0]! : (readings[Number(typed.reading || NaN)] ?? null);
  const isWhole = typed.modelId !== '' || reading !== null;
  const usual = usualCraftNames.find((name) => name === typed.craft);
  const craft = crafts.find((c) => c.id === typed.craft);

  /** One after the other, each with an id that stays: what was made before an answer got lost is not made twice. */
  const start = async (): Promise<void> => {
    const ids = {
      model: madeIdOf(`first/model/${typed.label}`),
      craft: madeIdOf(`first/craft/${typed.craft}`),
      campaign: madeIdOf(`first/campaign/${typed.craft}`),
      run: madeIdOf('first/run'),
    };
    try {
      const propModelId =
        typed.modelId !== ''
          ? typed.modelId
          : (
              await ask(() =>
                createModel({
                  ...blankModel,
                  ...readingEntries(reading),
                  bladeCount: reading!.bladeCount ?? USUAL_BLADES,
                  label: typed.label.trim(),
                  id: ids.model,
                }).unwrap(),
              )
            ).id;
      const made =
        craft ??
        (await ask(() =>
          createCraft({
            ...blankCraft,
            ...usualCraftEntries(usual!),
            name: usualCraftWords[usual!],
            id: ids.craft,
          }).unwrap(),
        ));
      await ask(() =>
        createCampaign({
          id: ids.campaign,
          craftId: made.id,
          name: 'Measured',
          referencePropModelId: made.referencePropModelId,
          ...(airData?.air ?? STANDARD_AIR),
          gateCellV: cellVoltages[made.packChemistry].gateV,
          note: null,
        }).unwrap(),
      );
      await ask(() =>
        createRun({
          campaignId: ids.campaign,
          body: {
            id: ids.run,
            propModelId,
            packPieceId: null,
            replacesRunId: null,
            draft: { ...freshGrid(), restingCell: '', zeroBefore: '', zeroAfter: '' },
          },
        }).unwrap(),
      );
      for (const key of [
        `first/model/${typed.label}`,
        `first/craft/${typed.craft}`,
        `first/campaign/${typed.craft}`,
        'first/run',
      ])
        forgetMadeId(key);
      handedOver();
      go(`/stand/runs/${ids.run}`, { craftId: made.id, propModelId });
    } catch (error) {
      setProblem(error);
    }
  };

  return (
    <StationPage
      eyebrow="Stand · First run"
      headline="What was measured?"
      detail="One row of thrust, rpm, amps and volts is enough: full throttle ranks by itself."
      reasons={
        <p style={{ margin: 0 }}>
          The prop goes on the rack and the craft on the shelf as you name them here; what a usual craft brings along
          stays marked estimated until you type over it.
        </p>
      }
      actions={
        <>
          <Action weight="main" type="submit" form="first-run" disabled={!isWhole || (!craft && !usual) || isAsking}>
            Type the readings
          </Action>
          <ActionLink to={to('/crafts')}>Back</ActionLink>
        </>
      }
    >
      <form
        id="first-run"
        className={classes.form}
        onSubmit={(e) => {
          e.preventDefault();
          void start();
        }}
      >
        <AskedNote asking={asking} error={problem} />
        <fieldset className={classes.group}>
          <legend>Prop and craft</legend>
          {models.length > 0 && (
            <NativeSelect
              label="Prop of the rack"
              value={typed.modelId}
              onChange={(e) => setTyped({ ...typed, modelId: e.currentTarget.value })}
              data={[
                { value: '', label: 'another one' },
                ...models.map((m) => ({ value: m.id, label: propModelName(m) })),
              ]}
            />
          )}
          {typed.modelId === '' && (
            <TextInput
              label="Label on the hub"
              description="across × pitch × blades: 5.1x4.3x3"
              autoFocus
              autoComplete="off"
              value={typed.label}
              error={
                typed.label.trim() === ''
                  ? undefined
                  : read.status === 'unreadable'
                    ? labelProblemSentence(read.problem)
                    : readings.length === 0
                      ? 'The pitch is not on it: write it as across × pitch.'
                      : undefined
              }
              onChange={(e) => setTyped({ ...typed, label: e.currentTarget.value, reading: '' })}
            />
          )}
          {typed.modelId === '' && readings.length > 0 && (
            <div className={classes.wide}>
              <ReadingChoice
                legend={readings.length > 1 ? 'Read as, likeliest first: which is it?' : 'Read as'}
                readings={readings.map((r, i) => ({
                  key: String(i),
                  title:
                    `${format.quantity(r.diameterM, 'length').text} across, pitch ` +
                    `${format.quantity(r.pitchM!, 'length').text}, ` +
                    `${r.bladeCount === null ? `${USUAL_BLADES} blades taken` : `${r.bladeCount} blades`}`,
                  reasons: r.reasons.map(labelReasonSentence).join(', '),
                }))}
                chosen={readings.length === 1 ? '0' : typed.reading}
                onChoose={(key) => setTyped({ ...typed, reading: key })}
              />
            </div>
          )}
          <NativeSelect
            label="For which craft"
            value={typed.craft}
            onChange={(e) => setTyped({ ...typed, craft: e.currentTarget.value })}
            data={[
              { value: '', label: 'choose' },
              ...crafts.map((c) => ({ value: c.id, label: c.name })),
              ...usualCraftNames.map((name: UsualCraftName) => ({
                value: name,
                label: `a usual one: ${usualCraftWords[name]}`,
              })),
            ]}
          />
        </fieldset>
      </form>
    </StationPage>
  );
}
