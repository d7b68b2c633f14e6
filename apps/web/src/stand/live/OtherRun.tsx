import { Link } from 'react-router';
import { useStandQuery } from '../../shared/api/liveApi.ts';
import { usePropModelsQuery } from '../../shared/api/rackApi.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import { propModelName } from '../../shared/ui/propModelName.ts';
import classes from './Live.module.css';

/** Another run than that of the page is on the stand: which, and the way there. Its cut stands in the top bar. */
export function OtherRun({ runId }: { runId: string }) {
  const { to } = useInHand();
  const { data } = useStandQuery();
  const { data: models } = usePropModelsQuery();
  const run = data?.run;
  if (!run || run.runId === runId) return null;
  const model = models?.items.find((m) => m.id === run.propModelId);
  return (
    <p aria-label="Another run" className={classes.arm} role="status">
      <span>
        {`Another run is on the stand: ${model ? propModelName(model) : 'a prop of this rack'}. `}
        <Link to={to(`/stand/live/${run.runId}`, { propModelId: run.propModelId })}>Go to it</Link>
      </span>
    </p>
  );
}
