import type { PropModelView, YieldView } from '@zivvo/contract';
import { doesMostFail, explainYield, FEWEST_JUDGED, sumOfYields, yieldOf, type YieldResult } from '@zivvo/core';
import { formatShare } from '@zivvo/words';
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
import { bySupplier, costOf } from './yieldView.ts';
import { Yields, type YieldRow } from './YieldTable.tsx';

type YieldOfMaker = YieldView['makers'][number];

/** How many of a maker's pieces turned out usable, and what a usable one costs. */
export function Component() {
  const query = useYieldsQuery();
  const { data: models } = usePropModelsQuery();
  const { to } = useInHand();
  return (
    <Ready query={query}>
      {(yields) => {
        const makers = [...yields.makers].filter((m) => m.usable).sort((a, b) => b.usable!.ratio - a.usable!.ratio);
        const suppliers = bySupplier(yields.deliveries, models?.items ?? []);
        const modelOf = (id: string): PropModelView | undefined => models?.items.find((m) => m.id === id);
        const named = <T extends YieldResult & { propModelId: string }>(y: T): Omit<YieldRow, 'key' | 'note'> & T => ({
          ...y,
          name: modelOf(y.propModelId) ? propModelName(modelOf(y.propModelId)!) : '',
          cost: costOf(modelOf(y.propModelId), y),
        });
        const told = toldFirst(makers, yields.models);
        return (
          <StationPage
            eyebrow="Rack · Yield"
            headline={headlineOf(makers, yields.models)}
            detail="Good from the bag, good after correction, or rejected: cracked, sent back from the shaft, thrown out unflown. With the 95 % interval that so few pieces leave."
            working={<HeadlineWorking working={explainYield(told.of)} subject={told.name} />}
            tools={<RackTabs />}
            reasons={
              <p style={{ margin: 0 }}>
                When most of a bag fails, change supplier. A handful of pieces proves little: look at the interval
                before you blame a maker.
              </p>
            }
          >
            {yields.models.length === 0 ? (
              <EmptyPage
                title="Check deliveries in"
                actions={
                  <ActionLink weight="main" to={to('/rack/deliveries/new')}>
                    New delivery
                  </ActionLink>
                }
              >
                <p>Each piece that is balanced, fitted, sent back or thrown out counts here by itself.</p>
              </EmptyPage>
            ) : (
              <>
                {suppliers.length > 0 && (
                  <Yields
                    title="Bought from"
                    rows={suppliers.map((y) => ({
                      ...y,
                      key: y.supplierName,
                      name: y.supplierName,
                      link: `/rack/suppliers/${encodeURIComponent(y.supplierName)}`,
                      note: y.makers.join(', '),
                      cost: null,
                    }))}
                  />
                )}
                {makers.length > 0 && (
                  <Yields
                    title="Maker"
                    rows={makers.map((m) => ({ key: m.makerName, name: m.makerName, note: null, cost: null, ...m }))}
                  />
                )}
                <Yields
                  title="Model"
                  rows={yields.models.map((y) => ({ ...named(y), key: y.propModelId, note: null }))}
                />
                {yields.deliveries.length > 0 && (
                  <Yields
                    title="Delivery"
                    rows={yields.deliveries.map((y) => ({
                      ...named(y),
                      key: y.batchId,
                      note: [formatDay(y.cameAt), y.location].filter((t) => t !== null).join(', '),
                    }))}
                  />
                )}
              </>
            )}
          </StationPage>
        );
      }}
    </Ready>
  );
}

/** Makers that are told of: a handful proves nothing, so those of more pieces come first. */
function provenMakers(makers: readonly YieldOfMaker[]): readonly YieldOfMaker[] {
  const proven = makers.filter((m) => m.pieceCount >= FEWEST_JUDGED);
  return proven.length > 0 ? proven : makers;
}

/** Whose share the headline tells first: the maker that fails, else the best one, else all pieces. */
function toldFirst(makers: readonly YieldOfMaker[], models: readonly YieldResult[]): { of: YieldResult; name: string } {
  const told = provenMakers(makers);
  const worst = told.at(-1);
  const first = worst && doesMostFail(worst) ? worst : told[0];
  return first
    ? { of: first, name: first.makerName }
    : { of: yieldOf(sumOfYields(models)), name: 'All pieces of the rack' };
}

/** The answer for the makers, the best first; pieces whose maker nobody named are counted by model alone. */
function headlineOf(makers: readonly YieldOfMaker[], models: readonly YieldResult[]): string {
  const share = ({ usable }: YieldResult): string => formatShare(usable?.ratio ?? 0, 0);
  const all = yieldOf(sumOfYields(models));
  if (models.length === 0) return 'No piece has been checked in yet';
  if (!all.usable)
    return all.notJudgedCount === 1
      ? 'The one piece is not judged yet'
      : `None of ${all.notJudgedCount} pieces is judged yet`;
  const told = provenMakers(makers);
  const [best] = told;
  const worst = told.at(-1);
  if (!best || !worst) return `${share(all)} of the pieces are usable`;
  if (doesMostFail(worst))
    return `${worst.rejectedCount} of ${worst.pieceCount} pieces of ${worst.makerName} failed: change supplier`;
  return best === worst
    ? `${share(best)} of ${best.makerName}’s pieces are usable`
    : `${best.makerName} ${share(best)} usable, ${worst.makerName} ${share(worst)}`;
}
