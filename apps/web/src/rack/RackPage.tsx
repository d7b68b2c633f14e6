import type { PropModelView } from '@zivvo/contract';
import { materialNames, tipNames } from '@zivvo/words';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import { useKeys } from '../shared/keys/keys.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import table from '../shared/table/Table.module.css';
import { ActionLink } from '../shared/ui/Action.tsx';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { RackTabs } from './RackTabs.tsx';
import { bySize, rackFindings, wantedText } from './rackView.ts';

/** The rack: every model with what its label says, what was measured beside it, and how many of each hand. */
export function Component() {
  const query = usePropModelsQuery();
  const { to } = useInHand();
  const go = useGo();
  useKeys([{ key: 'n', what: 'New prop model', run: () => go('/rack/new') }]);
  return (
    <Ready query={query}>
      {(list) => {
        const { items, total } = list;
        const findings = rackFindings(items);
        return (
          <StationPage
            eyebrow="Rack"
            headline={
              items.length === 0
                ? 'The rack is empty'
                : `${total} ${total === 1 ? 'model' : 'models'}, ${findings.fullSets} full ` +
                  `${findings.fullSets === 1 ? 'set' : 'sets'} of four`
            }
            detail={items.length === 0 ? undefined : 'Enter opens a model. A set of four takes two of each hand.'}
            reasons={
              <ul style={{ margin: 0, padding: 0, listStyle: 'none' }}>
                {findings.shortages.slice(0, 5).map((s) => (
                  <li key={s.id} style={{ marginBottom: 12 }}>
                    <strong>{s.name}</strong> needs {s.missing} more <HandArrow hand={s.hand} /> for {s.wanted}.
                  </li>
                ))}
                {findings.uncounted > 0 && (
                  <li>
                    {findings.uncounted === 1 ? 'One model was' : `${findings.uncounted} models were`} never counted.
                  </li>
                )}
                {findings.shortages.length + findings.uncounted === 0 && (
                  <li className="muted">Both hands match on every model.</li>
                )}
              </ul>
            }
            tools={<RackTabs />}
            actions={
              <ActionLink weight="main" hint="n" to={to('/rack/new')}>
                New prop model
              </ActionLink>
            }
          >
            <CutNote list={list} what="models" />
            {items.length === 0 ? (
              <EmptyPage
                title="Type the first label"
                actions={
                  <ActionLink weight="main" to={to('/rack/new')}>
                    New prop model
                  </ActionLink>
                }
              >
                <p>
                  Type what is moulded on the hub: 7.2x3.9x3, 5136, 40mm-4. Zivvo offers its readings, you choose, and
                  count the pieces of each hand.
                </p>
              </EmptyPage>
            ) : (
              <Models items={bySize(items)} />
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

function Models({ items }: { items: PropModelView[] }) {
  const format = useFormat();
  const go = useGo();
  const { propModelId } = useInHand();
  const { data: crafts } = useCraftsQuery();
  const open = (i: number): void => go(`/rack/${items[i]!.id}`);
  const rowKeys = useRowKeys({ onOpen: open });
  return (
    <div className={table.sheet}>
      <table className={`${table.table} ${table.cards}`}>
        <thead>
          <tr>
            <th>
              <span className="visually-hidden">Shape</span>
            </th>
            <th>Model</th>
            <th data-right>Diameter</th>
            <th data-right>Pitch</th>
            <th data-right>Blades</th>
            <th data-wide>Tip</th>
            <th data-wide>Material</th>
            <th data-wide data-right>
              Weight
            </th>
            <th data-right>CW</th>
            <th data-right>CCW</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {items.map((m, i) => (
            <tr key={m.id} tabIndex={0} data-chosen={m.id === propModelId} onClick={() => open(i)}>
              <td data-drawn style={{ width: 38 }}>
                <BladeGlyph diameterM={m.diameterM} pitchM={m.pitchM} bladeCount={m.bladeCount} tipShape={m.tipShape} />
              </td>
              <td data-head>
                <strong style={{ whiteSpace: 'nowrap' }}>{propModelName(m)}</strong>
                {m.wantedCount > 0 && (
                  <div className="muted" style={{ fontSize: 12.5 }}>
                    {wantedText(m, crafts?.items ?? [])}
                  </div>
                )}
              </td>
              <td data-right data-label="Diameter">
                {format.quantity(m.diameterM, 'length').text}
                {m.measuredDiameterM !== null && (
                  <div
                    className="muted"
                    style={{ fontSize: 12.5, whiteSpace: 'nowrap' }}
                  >{`measured ${format.quantity(m.measuredDiameterM, 'length').text}`}</div>
                )}
              </td>
              <td data-right data-label="Pitch">
                {format.quantity(m.pitchM, 'length').text}
              </td>
              <td data-right data-label="Blades">
                {m.bladeCount}
              </td>
              <td data-wide data-label="Tip">
                {tipNames[m.tipShape]}
              </td>
              <td data-wide data-label="Material">
                {materialNames[m.material]}
              </td>
              <td data-wide data-right data-label="Weight">
                {format.quantityOrDash(m.measuredMassKg, 'mass')}
              </td>
              <td data-right data-label="CW" style={{ color: 'var(--indigo)' }}>
                {m.stock?.cwCount ?? '–'}
              </td>
              <td data-right data-label="CCW" style={{ color: 'var(--plum)' }}>
                {m.stock?.ccwCount ?? '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
