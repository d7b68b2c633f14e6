import { doesMostFail, explainYield } from '@zivvo/core';
import { formatShare } from '@zivvo/words';
import { useParams } from 'react-router';
import { useYieldsQuery } from '../shared/api/pieceApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { HeadlineWorking } from '../shared/working/HeadlineWorking.tsx';
import { RackTabs } from './RackTabs.tsx';
import { Yields } from './YieldTable.tsx';
import { bySupplier, costOf, type SupplierYield } from './yieldView.ts';

/** One supplier: whose props came from there, in which bags, how many were usable, and at what price. */
export function Component() {
  const { supplierName = '' } = useParams();
  const { to } = useInHand();
  const yields = useYieldsQuery();
  const models = usePropModelsQuery();
  return (
    <Ready query={yields}>
      {({ deliveries }) => (
        <Ready query={models}>
          {({ items }) => {
            const found = bySupplier(deliveries, items).find((s) => s.supplierName === supplierName);
            return (
              <StationPage
                eyebrow="Rack · Supplier"
                headline={found ? headlineOf(found) : `Nothing came from ${supplierName}`}
                detail={found && found.makers.length > 0 ? `Makers: ${found.makers.join(', ')}.` : undefined}
                working={found && <HeadlineWorking working={explainYield(found)} subject={found.supplierName} />}
                tools={<RackTabs />}
                reasons={
                  <p style={{ margin: 0 }}>
                    One supplier may sell good bags of one maker and bad ones of another: look at the bags before you
                    change.
                  </p>
                }
                actions={<ActionLink to={to('/rack/yield')}>All yields</ActionLink>}
              >
                {found ? (
                  <Yields
                    title="Bag"
                    rows={found.deliveries.map((d) => {
                      const model = items.find((m) => m.id === d.propModelId);
                      return {
                        ...d,
                        key: d.batchId,
                        name: model ? propModelName(model) : '',
                        link: `/rack/deliveries/${d.batchId}`,
                        note: [formatDay(d.cameAt), d.location].filter((t) => t !== null).join(', '),
                        cost: costOf(model, d),
                      };
                    })}
                  />
                ) : (
                  <EmptyPage
                    title="No such supplier"
                    actions={<ActionLink to={to('/rack/deliveries')}>All deliveries</ActionLink>}
                  >
                    <p>A supplier is named with a delivery; none here carries this name.</p>
                  </EmptyPage>
                )}
              </StationPage>
            );
          }}
        </Ready>
      )}
    </Ready>
  );
}

function headlineOf(found: SupplierYield): string {
  const bags = found.deliveries.length === 1 ? 'one bag' : `${found.deliveries.length} bags`;
  if (!found.usable) return `${found.supplierName}: ${bags}, nothing judged yet`;
  if (doesMostFail(found))
    return `${found.rejectedCount} of ${found.pieceCount} pieces from ${found.supplierName} failed: change supplier`;
  return `${formatShare(found.usable.ratio, 0)} of what ${found.supplierName} sold is usable, from ${bags}`;
}
