import { useRowKeys } from '../shared/table/useRowKeys.ts';
import type { CraftListView } from '@zivvo/contract';
import { useKeys } from '../shared/keys/keys.ts';
import { useCraftLinesQuery, useCraftsQuery } from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { ActionLink } from '../shared/ui/Action.tsx';
import { LineBar } from '../shared/ui/LineBar.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import table from '../shared/table/Table.module.css';
import { CraftDrawing } from './CraftDrawing.tsx';
import { FirstSteps } from '../shared/ui/FirstSteps.tsx';

/** The shelf of crafts. */
export function Component() {
  const query = useCraftsQuery();
  const { to } = useInHand();
  const go = useGo();
  useKeys([{ key: 'n', what: 'New craft', run: () => go('/crafts/new') }]);
  return (
    <Ready query={query}>
      {(list) => {
        const { items, total } = list;
        return (
          <StationPage
            eyebrow="Crafts"
            headline={
              items.length === 0
                ? 'What brings you here?'
                : total === 1
                  ? 'One craft on the shelf'
                  : `${total} crafts on the shelf`
            }
            detail={
              items.length === 0
                ? 'Nothing is on the shelf yet: start with what you have in your hands.'
                : 'Enter opens a craft and takes it in hand.'
            }
            actions={
              <ActionLink weight="main" hint="n" to={to('/crafts/new')}>
                New craft
              </ActionLink>
            }
            reasons={
              <p style={{ margin: 0 }}>
                A craft carries its motor, ESC, pack and weight. Every prop is judged for one craft and one use: start
                here.
              </p>
            }
          >
            <CutNote list={list} what="crafts" />
            {items.length === 0 ? <FirstSteps /> : <Shelf items={items} />}
          </StationPage>
        );
      }}
    </Ready>
  );
}

function Shelf({ items }: { items: CraftListView['items'] }) {
  const format = useFormat();
  const go = useGo();
  const { craftId } = useInHand();
  const { data: models } = usePropModelsQuery();
  const { data: lines } = useCraftLinesQuery();
  const open = (i: number): void => go(`/crafts/${items[i]!.id}`, { craftId: items[i]!.id, propModelId: null });
  const rowKeys = useRowKeys({ onOpen: open });
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th data-wide>
              <span className="visually-hidden">Drawing</span>
            </th>
            <th>Craft</th>
            <th data-right>Weight</th>
            <th data-wide>Motor</th>
            <th data-wide data-right>
              ESC limit
            </th>
            <th data-wide>Pack</th>
            <th>Flies now</th>
            <th>Stand</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {items.map((c, i) => {
            const reference = models?.items.find((m) => m.id === c.referencePropModelId);
            return (
              <tr key={c.id} tabIndex={0} data-chosen={c.id === craftId} onClick={() => open(i)}>
                <td data-wide style={{ width: 96 }}>
                  <CraftDrawing craft={c} discDiameterM={reference?.diameterM ?? null} size={92} isMini />
                </td>
                <td>
                  <strong style={{ fontSize: 18 }}>{c.name}</strong>
                  <div className="muted">{c.ownerName}</div>
                </td>
                <td data-right>{format.quantity(c.massKg, 'mass').text}</td>
                <td data-wide data-whole>
                  {c.motorLabel}
                </td>
                <td data-wide data-right>
                  {format.quantityOrDash(c.escLimitA, 'current')}
                </td>
                <td data-wide data-whole>
                  {`${c.packSeriesCount}S${c.packParallelCount > 1 ? `${c.packParallelCount}P` : ''} · ` +
                    `${format.quantity(c.packCapacityAh, 'charge', 1).text}`}
                </td>
                <td>{reference ? propModelName(reference) : '–'}</td>
                <td>
                  <LineBar
                    stop={lines?.items.find((l) => l.craftId === c.id)?.stops.find((s) => s.station === 'stand')}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
