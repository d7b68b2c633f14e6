import { Navigate, useParams } from 'react-router';
import { useRunQuery } from '../shared/api/standApi.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Ready } from '../shared/ui/PageStates.tsx';
import { KeptRun } from './KeptRun.tsx';
import { TypedRun } from './TypedRun.tsx';

/** A run: typed or flown while it is a draft, read and corrected once it is kept. */
export function Component() {
  const { runId = '' } = useParams();
  const query = useRunQuery(runId, { refetchOnMountOrArgChange: true });
  const { to } = useInHand();
  return (
    <Ready query={query}>
      {(run) => {
        if (run.state === 'kept') return <KeptRun run={run} key={run.id} />;
        // A draft without a grid is one that the live stand fills.
        return run.draft === null ? (
          <Navigate replace to={to(`/stand/live/${run.id}`)} />
        ) : (
          <TypedRun run={run} key={run.id} />
        );
      }}
    </Ready>
  );
}
