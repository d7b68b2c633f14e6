import type { CraftView, FittingView } from '@zivvo/contract';
import { handNames } from '@zivvo/words';
import { useFittingQuery } from '../shared/api/fitApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './FitCardPage.module.css';
import { armName, headlineOf, signatureSentence } from './fitView.ts';
import { SpinMap } from './SpinMap.tsx';

/** One craft's arrangement on a card: for a telephone in the field, or on paper in the case. */
export function Component() {
  return <WithCraft station="Fit">{(craft) => <CardOf craft={craft} key={craft.id} />}</WithCraft>;
}

function CardOf({ craft }: { craft: CraftView }) {
  const query = useFittingQuery(craft.id);
  return <Ready query={query}>{(view) => <FitCard craft={craft} view={view} />}</Ready>;
}

function FitCard({ craft, view }: { craft: CraftView; view: FittingView }) {
  const { to } = useInHand();
  const format = useFormat();
  const isGeared = view.arms.some((a) => a.motorSpin !== null);
  return (
    <StationPage
      eyebrow={`Fit · ${craft.name} · Card`}
      headline={headlineOf(view, craft.name)}
      detail={signatureSentence(view, format.sentence)}
      tools={
        <span className="no-print">
          <ActionLink to={to('/fit')}>Back to the arms</ActionLink>
        </span>
      }
      reasons={
        <p className="muted">
          The card prints on half a sheet and reads on a telephone. It shows what is written down, not what somebody
          changed since: look before you fly.
        </p>
      }
      actions={
        <Action weight="main" onClick={() => window.print()}>
          Print the card
        </Action>
      }
    >
      <article className={classes.card} aria-label={`Card of ${craft.name}`}>
        <div className={classes.map}>
          <SpinMap view={view} kind={craft.kind} chosen={null} size={360} />
        </div>
        <table className={classes.arms}>
          <thead>
            <tr>
              <th scope="col">Arm</th>
              <th scope="col">Piece</th>
              <th scope="col">Hand</th>
              <th scope="col">Nut comes off</th>
              {isGeared && <th scope="col">Motor</th>}
            </tr>
          </thead>
          <tbody>
            {view.arms.map((a) => (
              <tr key={`${a.place}/${a.level}`}>
                <th scope="row">
                  {armName(a, view.arms)}
                  {a.outputName !== null && <small>{a.outputName}</small>}
                </th>
                <td>
                  <span className="mono">{a.piece?.tag ?? '–'}</span>
                  {a.fittedAt !== null && (
                    <small>{`${formatDay(a.fittedAt)}${a.fittedBy === null ? '' : `, ${a.fittedBy}`}`}</small>
                  )}
                </td>
                <td>
                  <HandArrow hand={a.neededHand} />
                </td>
                <td>{handNames[a.thread.undo]}</td>
                {isGeared && <td>{a.motorSpin === null ? '' : handNames[a.motorSpin]}</td>}
              </tr>
            ))}
          </tbody>
        </table>
        {view.note !== null && <p className={classes.note}>{view.note}</p>}
        <p className={classes.foot}>
          Pack out before fingers go near.{' '}
          {craft.kind === 'plane' ? 'Hands and spins as from the label.' : 'Spins from above; hands as from the label.'}{' '}
          The maker’s manual comes first.
        </p>
      </article>
    </StationPage>
  );
}
