import { useDocumentVisibility } from '@mantine/hooks';
import { isHot } from '@zivvo/core';
import { Link, useLocation } from 'react-router';
import { useCutStandMutation, useStandQuery } from '../../shared/api/liveApi.ts';
import { TAB_ID } from '../../shared/api/liveStream.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import classes from './StandCut.module.css';

/** How often it is asked what is on the stand while somebody looks [ms]. */
const ASK_MS = 1000;

/** While anything is armed: what, the way there, and its cut, above every page but its own, which has a larger one. */
export function StandCut() {
  const { to } = useInHand();
  const { pathname } = useLocation();
  const isSeen = useDocumentVisibility() === 'visible';
  const { data, isError, refetch } = useStandQuery(undefined, { pollingInterval: isSeen ? ASK_MS : 0 });
  const [cut, { isLoading }] = useCutStandMutation();
  const run = data?.run;
  if (!run || !isHot(run.phase) || pathname === `/stand/live/${run.runId}`) return null;
  return (
    <section className={classes.band} aria-label="On the stand" role="status">
      <p>
        {isError
          ? 'Zivvo’s server does not answer: use your switch.'
          : run.phase === 'armed'
            ? 'The stand is armed.'
            : `The stand turns at ${Math.round(100 * run.throttleRatio)} %.`}{' '}
        <Link to={to(`/stand/live/${run.runId}`, { propModelId: run.propModelId })}>Go to it</Link>
      </p>
      <button type="button" disabled={isLoading} onClick={() => void cut(TAB_ID).then(() => refetch())}>
        Cut the stand
      </button>
    </section>
  );
}
