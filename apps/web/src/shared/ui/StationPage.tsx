import type { Severity } from '@zivvo/core';
import { useCallback, useState, type ReactNode } from 'react';
import { gravest, ReasonCount } from './reasonCount.ts';
import { SeverityMark } from './ReasonList.tsx';
import classes from './StationPage.module.css';

export interface StationPageProps {
  /** Station and subject; stays put while the answer changes. */
  eyebrow: ReactNode;
  /** The answer, not the page's name. */
  headline: ReactNode;
  /** A line under the headline. */
  detail?: ReactNode;
  /** Opens how the headline's figure came about. */
  working?: ReactNode;
  /** Beside the headline: tabs, a chosen point. */
  tools?: ReactNode;
  reasons?: ReactNode;
  /** The one action in full colour, then the others. */
  actions?: ReactNode;
  children: ReactNode;
}

/** A station: answer above, work in the middle, reasons and the action at the right. */
export function StationPage({
  eyebrow,
  headline,
  detail,
  working,
  tools,
  reasons,
  actions,
  children,
}: StationPageProps) {
  const [isOpen, setOpen] = useState(false);
  const [said, setSaid] = useState<Readonly<Record<string, readonly Severity[]>>>({});
  const hear = useCallback(
    (list: string, severities: readonly Severity[] | null): void =>
      setSaid(({ [list]: _before, ...others }) => (severities === null ? others : { ...others, [list]: severities })),
    [],
  );
  const all = Object.values(said).flat();
  const worst = gravest(all);
  const hasSide = reasons !== undefined || actions !== undefined;
  return (
    <div className={classes.station} data-side={hasSide}>
      <main className={classes.work}>
        <header className={classes.head}>
          <div className={classes.answer}>
            <p className={classes.eyebrow}>{eyebrow}</p>
            <h1 className={classes.headline} aria-live="polite">
              {headline}
            </h1>
            {(detail !== undefined || working !== undefined) && (
              <div className={classes.detail}>
                {detail} {working}
              </div>
            )}
          </div>
          {tools}
        </header>
        {children}
      </main>
      {hasSide && (
        <aside className={classes.side} data-open={isOpen} aria-label="Reasons and actions">
          {reasons !== undefined && (
            <div className={classes.reasons}>
              <button type="button" className={classes.handle} aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
                {worst !== null && <SeverityMark severity={worst} />}
                <span>{all.length === 0 ? 'Reasons' : all.length === 1 ? '1 reason' : `${all.length} reasons`}</span>
              </button>
              <div className={classes.said}>
                <ReasonCount value={hear}>{reasons}</ReasonCount>
              </div>
            </div>
          )}
          {actions !== undefined && <div className={classes.actions}>{actions}</div>}
        </aside>
      )}
    </div>
  );
}
