import { discGapM, type Reason } from '@zivvo/core';
import { chemistryNames } from '@zivvo/words';
import { useEffect } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useKeys } from '../app/keys.ts';
import { useCraftQuery, useRemoveCraftMutation, useRestoreCraftMutation } from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useCampaignsQuery } from '../shared/api/standApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EvidenceDot } from '../shared/ui/EvidenceDot.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import { CraftDrawing } from './CraftDrawing.tsx';
import classes from './CraftPage.module.css';
import { Link } from 'react-router';

/** One craft: drawing to scale, powertrain, limits, its stand evenings. */
export function Component() {
  const { craftId = '' } = useParams();
  const query = useCraftQuery(craftId);
  const { data: models } = usePropModelsQuery();
  const { data: campaigns } = useCampaignsQuery(craftId);
  const { craftId: heldId, propModelId, take, to } = useInHand();
  const go = useGo();
  const navigate = useNavigate();
  const format = useFormat();
  const [remove, removing] = useRemoveCraftMutation();
  const [restore] = useRestoreCraftMutation();
  useEffect(() => {
    if (heldId !== craftId) take({ craftId });
  }, [heldId, craftId, take]);
  useKeys([
    { key: 'e', what: 'Edit this craft', run: () => go(`/crafts/${craftId}/edit`) },
    { key: 'n', what: 'New stand evening', run: () => go('/stand/new') },
  ]);
  return (
    <Ready query={query}>
      {(craft) => {
        const model = models?.items.find((m) => m.id === (propModelId ?? craft.referencePropModelId));
        const diameterM = model ? (model.measuredDiameterM ?? model.diameterM) : null;
        const isEstimated = (field: (typeof craft.estimatedFields)[number]): boolean => craft.estimatedFields.includes(field);
        const onRemove = async (): Promise<void> => {
          await remove(craft.id).unwrap();
          void navigate('/crafts');
          void announceDeletion(`${craft.name} was taken off the shelf.`, () => void restore(craft.id));
        };
        return (
          <StationPage
            eyebrow={`Crafts · ${craft.name}`}
            headline={`${craft.name} needs ${format.quantity(craft.hoverThrustN, 'force').text} from each rotor to hover`}
            detail={[craft.ownerName, craft.note].filter((t) => t !== null).join(' · ')}
            reasons={<Findings gapM={diameterM === null ? null : discGapM(craft.diagonalM, diameterM)} diameterM={diameterM} clearanceM={craft.clearanceDiameterM} propName={model ? propModelName(model) : null} estimatedCount={craft.estimatedFields.length} />}
            actions={
              <>
                <ActionLink weight="main" hint="n" to={to('/stand/new', { craftId })}>
                  New stand evening
                </ActionLink>
                <ActionLink hint="e" to={to(`/crafts/${craft.id}/edit`)}>
                  Edit
                </ActionLink>
                <Action weight="danger" onClick={() => void onRemove()}>
                  Delete
                </Action>
              </>
            }
          >
            <ProblemNote error={removing.error} />
            <div className={classes.columns}>
              <section className={classes.sheet}>
                <CraftDrawing craft={craft} discDiameterM={diameterM} size={470} />
                <p className="muted">
                  {model ? `${propModelName(model)}, to scale. ` : 'No prop chosen: arms to scale. '}
                  The spin shown is a proposal, props in: it must be seen before it is trusted.
                </p>
              </section>
              <section className={classes.sheet}>
                <h2>Powertrain</h2>
                <dl className={classes.facts}>
                  <Fact name="Motor" value={craft.motorLabel} />
                  <Fact name="Stator" value={`${format.millimetres(craft.statorDiameterM)} × ${format.millimetres(craft.statorHeightM)}`} />
                  <Fact name="Winding" value={format.quantity(craft.motorResistanceOhm, 'resistance').text} isEstimated={isEstimated('motorResistanceOhm')} />
                  <Fact name="No-load current" value={format.quantity(craft.motorNoLoadCurrentA, 'current', 2).text} isEstimated={isEstimated('motorNoLoadCurrentA')} />
                  <Fact name="Motor weight" value={format.quantity(craft.motorMassKg, 'mass').text} isEstimated={isEstimated('motorMassKg')} />
                  <Fact name="Pack" value={`${craft.packSeriesCount}S${craft.packParallelCount}P ${chemistryNames[craft.packChemistry]}, ${format.quantity(craft.packCapacityAh, 'charge').text}`} />
                </dl>
                <h2>Limits</h2>
                <dl className={classes.facts}>
                  <Fact name="ESC" value={format.quantityOrDash(craft.escLimitA, 'current')} />
                  <Fact name="Motor" value={format.quantityOrDash(craft.motorLimitA, 'current')} />
                  <Fact name="Largest disc" value={format.quantityOrDash(craft.clearanceDiameterM, 'length')} />
                  <Fact name="Motor diagonal" value={format.quantity(craft.diagonalM, 'length').text} />
                </dl>
                <h2>Stand evenings</h2>
                {campaigns?.items.length === 0 && <p className="muted">None yet.</p>}
                <ul className={classes.evenings}>
                  {campaigns?.items.map((c) => (
                    <li key={c.id}>
                      <Link to={to(`/stand/${c.id}`, { craftId })}>{c.name}</Link> <span className="muted">{`${c.runCount} runs, ${formatDay(c.createdAt)}`}</span>
                    </li>
                  ))}
                </ul>
              </section>
            </div>
          </StationPage>
        );
      }}
    </Ready>
  );
}

function Fact({ name, value, isEstimated = false }: { name: string; value: string; isEstimated?: boolean }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>
        {value} {isEstimated && <EvidenceDot mark="estimated" />} {isEstimated && <span className="muted">estimated</span>}
      </dd>
    </>
  );
}

interface FindingsProps {
  gapM: number | null;
  diameterM: number | null;
  clearanceM: number | null;
  propName: string | null;
  estimatedCount: number;
}

/** What the drawing shows, in words. */
function Findings({ gapM, diameterM, clearanceM, propName, estimatedCount }: FindingsProps) {
  const format = useFormat();
  const lines: { severity: Reason['severity']; text: string }[] = [];
  if (propName === null) lines.push({ severity: 'action', text: 'Choose the prop it flies now: every other prop is held against it.' });
  if (gapM !== null && gapM < 0) lines.push({ severity: 'danger', text: `The discs of ${propName} meet: ${format.quantity(-gapM, 'length').text} too much.` });
  if (diameterM !== null && clearanceM !== null && diameterM > clearanceM) lines.push({ severity: 'danger', text: `${propName} is ${format.quantity(diameterM, 'length').text}; the frame clears ${format.quantity(clearanceM, 'length').text}.` });
  else if (gapM !== null && gapM >= 0) lines.push({ severity: 'gain', text: `${format.quantity(gapM, 'length').text} of air between the discs of ${propName}.` });
  if (estimatedCount > 0) lines.push({ severity: 'note', text: `${estimatedCount} motor figures are estimated from its size. Type measured ones when you have them.` });
  return (
    <ul className={classes.findings}>
      {lines.map((l) => (
        <li key={l.text} data-severity={l.severity}>
          {l.text}
        </li>
      ))}
    </ul>
  );
}
