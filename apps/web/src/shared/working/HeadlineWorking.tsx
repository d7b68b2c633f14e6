import type { Working } from '@zivvo/core';
import { lazy, Suspense } from 'react';
import { useAddressParam } from '../inHand/useAddressParam.ts';
import classes from './HeadlineWorking.module.css';

const WorkingDrawer = lazy(() => import('./WorkingDrawer.tsx').then((m) => ({ default: m.WorkingDrawer })));

/** What the address says while the headline's working is open. */
const HEADLINE = 'headline';

interface HeadlineWorkingProps {
  /** Of the figure that the headline tells, or that stands behind it; null where it tells none. */
  working: Working | null;
  /** Whose figure it is. */
  subject: string;
  /** What follows, where the headline does not tell the figure itself: *its air time*. */
  what?: string;
}

/** Opens how the figure of a page's headline came about. */
export function HeadlineWorking({ working, subject, what = 'it' }: HeadlineWorkingProps) {
  const [shown, show] = useAddressParam('working');
  if (working === null) return null;
  return (
    <>
      <button type="button" className={classes.open} onClick={() => show(HEADLINE)}>
        {`How ${what} follows`}
      </button>
      {shown === HEADLINE && (
        <Suspense>
          <WorkingDrawer working={working} subject={subject} onClose={() => show(null)} />
        </Suspense>
      )}
    </>
  );
}
