import { useState, type ReactNode } from 'react';
import classes from './StationPage.module.css';

export interface StationPageProps {
  /** Station and subject; stays put while the answer changes. */
  eyebrow: ReactNode;
  /** The answer, not the page's name. */
  headline: ReactNode;
  /** A line under the headline. */
  detail?: ReactNode;
  /** Beside the headline: tabs, a chosen point. */
  tools?: ReactNode;
  reasons?: ReactNode;
  /** The one action in full colour, then the others. */
  actions?: ReactNode;
  children: ReactNode;
}

/** A station: answer above, work in the middle, reasons and the action at the right. */
export function StationPage({ eyebrow, headline, detail, tools, reasons, actions, children }: StationPageProps) {
  const [isOpen, setOpen] = useState(false);
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
            {detail !== undefined && <div className={classes.detail}>{detail}</div>}
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
                Reasons
              </button>
              {reasons}
            </div>
          )}
          {actions !== undefined && <div className={classes.actions}>{actions}</div>}
        </aside>
      )}
    </div>
  );
}
