import { useKeys } from '../shared/keys/keys.ts';
import { useBatchesQuery } from '../shared/api/pieceApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { RackTabs } from './RackTabs.tsx';

/** What came in, and how far each delivery is checked in. */
export function Component() {
  const query = useBatchesQuery();
  const { data: models } = usePropModelsQuery();
  const { to } = useInHand();
  const go = useGo();
  useKeys([{ key: 'n', what: 'New delivery', run: () => go('/rack/deliveries/new') }]);
  const names = new Map(models?.items.map((m) => [m.id, propModelName(m)]));
  return (
    <Ready query={query}>
      {(list) => {
        const { items, total } = list;
        const open = items.reduce((sum, b) => sum + b.pieceCount - b.checkedInCount, 0);
        return (
          <StationPage
            eyebrow="Rack · Deliveries"
            headline={
              items.length === 0
                ? 'No delivery yet'
                : open === 0
                  ? `${total} deliveries, every piece checked in`
                  : `${open} ${open === 1 ? 'piece waits' : 'pieces wait'} to be checked in`
            }
            tools={<RackTabs />}
            reasons={
              <p style={{ margin: 0 }}>
                Ring or reaming comes before balancing: both move the centre. Look and feel for cracks, voids, flash;
                hold a blade against the light.
              </p>
            }
            actions={
              <ActionLink weight="main" hint="n" to={to('/rack/deliveries/new')}>
                New delivery
              </ActionLink>
            }
          >
            <CutNote list={list} what="deliveries" />
            {items.length === 0 ? (
              <EmptyPage
                title="Open the bag"
                actions={
                  <ActionLink weight="main" to={to('/rack/deliveries/new')}>
                    New delivery
                  </ActionLink>
                }
              >
                <p>
                  Choose the model, count the pieces of each hand by hand, and weigh them one after another without
                  leaving the keyboard.
                </p>
              </EmptyPage>
            ) : (
              <Batches items={items} names={names} />
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

function Batches({
  items,
  names,
}: {
  items: {
    id: string;
    propModelId: string;
    pieceCount: number;
    checkedInCount: number;
    location: string | null;
    createdAt: string;
  }[];
  names: ReadonlyMap<string, string>;
}) {
  const go = useGo();
  const rowKeys = useRowKeys({ onOpen: (i) => go(`/rack/deliveries/${items[i]!.id}`) });
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Model</th>
            <th data-right>Pieces</th>
            <th data-right>Checked in</th>
            <th data-wide>Where</th>
            <th>Came</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {items.map((b) => (
            <tr key={b.id} tabIndex={0} onClick={() => go(`/rack/deliveries/${b.id}`)}>
              <td>
                <strong>{names.get(b.propModelId) ?? ''}</strong>
              </td>
              <td data-right>{b.pieceCount}</td>
              <td data-right>{b.checkedInCount === b.pieceCount ? 'all' : b.checkedInCount}</td>
              <td data-wide>{b.location ?? ''}</td>
              <td>{formatDay(b.createdAt)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
