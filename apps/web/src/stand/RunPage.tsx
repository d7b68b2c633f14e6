import { useParams } from 'react-router';
import { useRunQuery } from '../shared/api/standApi.ts';
import { Ready } from '../shared/ui/PageStates.tsx';
import { KeptRun } from './KeptRun.tsx';
import { TypedRun } from './TypedRun.tsx';

/** A run: typed while it is a draft, read and corrected once it is kept. */
export function Component() {
  const { runId = '' } = useParams();
  const query = useRunQuery(runId, { refetchOnMountOrArgChange: true });
  return <Ready query={query}>{(run) => (run.state === 'draft' ? <TypedRun run={run} key={run.id} /> : <KeptRun run={run} key={run.id} />)}</Ready>;
}
