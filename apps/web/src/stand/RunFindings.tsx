import type { RunView } from '@zivvo/contract';
import { figureNames, formatNumber, formatShare } from '@zivvo/words';
import panel from '../shared/ui/Panel.module.css';

/** What the readings of a run told beside its points. */
export function RunFindings({ findings }: Pick<RunView, 'findings'>) {
  const { rise, coast } = findings ?? { rise: null, coast: null };
  if (!rise && !coast) return null;
  return (
    <section className={panel.sheet} aria-label="Between the points">
      <h2>Between the points</h2>
      {rise && (
        <p>
          <strong>{`${figureNames.riseS}: ${formatNumber(rise.riseS, 3)} s`}</strong>
          {` to nine tenths of what ${formatShare(rise.fromThrottleRatio)} to ` +
            `${formatShare(rise.toThrottleRatio)} throttle brings, ` +
            `${rise.count === 1 ? 'one burst' : `mean of ${rise.count} bursts${rise.spreadS === null ? '' : `, ± ${formatNumber(rise.spreadS, 3)} s between them`}`}.`}
        </p>
      )}
      {coast && (
        <p>
          <strong>{`Half its speed after ${formatNumber(coast.halfS, 2)} s`}</strong>
          {` without throttle, from ${formatNumber(coast.speedRpm, 0)} rpm; the bearings take ` +
            `${formatShare(coast.dryShare)} of what slows it, ` +
            `${coast.count === 1 ? 'one run-down' : `mean of ${coast.count} run-downs`}.`}
        </p>
      )}
    </section>
  );
}
