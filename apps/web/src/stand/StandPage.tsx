import { useKeys } from '../shared/keys/keys.ts';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import { useCampaignsQuery } from '../shared/api/standApi.ts';
import { formatDay } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import table from '../shared/table/Table.module.css';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';

/** Stand evenings of the craft in hand, or of all. */
export function Component() {
  const { craftId, to } = useInHand();
  const go = useGo();
  const query = useCampaignsQuery(craftId);
  const { data: crafts } = useCraftsQuery();
  const craft = crafts?.items.find((c) => c.id === craftId);
  useKeys([{ key: 'n', what: 'New stand evening', run: () => go('/stand/new') }]);
  return (
    <Ready query={query}>
      {(list) => {
        const { items, total } = list;
        return (
          <StationPage
            eyebrow={craft ? `Stand · ${craft.name}` : 'Stand'}
            headline={
              items.length === 0
                ? 'No stand evening yet'
                : `${total} stand ${total === 1 ? 'evening' : 'evenings'}${craft ? ` for ${craft.name}` : ''}`
            }
            reasons={
              <p style={{ margin: 0 }}>
                The same protocol for every prop, two runs or more, a pack above its gate. Rig bolted down and caged, a
                switch within reach; nobody level with the disc.
              </p>
            }
            actions={
              <>
                <ActionLink weight="main" hint="n" to={to('/stand/new')}>
                  New stand evening
                </ActionLink>
                <ActionLink to={to('/stand/instruments')}>Instruments</ActionLink>
              </>
            }
          >
            <CutNote list={list} what="evenings" />
            {items.length === 0 ? (
              <EmptyPage
                title="One evening, one craft, its props"
                actions={
                  <ActionLink weight="main" to={to(crafts?.items.length === 0 ? '/crafts/new' : '/stand/new')}>
                    {crafts?.items.length === 0 ? 'Describe a craft first' : 'New stand evening'}
                  </ActionLink>
                }
              >
                <p>
                  Type a run step by step, paste it from a spreadsheet, or drop the file your stand wrote. Zivvo ranks
                  the props at full throttle and at this craft’s hover, and says which differences are real.
                </p>
              </EmptyPage>
            ) : (
              <Evenings items={items} names={new Map(crafts?.items.map((c) => [c.id, c.name]))} />
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

interface EveningsProps {
  items: { id: string; craftId: string; name: string; runCount: number; createdAt: string; densityKgPerM3: number }[];
  names: Map<string, string>;
}

function Evenings({ items, names }: EveningsProps) {
  const go = useGo();
  const open = (i: number): void => go(`/stand/${items[i]!.id}`, { craftId: items[i]!.craftId });
  const rowKeys = useRowKeys({ onOpen: open });
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Evening</th>
            <th>Craft</th>
            <th data-right>Runs</th>
            <th>Date</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {items.map((c, i) => (
            <tr key={c.id} tabIndex={0} onClick={() => open(i)}>
              <td>
                <strong>{c.name}</strong>
              </td>
              <td>{names.get(c.craftId) ?? ''}</td>
              <td data-right>{c.runCount}</td>
              <td>{formatDay(c.createdAt)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
