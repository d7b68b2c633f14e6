import { Link } from 'react-router';
import { useCutStandMutation, useStandQuery } from '../../shared/api/liveApi.ts';
import { TAB_ID } from '../../shared/api/liveStream.ts';
import { usePropModelsQuery } from '../../shared/api/rackApi.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import { Action } from '../../shared/ui/Action.tsx';
import { ProblemNote } from '../../shared/ui/PageStates.tsx';
import { propModelName } from '../../shared/ui/propModelName.ts';
import classes from './Live.module.css';

const ASK_MS = 2000;

/** Another run than that of the page is on the stand: which, the way there, and its cut. */
export function OtherRun({ runId }: { runId: string }) {
  const { to } = useInHand();
  const { data, refetch } = useStandQuery(undefined, { pollingInterval: ASK_MS });
  const { data: models } = usePropModelsQuery();
  const [cut, cutting] = useCutStandMutation();
  const run = data?.run;
  if (!run || run.runId === runId) return null;
  const model = models?.items.find((m) => m.id === run.propModelId);
  const isHot = run.phase === 'armed' || run.phase === 'running';
  return (
    <section aria-label="On the stand" className={classes.arm} role="status">
      <p style={{ margin: 0 }}>
        {`Another run is on the stand${isHot ? ', armed' : ''}: ${model ? propModelName(model) : 'a prop of this rack'}. `}
        <Link to={to(`/stand/live/${run.runId}`, { propModelId: run.propModelId })}>Go to it</Link>
      </p>
      {isHot && (
        <Action weight="danger" onClick={() => void cut(TAB_ID).then(() => refetch())}>
          Cut the stand
        </Action>
      )}
      <ProblemNote error={cutting.error} />
    </section>
  );
}
