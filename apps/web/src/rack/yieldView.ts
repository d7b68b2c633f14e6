import type { PropModelView, YieldView } from '@zivvo/contract';
import { sumOfYields, yieldOf, type YieldResult } from '@zivvo/core';

type Delivered = YieldView['deliveries'][number];

/** What a usable piece costs, those that were rejected paid with it. */
export function costOf(model: PropModelView | undefined, { usable }: YieldResult): number | null {
  return model?.bagPrice != null && model.bagCount !== null && usable && usable.ratio > 0
    ? model.bagPrice / model.bagCount / usable.ratio
    : null;
}

export interface SupplierYield extends YieldResult {
  supplierName: string;
  /** Makers whose props came from there. */
  makers: string[];
  deliveries: Delivered[];
}

/** What came of the bags of each supplier, the best first; bags that nobody named a supplier of stay out. */
export function bySupplier(deliveries: readonly Delivered[], models: readonly PropModelView[]): SupplierYield[] {
  const names = [...new Set(deliveries.flatMap((d) => d.supplierName ?? []))];
  return names
    .map((supplierName) => {
      const own = deliveries.filter((d) => d.supplierName === supplierName);
      const makers = [
        ...new Set(own.flatMap((d) => models.find((m) => m.id === d.propModelId)?.makerName ?? [])),
      ].sort();
      return { supplierName, makers, deliveries: own, ...yieldOf(sumOfYields(own)) };
    })
    .sort((a, b) => (b.usable?.ratio ?? -1) - (a.usable?.ratio ?? -1));
}
