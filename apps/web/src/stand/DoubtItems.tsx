import { SeverityMark } from '../shared/ui/ReasonList.tsx';

/**
 * What of a run cannot be, as items of a page's reasons: a figure that cannot be is a danger to every answer after it.
 */
export function DoubtItems({ doubts }: { doubts: readonly string[] }) {
  return doubts.map((doubt) => (
    <li key={doubt} style={{ display: 'grid', gridTemplateColumns: '18px minmax(0, 1fr)', gap: 10 }}>
      <SeverityMark severity="danger" />
      <span>{doubt}</span>
    </li>
  ));
}
