import { NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 } from 'uuid';
import { useKeys } from '../shared/keys/keys.ts';
import { useStartLiveMutation } from '../shared/api/liveApi.ts';
import { useCraftQuery } from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useCampaignQuery, useCreateRunMutation } from '../shared/api/standApi.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { rigChoices } from '../shared/craft/rigChoices.ts';
import classes from '../shared/forms/Form.module.css';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { DeviceSelect, useDeviceChoice } from './live/DeviceChoice.tsx';
import { RigSelect } from './RigSelect.tsx';
import { freshGrid } from './runGrid.ts';

/** Which prop, on which pack: then the grid. */
export function Component() {
  const { campaignId = '' } = useParams();
  const { propModelId, to } = useInHand();
  const go = useGo();
  const campaign = useCampaignQuery(campaignId);
  const { data: models } = usePropModelsQuery();
  const { data: shelf } = usePacksQuery();
  const packs = shelf?.items ?? [];
  const [create, creating] = useCreateRunMutation();
  const [startLive, startingLive] = useStartLiveMutation();
  const [id] = useState(() => v7());
  const [chosen, setChosen] = useState<string | null>(null);
  const [packId, setPackId] = useState('');
  const [kitId, setKitId] = useState<string | null>(null);
  const { data: craft } = useCraftQuery(campaign.data?.craftId ?? '', { skip: !campaign.data });
  const rigs = craft ? rigChoices(craft) : [];
  const items = models?.items ?? [];
  const propId = chosen ?? propModelId ?? campaign.data?.referencePropModelId ?? items[0]?.id ?? '';
  const device = useDeviceChoice();
  const onStart = async (): Promise<void> => {
    const draft = { ...freshGrid(), restingCell: '', zeroBefore: '', zeroAfter: '' };
    const started = await create({
      campaignId,
      body: { id, propModelId: propId, packPieceId: packId === '' ? null : packId, kitId, replacesRunId: null, draft },
    });
    if (!started.error) go(`/stand/runs/${id}`, { propModelId: propId });
  };
  const onStand = async (): Promise<void> => {
    const started = await startLive({
      campaignId,
      body: {
        id,
        propModelId: propId,
        packPieceId: packId === '' ? null : packId,
        kitId,
        deviceName: device.deviceName,
      },
    });
    if (!started.error) go(`/stand/live/${id}`, { propModelId: propId });
  };
  useKeys([{ key: 'l', what: 'Run it on the live stand', run: () => void onStand() }]);
  return (
    <Ready query={campaign}>
      {(data) => (
        <StationPage
          eyebrow={`Stand · ${data.name}`}
          headline="Which prop is on the stand?"
          reasons={
            <p style={{ margin: 0 }}>
              Weigh the prop before it goes on. Tare the scale and clear the telemetry. Stand well behind the disc, eye
              protection on, nobody level with it; pack unplugged before fingers go near.
            </p>
          }
          actions={
            <>
              <Action weight="main" type="submit" form="start-run" disabled={propId === '' || creating.isLoading}>
                Type the run
              </Action>
              <Action hint="l" disabled={propId === '' || startingLive.isLoading} onClick={() => void onStand()}>
                Run it on the live stand
              </Action>
              <ActionLink to={to(`/stand/${campaignId}/import`)}>Paste or drop a file instead</ActionLink>
              <ActionLink to={to(`/stand/${campaignId}`)}>Cancel</ActionLink>
            </>
          }
        >
          {models && items.length === 0 ? (
            <EmptyPage
              title="No prop on the rack yet"
              actions={
                <ActionLink weight="main" to={to('/rack/new')}>
                  New prop model
                </ActionLink>
              }
            >
              <p>A run belongs to a prop: type its label first.</p>
            </EmptyPage>
          ) : (
            <form
              id="start-run"
              className={classes.form}
              onSubmit={(e) => {
                e.preventDefault();
                void onStart();
              }}
            >
              <ProblemNote error={creating.error ?? startingLive.error} />
              <fieldset className={classes.group}>
                <legend>Run</legend>
                <NativeSelect
                  label="Prop"
                  autoFocus
                  value={propId}
                  onChange={(e) => setChosen(e.currentTarget.value)}
                  data={items.map((m) => ({ value: m.id, label: propModelName(m) }))}
                />
                <RigSelect rigs={rigs} kitId={kitId} onChange={setKitId} />
                <NativeSelect
                  label="Pack"
                  value={packId}
                  onChange={(e) => setPackId(e.currentTarget.value)}
                  data={[
                    { value: '', label: 'not noted' },
                    ...packs.map((p) => ({ value: p.id, label: `${p.tag} · ${p.seriesCount}S ${p.capacityAh} Ah` })),
                  ]}
                />
                <DeviceSelect choice={device} />
              </fieldset>
            </form>
          )}
        </StationPage>
      )}
    </Ready>
  );
}
