import type { CraftView } from '@zivvo/contract';
import { discGapM, type Reason } from '@zivvo/core';
import { chemistryNames, formatNumber, layoutNames } from '@zivvo/words';
import { useEffect } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useKeys } from '../shared/keys/keys.ts';
import {
  useCraftQuery,
  useCraftWorkingQuery,
  useRemoveCraftMutation,
  useRestoreCraftMutation,
} from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useCampaignsQuery } from '../shared/api/standApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EvidenceDot } from '../shared/ui/EvidenceDot.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { SaidList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';
import { WorkingDrawer } from '../shared/working/WorkingDrawer.tsx';
import { CraftDrawing } from './CraftDrawing.tsx';
import classes from './CraftPage.module.css';

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
  const [workingKey, show] = useAddressParam('working');
  const [remove] = useRemoveCraftMutation();
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
        const workingOf = (field: (typeof craft.estimatedFields)[number]): (() => void) | undefined =>
          craft.estimatedFields.includes(field) ? () => show(field) : undefined;
        const onRemove = (): Promise<void> =>
          takeAway(remove(craft.id).unwrap(), {
            text: `${craft.name} was taken off the shelf.`,
            undo: () => void restore(craft.id),
            onGone: () => void navigate('/crafts'),
          });
        return (
          <StationPage
            eyebrow={`Crafts · ${craft.name}`}
            headline={
              craft.kind === 'plane'
                ? `${craft.name} weighs ${format.quantity(craft.massKg, 'mass').text} behind ` +
                  `${craft.rotors.length === 1 ? 'one prop' : `${craft.rotors.length} props`}`
                : `${craft.name} needs ${format.quantity(craft.carryThrustN, 'force').text} from each rotor to hover`
            }
            detail={[craft.ownerName, craft.note].filter((t) => t !== null).join(' · ')}
            reasons={
              <Findings
                craft={craft}
                gapM={diameterM === null ? null : discGapM(craft.rotors, diameterM)}
                diameterM={diameterM}
                clearanceM={craft.clearanceDiameterM}
                propName={model ? propModelName(model) : null}
                onShowHover={() => show('carryThrustN')}
                estimatedCount={craft.estimatedFields.length}
              />
            }
            actions={
              <>
                <ActionLink weight="main" hint="n" to={to('/stand/new', { craftId })}>
                  New stand evening
                </ActionLink>
                <ActionLink to={to('/pick', { craftId })}>Pick a prop</ActionLink>
                <ActionLink hint="e" to={to(`/crafts/${craft.id}/edit`)}>
                  Edit
                </ActionLink>
                <Action weight="danger" onClick={() => void onRemove()}>
                  Delete
                </Action>
              </>
            }
          >
            <div className={classes.columns}>
              <section className={classes.sheet}>
                <CraftDrawing craft={craft} discDiameterM={diameterM} size={470} />
                <p className="muted">
                  {model ? `${propModelName(model)}, to scale. ` : 'No prop chosen: arms to scale. '}
                  The spin shown is a proposal: it must be seen before it is trusted.
                </p>
              </section>
              <section className={classes.sheet}>
                <h2>Powertrain</h2>
                <dl className={classes.facts}>
                  <Fact name="Layout" value={layoutNames[craft.layout]} />
                  <Fact name="Motor" value={craft.motorLabel} />
                  {craft.gearRatio !== null && (
                    <Fact
                      name="Gear"
                      value={
                        `${formatNumber(Math.abs(craft.gearRatio), 2)} turns of the motor for one of the prop, ` +
                        `${craft.gearRatio < 0 ? 'reversed' : 'the same way'}`
                      }
                    />
                  )}
                  <Fact
                    name="Stator"
                    value={`${format.millimetres(craft.statorDiameterM)} × ${format.millimetres(craft.statorHeightM)}`}
                  />
                  <Fact
                    name="Winding"
                    value={format.quantity(craft.motorResistanceOhm, 'resistance').text}
                    onShow={workingOf('motorResistanceOhm')}
                  />
                  <Fact
                    name="No-load current"
                    value={format.quantity(craft.motorNoLoadCurrentA, 'current', 2).text}
                    onShow={workingOf('motorNoLoadCurrentA')}
                  />
                  <Fact
                    name="Motor weight"
                    value={format.quantity(craft.motorMassKg, 'mass').text}
                    onShow={workingOf('motorMassKg')}
                  />
                  <Fact
                    name="Pack"
                    value={
                      `${craft.packSeriesCount}S${craft.packParallelCount}P ` +
                      `${chemistryNames[craft.packChemistry]}, ` +
                      `${format.quantity(craft.packCapacityAh, 'charge').text}`
                    }
                  />
                </dl>
                <h2>Limits</h2>
                <dl className={classes.facts}>
                  <Fact name="ESC" value={format.quantityOrDash(craft.escLimitA, 'current')} />
                  <Fact name="Motor" value={format.quantityOrDash(craft.motorLimitA, 'current')} />
                  <Fact name="Largest disc" value={format.quantityOrDash(craft.clearanceDiameterM, 'length')} />
                  {craft.diagonalM !== null && (
                    <Fact
                      name={craft.kind === 'plane' ? 'Between the shafts' : 'Motor diagonal'}
                      value={format.quantity(craft.diagonalM, 'length').text}
                    />
                  )}
                  {craft.groundClearanceM !== null && (
                    <Fact name="Height of the shaft" value={format.quantity(craft.groundClearanceM, 'length').text} />
                  )}
                  {craft.boomClearanceM !== null && (
                    <Fact name="Beside the shaft" value={format.quantity(craft.boomClearanceM, 'length').text} />
                  )}
                  {craft.shaftDiameterM !== null && (
                    <Fact name="Shaft" value={format.millimetres(craft.shaftDiameterM)} />
                  )}
                </dl>
                <h2>Stand evenings</h2>
                {campaigns?.items.length === 0 && <p className="muted">None yet.</p>}
                <ul className={classes.evenings}>
                  {campaigns?.items.map((c) => (
                    <li key={c.id}>
                      <Link to={to(`/stand/${c.id}`, { craftId })}>{c.name}</Link>{' '}
                      <span className="muted">{`${c.runCount} runs, ${formatDay(c.createdAt)}`}</span>
                    </li>
                  ))}
                </ul>
              </section>
            </div>
            {workingKey !== null && <CraftWorking craft={craft} workingKey={workingKey} onClose={() => show(null)} />}
          </StationPage>
        );
      }}
    </Ready>
  );
}

function CraftWorking({ craft, workingKey, onClose }: { craft: CraftView; workingKey: string; onClose: () => void }) {
  const { currentData, error } = useCraftWorkingQuery({ id: craft.id, key: workingKey });
  return <WorkingDrawer working={currentData ?? null} error={error} subject={craft.name} onClose={onClose} />;
}

/** A fact of the craft; one that is estimated shows how on request. */
function Fact({ name, value, onShow }: { name: string; value: string; onShow?: () => void }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>
        {value} {onShow && <EvidenceDot mark="estimated" />}{' '}
        {onShow && (
          <button
            type="button"
            className={classes.working}
            onClick={onShow}
            aria-label={`${name}: estimated, show the working`}
          >
            estimated
          </button>
        )}
      </dd>
    </>
  );
}

interface FindingsProps {
  craft: CraftView;
  gapM: number | null;
  diameterM: number | null;
  clearanceM: number | null;
  propName: string | null;
  estimatedCount: number;
  onShowHover: () => void;
}

/** What the drawing shows, in words. */
function Findings({ craft, gapM, diameterM, clearanceM, propName, estimatedCount, onShowHover }: FindingsProps) {
  const format = useFormat();
  const lines: { severity: Reason['severity']; text: string }[] = [];
  if (propName === null)
    lines.push({ severity: 'action', text: 'Choose the prop it flies now: every other prop is held against it.' });
  if (gapM !== null && gapM < 0)
    lines.push({
      severity: 'danger',
      text: `The discs of ${propName} meet: ${format.quantity(-gapM, 'length').text} too much.`,
    });
  if (diameterM !== null && clearanceM !== null && diameterM > clearanceM)
    lines.push({
      severity: 'danger',
      text:
        `${propName} is ${format.quantity(diameterM, 'length').text}; the frame clears ` +
        `${format.quantity(clearanceM, 'length').text}.`,
    });
  else if (gapM !== null && gapM >= 0)
    lines.push({
      severity: 'gain',
      text: `${format.quantity(gapM, 'length').text} of air between the discs of ${propName}.`,
    });
  if (estimatedCount > 0)
    lines.push({
      severity: 'note',
      text:
        `${estimatedCount === 1 ? 'One figure is' : `${estimatedCount} figures are`} estimated: from the motor’s ` +
        'size, or from a usual craft. Type measured ones when you have them.',
    });
  const carried = (
    <>
      {craft.kind === 'plane'
        ? `In cruise each prop pulls ${format.quantity(craft.carryThrustN, 'force').text}: the wing carries, ` +
          'estimated. '
        : 'Each rotor carries its share of the weight. '}
      <button type="button" className={classes.working} onClick={onShowHover}>
        working
      </button>
    </>
  );
  return (
    <SaidList
      said={[...lines.map((l) => ({ ...l, key: l.text })), { severity: 'note', key: 'carried', text: carried }]}
    />
  );
}
