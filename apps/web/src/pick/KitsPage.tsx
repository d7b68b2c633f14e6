import type { CraftView, KitDto } from '@zivvo/contract';
import { brokenLimits, modelGeometry, type MarkedProp, type PickFigure } from '@zivvo/core';
import { limitWords, pickFigureWords } from '@zivvo/words';
import { NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import table from '../shared/table/Table.module.css';
import { ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { PickGaps } from './PickGaps.tsx';
import { PickTabs, withParams } from './PickTabs.tsx';
import { askedOf, findProp, propOfModel, type PickProp } from './pickProps.ts';
import { kitted } from './useKit.ts';
import { usePickSetting, usePickTask } from './usePick.ts';
import { usePickAddress } from './usePickAddress.ts';
import { usePickFormat } from './usePickFormat.ts';

/** One airframe in all its kits: with and without the camera, three cells against four, motors against props. */
export function Component() {
  return <WithCraft station="Pick">{(craft) => <KitsPage craft={craft} key={craft.id} />}</WithCraft>;
}

/** Figures that tell one way of flying from another. */
const CHOICES = [
  'enduranceS',
  'thrustToWeightRatio',
  'fullCurrentA',
  'carryThrottleRatio',
  'fullThrustN',
  'motorTemperatureC',
  'sagCellV',
  'levelDb',
] as const satisfies readonly PickFigure[];
const MOST_PROPS = 5;

function KitsPage({ craft }: { craft: CraftView }) {
  const query = usePropModelsQuery();
  return <Ready query={query}>{({ items }) => <Kits craft={craft} models={items} />}</Ready>;
}

function Kits({ craft, models }: { craft: CraftView; models: Parameters<typeof propOfModel>[0][] }) {
  const { to } = useInHand();
  const present = models.find((m) => m.id === craft.referencePropModelId);
  const { marked, params } = usePickAddress(present ? modelGeometry(present) : null);
  const [figure, setFigure] = useState<(typeof CHOICES)[number]>('enduranceS');
  const props = useMemo((): PickProp[] => {
    const named = marked.flatMap((id) => findProp(id, models) ?? []);
    const first = present ? [propOfModel(present)] : [];
    const chosen = [...first, ...named.filter((p) => p.id !== present?.id)];
    // Without marks the rack is shown, the present one first.
    return (
      named.length > 0 ? chosen : [...first, ...models.filter((m) => m.id !== present?.id).map(propOfModel)]
    ).slice(0, MOST_PROPS);
  }, [marked, models, present]);
  const ways = useMemo(() => [null, ...craft.kits], [craft.kits]);
  return (
    <StationPage
      eyebrow={`Pick · ${craft.name} · Kits`}
      headline={`${craft.name} in ${ways.length} ways, ${props.length} ${props.length === 1 ? 'prop' : 'props'}`}
      detail="The same airframe with what differs: every figure with the pack of that kit half empty. What bars a prop stands in its cell."
      tools={<PickTabs craft={kitted(craft, null)} params={params} />}
      reasons={
        <>
          <PickGaps craftId={craft.id} />
          <p style={{ margin: 0 }}>
            Weight, pack and motors change together what a prop is worth: one that is right with the camera on may be
            too large without it. Mark props on the map to choose the columns.
          </p>
        </>
      }
      actions={
        <ActionLink weight="main" to={withParams(to('/pick'), params)}>
          Back to the map
        </ActionLink>
      }
    >
      {props.length === 0 ? (
        <EmptyPage
          title="No prop to hold against them"
          actions={
            <ActionLink weight="main" to={to('/rack/new')}>
              New prop model
            </ActionLink>
          }
        >
          <p>Put a label on the rack, or mark sizes on the map.</p>
        </EmptyPage>
      ) : (
        <>
          <NativeSelect
            label="Figure"
            value={figure}
            onChange={(e) => setFigure(e.currentTarget.value as typeof figure)}
            data={CHOICES.map((name) => ({ value: name, label: pickFigureWords[name] }))}
            style={{ maxWidth: 260 }}
          />
          <div className={table.sheet}>
            <table className={`${table.table} ${table.cards}`}>
              <thead>
                <tr>
                  <th>Flown as</th>
                  {props.map((p) => (
                    <th key={p.id} data-right style={{ whiteSpace: 'normal', color: 'var(--ink)' }}>
                      {p.name}
                      <span className="muted" style={{ display: 'block' }}>
                        {p.id === present?.id ? 'flown now' : p.detail}
                      </span>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {ways.map((kit) => (
                  <Way key={kit?.id ?? ''} craft={craft} kit={kit} props={props} figure={figure} />
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </StationPage>
  );
}

/** One way of flying, worked out with its own weight, pack and motors. */
function Way({
  craft,
  kit,
  props,
  figure,
}: {
  craft: CraftView;
  kit: KitDto | null;
  props: readonly PickProp[];
  figure: PickFigure;
}) {
  const pick = usePickFormat();
  const format = useFormat();
  const flown = useMemo(() => kitted(craft, kit), [craft, kit]);
  const setting = usePickSetting(flown);
  const ask = useMemo(() => ({ props: props.map(askedOf) }), [props]);
  const { value, problem } = usePickTask(setting, 'props', ask);
  return (
    <tr style={{ cursor: 'default' }}>
      <th scope="row" style={{ color: 'var(--ink)', whiteSpace: 'normal' }}>
        {kit?.name ?? 'as described'}
        <span className="muted" style={{ display: 'block' }}>
          {`${format.quantity(flown.massKg, 'mass').text}, ${flown.packSeriesCount}S ` +
            `${format.quantity(flown.packCapacityAh, 'charge', 1).text}, ${flown.motorLabel}`}
        </span>
      </th>
      {props.map((p) => {
        const worked = value?.[p.id];
        return (
          <td key={p.id} data-right data-label={p.name}>
            {worked ? pick.figure(figure, worked.figures[figure]) : problem ? '–' : '…'}
            {worked && <Barred worked={worked} />}
          </td>
        );
      })}
    </tr>
  );
}

function Barred({ worked }: { worked: MarkedProp }) {
  const broken = brokenLimits(worked.margins);
  return broken.length === 0 ? null : (
    <span style={{ display: 'block', color: 'var(--rust)', fontSize: 13 }}>
      {broken
        .slice(0, 2)
        .map((l) => limitWords[l])
        .join(', ')}
    </span>
  );
}
