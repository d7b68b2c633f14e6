import { CampaignDto, type CampaignView, type CraftView } from '@zivvo/contract';
import { cellVoltages } from '@zivvo/core';
import { useNavigate, useParams } from 'react-router';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import {
  useCampaignQuery,
  useLazyCampaignQuery,
  useCreateCampaignMutation,
  useRemoveCampaignMutation,
  useRestoreCampaignMutation,
  useUpdateCampaignMutation,
} from '../shared/api/standApi.ts';
import { useAirQuery } from '../shared/api/workshopApi.ts';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import { ChoiceField, NoteField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';

type CampaignForm = { [K in keyof CampaignDto]: CampaignDto[K] };

/** A new stand evening for the craft in hand, or an existing one to edit. */
export function Component() {
  const { campaignId } = useParams();
  const { craftId, take } = useInHand();
  const crafts = useCraftsQuery();
  const air = useAirQuery();
  const campaign = useCampaignQuery(campaignId ?? '', { skip: campaignId === undefined });
  if (campaignId !== undefined)
    return (
      <Ready query={campaign}>
        {(data) => (
          <CampaignFormPage
            campaign={data}
            craft={crafts.data?.items.find((c) => c.id === data.craftId) ?? null}
            key={data.revision}
          />
        )}
      </Ready>
    );
  return (
    <Ready query={crafts}>
      {({ items }) => {
        const craft = items.find((c) => c.id === craftId);
        if (craft && (air.currentData || air.isError))
          return <CampaignFormPage campaign={null} craft={craft} key={craft.id} />;
        return (
          <StationPage eyebrow="Stand" headline="For which craft?">
            {items.length === 0 ? (
              <EmptyPage
                title="Describe a craft first"
                actions={
                  <ActionLink weight="main" to="/crafts/new">
                    New craft
                  </ActionLink>
                }
              >
                <p>A stand evening serves one craft: its weight gives the hover, its ESC the limit.</p>
              </EmptyPage>
            ) : (
              <div style={{ display: 'flex', flexDirection: 'column', gap: 8, maxWidth: 420 }}>
                {items.map((c, i) => (
                  <Action key={c.id} autoFocus={i === 0} onClick={() => take({ craftId: c.id })}>
                    {c.ownerName === null ? c.name : `${c.name} · ${c.ownerName}`}
                  </Action>
                ))}
              </div>
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

/** Air to start from when nobody has read any. */
const STANDARD_AIR = { temperatureC: 15, pressurePa: 101_325, humidityRatio: 0.5 };

function CampaignFormPage({ campaign, craft }: { campaign: CampaignView | null; craft: CraftView | null }) {
  const go = useGo();
  const navigate = useNavigate();
  const { to } = useInHand();
  const { data: models } = usePropModelsQuery();
  const { data: airData } = useAirQuery();
  const [create] = useCreateCampaignMutation();
  const [update] = useUpdateCampaignMutation();
  const [reread] = useLazyCampaignQuery();
  const [remove] = useRemoveCampaignMutation();
  const [restore] = useRestoreCampaignMutation();
  const air = airData?.air ?? STANDARD_AIR;
  const defaults: CampaignForm = {
    name: 'Stand evening',
    referencePropModelId: craft?.referencePropModelId ?? null,
    temperatureC: air.temperatureC,
    pressurePa: air.pressurePa,
    humidityRatio: air.humidityRatio,
    gateCellV: craft ? cellVoltages[craft.packChemistry].gateV : null,
    note: null,
  };
  const { form, save, isBusy, notes } = useKeptForm<CampaignForm>({
    keptAs: `evening/${campaign?.id ?? `new/${craft?.id}`}`,
    row: campaign,
    blank: defaults,
    Dto: CampaignDto,
    send: (values, id, revision) => {
      const body = Object.fromEntries(
        Object.keys(defaults).map((key) => [key, values[key as keyof CampaignForm]]),
      ) as unknown as CampaignForm;
      return (
        revision === null ? create({ ...body, id, craftId: craft!.id }) : update({ id, body: { ...body, revision } })
      ).unwrap();
    },
    reread: () => reread(campaign!.id).unwrap(),
    onDone: (id) => go(`/stand/${id}`),
  });
  const { control, handleSubmit } = form;
  const onSave = handleSubmit(save);
  const onRemove = (): Promise<void> =>
    takeAway(remove(campaign!.id).unwrap(), {
      text: `${campaign!.name} was deleted.`,
      undo: () => void restore(campaign!.id),
      onGone: () => void navigate(to('/stand')),
    });
  return (
    <StationPage
      eyebrow={`Stand · ${craft?.name ?? ''}`}
      headline={campaign ? `Edit ${campaign.name}` : `A stand evening for ${craft?.name ?? ''}`}
      reasons={
        <p style={{ margin: 0 }}>
          Check the instruments against each other before you trust any: the scale against a known mass, the rpm against
          a tachometer, the current against a second meter. A run whose pack starts under the gate is kept, marked, and
          does not count.
        </p>
      }
      actions={
        <>
          <Action weight="main" type="submit" form="campaign-form" disabled={isBusy}>
            {campaign ? 'Save evening' : 'Open the evening'}
          </Action>
          <ActionLink to={to(campaign ? `/stand/${campaign.id}` : '/stand')}>Cancel</ActionLink>
          {campaign && (
            <Action weight="danger" onClick={() => void onRemove()}>
              Delete
            </Action>
          )}
        </>
      }
    >
      <form id="campaign-form" className={classes.form} noValidate onSubmit={(e) => void onSave(e)}>
        {notes}
        <fieldset className={classes.group}>
          <legend>Evening</legend>
          <TextField control={control} name="name" label="Name" autoFocus={!campaign} />
          <ChoiceField
            control={control}
            name="referencePropModelId"
            label="Reference prop"
            description="every other prop is held against it"
            none="not chosen yet"
            choices={(models?.items ?? []).map((m) => ({ value: m.id, label: propModelName(m) }))}
          />
          <QuantityField
            control={control}
            name="gateCellV"
            label="Pack gate"
            dimension="voltage"
            description="resting volts a cell before each run"
          />
        </fieldset>
        <fieldset className={classes.group}>
          <legend>Air</legend>
          <QuantityField control={control} name="temperatureC" label="Temperature" dimension="temperature" />
          <QuantityField
            control={control}
            name="pressurePa"
            label="Pressure here"
            dimension="pressure"
            description="not reduced to sea level"
          />
          <QuantityField control={control} name="humidityRatio" label="Humidity" dimension="ratio" />
        </fieldset>
        <fieldset className={classes.group}>
          <legend>What else bears on the numbers</legend>
          <div className={classes.wide}>
            <NoteField control={control} name="note" label="Cage, wall, cart, height over ground" />
          </div>
        </fieldset>
      </form>
    </StationPage>
  );
}
