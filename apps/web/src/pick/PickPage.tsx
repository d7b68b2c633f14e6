import { NativeSelect, SegmentedControl } from '@mantine/core';
import type { CraftView } from '@zivvo/contract';
import {
  assumptionReasons,
  bySeverity,
  COMPARED_LEVEL_DB,
  calibrationReason,
  candidateReasons,
  emptyMapReason,
  geometryAt,
  levelUncertaintyDb,
  modelGeometry,
  remedyReasons,
  roomReason,
  tipShapes,
  type PickFigure,
  type PickSetting,
  type PropMaterial,
  type Reason,
  type Weights,
} from '@zivvo/core';
import { conditionText, formatNumber, materialNames, pickFigureWords, tipNames, useWords } from '@zivvo/words';
import { useMemo, useState } from 'react';
import { useKeys } from '../shared/keys/keys.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useCalibrationQuery } from '../shared/api/standApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EvidenceDot } from '../shared/ui/EvidenceDot.tsx';
import { EmptyPage } from '../shared/ui/PageStates.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { HeadlineWorking } from '../shared/working/HeadlineWorking.tsx';
import { mapColours, type MapColour } from './mapView.ts';
import classes from './PickPage.module.css';
import { PickMapChart } from './PickMapChart.tsx';
import { PickGaps } from './PickGaps.tsx';
import { PickTabs, withParams } from './PickTabs.tsx';
import type { KittedView } from './useKit.ts';
import { WithKit } from './WithKit.tsx';
import { askedOf, keyOfSize, propOfModel } from './pickProps.ts';
import { plainAnswer, usedWeights, weightiestWorking, type PlainAnswer, type RankedProp } from './rankProps.ts';
import { RankedList } from './RankedList.tsx';
import { UsePanel } from './UsePanel.tsx';
import { familyKey, usePickSetting, usePickSpace, usePickTask } from './usePick.ts';
import { usePickAddress } from './usePickAddress.ts';
import { usePickRanking } from './usePickRanking.ts';
import { useWant } from './useWant.ts';

/** Which propeller for this craft and this use: the map, the ranked list, and why. */
export function Component() {
  return <WithKit>{(craft) => <PickPage craft={craft} key={craft.id} />}</WithKit>;
}

const BLADES = ['2', '3', '4', '5', '6'];
const OFFERED_MATERIALS: readonly PropMaterial[] = [
  'polycarbonate',
  'glassNylon',
  'carbonNylon',
  'carbon',
  'wood',
  'softPlastic',
];

function PickPage({ craft }: { craft: KittedView }) {
  const format = useFormat();
  const { to } = useInHand();
  const go = useGo();
  const { data: models } = usePropModelsQuery();
  const present = models?.items.find((m) => m.id === craft.referencePropModelId);
  const presentGeometry = useMemo(() => (present ? modelGeometry(present) : null), [present]);
  const address = usePickAddress(presentGeometry);
  const { family, chosenId, marked } = address;
  const [colour, setColour] = useState<MapColour>('score');
  const [tried, setTried] = useState<Weights | null>(null);
  const { use, weights: kept } = usedWeights(craft);
  const weights = tried ?? kept;

  const setting = usePickSetting(craft);
  const isSimulated = useCalibrationQuery(craft.id).data?.isSimulated ?? false;
  const isRackKnown = models !== undefined;
  const space = usePickSpace(isRackKnown ? setting : null, presentGeometry?.diameterM ?? null, family);
  const { scale, ranked, reference, asked } = usePickRanking(
    craft,
    setting,
    space.maps,
    weights,
    chosenId === null ? marked : [...marked, chosenId],
    address.isRackOnly,
  );
  const remedyAsk = useMemo(
    () => (present && presentGeometry ? { propModelId: present.id, geometry: presentGeometry } : null),
    [present, presentGeometry],
  );
  const remedies = usePickTask(setting, 'remedies', remedyAsk);
  const map = space.maps.get(familyKey(family));
  const [best] = ranked;
  const chosen = ranked.find((r) => r.prop.id === chosenId) ?? null;
  // A size just taken is worked out first: until then no other prop stands in its place under the reader's hand.
  const isChosenComing = chosenId !== null && chosen === null && asked.isWorking;
  const subject = isChosenComing ? null : (chosen ?? best ?? null);
  // Where nothing is allowed there is no scale and no order: that is an answer, not work under way.
  const isWorking = space.total === 0 || space.done < space.total || (scale !== null && ranked.length === 0);
  const explained = useMemo(
    () => (setting && best && !isWorking ? weightiestWorking(setting, best, weights) : null),
    [setting, best, isWorking, weights],
  );
  const plain = useMemo(() => plainAnswer(ranked, craft), [ranked, craft]);
  const want = useWant(craft);
  useKeys([
    { key: 'n', what: 'Want this prop', run: () => subject && void want(subject.prop) },
    { key: 'x', what: 'Mark for comparison', run: () => subject && address.toggleMark(subject.prop.id) },
  ]);

  const problem = space.problem ?? asked.problem;
  const nothing =
    setting && map && !isWorking && ranked.every((r) => !r.isAllowed) ? emptyMapReason(setting, map) : null;
  const reasons = useMemo((): Reason[] => {
    if (!setting || !scale || !subject) return [];
    const own = candidateReasons(
      setting,
      named(subject),
      reference && subject !== reference ? named(reference) : null,
      scale,
      weights,
    );
    const room = roomReason(setting);
    const cures =
      remedies.value && present
        ? remedyReasons(propOfModel(present).name, remedies.value).filter((r) => r.severity === 'action')
        : [];
    const calibrated = calibrationReason(setting, subject.worked.geometry.pitchM / subject.worked.geometry.diameterM);
    return bySeverity([
      ...own,
      ...cures,
      ...[calibrated, room].filter((r) => r !== null),
      ...assumptionReasons(setting),
    ]);
  }, [setting, scale, subject, reference, weights, remedies.value, present]);

  return (
    <StationPage
      eyebrow={`Pick · ${craft.name}`}
      headline={
        problem
          ? 'This craft cannot be worked out yet'
          : nothing
            ? `No candidate fits ${craft.name}`
            : headlineOf(craft, best ?? null, reference, useWords[use], isWorking)
      }
      detail={
        problem ? (
          <ProblemText what={problem.what} allowed={problem.allowed} />
        ) : nothing ? (
          format.sentence(nothing.reason)
        ) : (
          <Answer plain={plain} setting={setting} isWorking={isWorking} done={space.done} total={space.total} />
        )
      }
      working={
        explained && (
          <HeadlineWorking
            working={explained}
            subject={`${best!.prop.name} on ${craft.name}`}
            what={`its ${pickFigureWords[explained.key as PickFigure].toLowerCase()}`}
          />
        )
      }
      tools={<PickTabs craft={craft} params={address.params} />}
      reasons={
        <>
          <p className={classes.subject} role="status">
            {isChosenComing ? 'working…' : chosen ? chosen.prop.name : subject ? `Best: ${subject.prop.name}` : ''}
          </p>
          <PickGaps craftId={craft.id} />
          <ReasonList reasons={reasons} />
          {subject && <FullThrottle setting={setting} subject={subject} />}
          <Sureness subject={subject} isSimulated={isSimulated} />
        </>
      }
      actions={
        <>
          {subject && (
            <Action weight="main" hint="n" onClick={() => void want(subject.prop)}>
              {`Want ${craft.rotors.length} of ${subject.prop.name}`}
            </Action>
          )}
          {marked.length > 0 && (
            <ActionLink
              to={withParams(to('/pick/compare'), address.params)}
            >{`Compare ${marked.length} marked`}</ActionLink>
          )}
          {subject?.prop.model && (
            <Action onClick={() => go('/stand/new', { propModelId: subject.prop.id })}>Measure it on the stand</Action>
          )}
        </>
      }
    >
      <div className={classes.sheet}>
        <div className={classes.map}>
          <div className={classes.tools}>
            <SegmentedControl
              size="xs"
              aria-label="Blades"
              data={BLADES.map((value) => ({
                value,
                label: value === String(family.bladeCount) ? `${value} blades` : value,
              }))}
              value={String(family.bladeCount)}
              onChange={(value) => address.setFamily({ ...family, bladeCount: Number(value) })}
            />
            <NativeSelect
              size="xs"
              aria-label="Tips"
              value={family.tipShape}
              onChange={(e) =>
                address.setFamily({ ...family, tipShape: e.currentTarget.value as typeof family.tipShape })
              }
              data={tipShapes.map((t) => ({ value: t, label: `${tipNames[t]} tips` }))}
            />
            <NativeSelect
              size="xs"
              aria-label="Material"
              value={family.material}
              onChange={(e) => address.setFamily({ ...family, material: e.currentTarget.value as PropMaterial })}
              data={[...new Set([...OFFERED_MATERIALS, family.material])].map((m) => ({
                value: m,
                label: materialNames[m]!,
              }))}
            />
            <NativeSelect
              size="xs"
              aria-label="Colour shows"
              value={colour}
              onChange={(e) => setColour(e.currentTarget.value as MapColour)}
              data={mapColours.map((c) => ({
                value: c,
                label: c === 'score' ? 'score' : pickFigureWords[c].toLowerCase(),
              }))}
            />
          </div>
          {map && scale ? (
            <PickMapChart
              map={map}
              colour={colour}
              scale={scale}
              weights={weights}
              props={ranked.filter(
                (r) =>
                  r.prop.geometry.bladeCount === family.bladeCount && (r.prop.model !== null || r.prop.id === chosenId),
              )}
              referenceId={craft.referencePropModelId}
              chosenId={chosenId}
              onChoose={address.choose}
              onTake={(index) => address.choose(keyOfSize(geometryAt(map, index)))}
            />
          ) : (
            <div className={classes.waiting} role="status">
              {problem ? (
                'The map waits for the craft to be mended.'
              ) : map ? (
                <NothingAllowed setting={setting} map={map} />
              ) : (
                'working…'
              )}
            </div>
          )}
        </div>
        <UsePanel craft={craft} use={use} weights={weights} onTry={setTried} />
      </div>
      {models?.items.length === 0 ? (
        <EmptyPage title="The rack is empty" actions={<ActionLink to={to('/rack/new')}>New prop model</ActionLink>}>
          <p>Put a label on the rack and it stands on this map; until then only new sizes are ranked.</p>
        </EmptyPage>
      ) : null}
      {ranked.length > 0 && (
        <label className={classes.rackOnly}>
          <input
            type="checkbox"
            checked={address.isRackOnly}
            onChange={(e) => address.setRackOnly(e.currentTarget.checked)}
          />{' '}
          Only what the rack holds a set of
        </label>
      )}
      {scale && ranked.length > 0 && (
        <RankedList
          craft={craft}
          ranked={ranked}
          reference={reference}
          scale={scale}
          weights={weights}
          chosenId={chosenId}
          marked={marked}
          onChoose={(id) => address.choose(id === chosenId ? null : id)}
          onMark={address.toggleMark}
        />
      )}
    </StationPage>
  );
}

const named = ({ prop, worked }: RankedProp) => ({ name: prop.name, candidate: worked });

function headlineOf(
  craft: CraftView,
  best: RankedProp | null,
  reference: RankedProp | null,
  use: string,
  isWorking: boolean,
): string {
  if (!best) return 'working…';
  if (isWorking) return `For ${use}, ${best.prop.name} leads so far`;
  if (best === reference) return `For ${use}, nothing suits ${craft.name} better than ${best.prop.name}`;
  return `For ${use}, ${best.prop.name} suits ${craft.name} best`;
}

/** One rotor at full throttle, from the stand into the air: what lies between is the pack. */
function FullThrottle({ setting, subject }: { setting: PickSetting | null; subject: RankedProp }) {
  const format = useFormat();
  const ask = useMemo(() => ({ props: [askedOf(subject.prop)] }), [subject.prop]);
  const walk = usePickTask(setting, 'walks', ask).value?.[subject.prop.id];
  if (!setting || !walk || walk.length === 0) return null;
  return (
    <table className={classes.walk}>
      <caption>One rotor at full throttle</caption>
      <tbody>
        {walk.map((at) => (
          <tr key={at.condition}>
            <th scope="row">
              {conditionText(at, setting.craft.rotorCount)}
              {at.condition !== 'oneMotorStand' && <small>{format.quantity(at.voltageV, 'voltage', 1).text}</small>}
            </th>
            <td>
              {format.quantity(at.thrustN, 'force').text}
              <small>{`±${formatNumber(100 * at.thrustUncertaintyRatio, 0)} %`}</small>
            </td>
            <td>
              {format.quantity(at.currentA, 'current', 0).text}
              <small>{`±${formatNumber(100 * at.currentUncertaintyRatio, 0)} %`}</small>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How sure the figures are, and what stands behind them. */
function Sureness({ subject, isSimulated }: { subject: RankedProp | null; isSimulated: boolean }) {
  if (!subject) return null;
  const { mark, thrustUncertaintyRatio, powerUncertaintyRatio, geometry } = subject.worked;
  const isCalibrated = mark === 'calibrated';
  return (
    <p className={classes.caution}>
      <EvidenceDot mark={mark} />
      {' ' +
        `${isCalibrated ? `Calibrated by ${isSimulated ? 'simulated ' : ''}runs of this motor` : 'Estimated from labels, motor size and pack'}: ` +
        `±${formatNumber(100 * thrustUncertaintyRatio, 0)} % thrust, ` +
        `±${formatNumber(100 * powerUncertaintyRatio, 0)} % power at a speed; sound ` +
        `±${levelUncertaintyDb(geometry.diameterM)} dB, ±${COMPARED_LEVEL_DB} between props. ` +
        `${isCalibrated ? 'Sizes far from those measured are less sure.' : 'Measure two props on the stand before you buy ten.'}`}
    </p>
  );
}

/** The plain answer, and how far the maps have come. */
function Answer({
  plain,
  setting,
  isWorking,
  done,
  total,
}: {
  plain: PlainAnswer | null;
  setting: PickSetting | null;
  isWorking: boolean;
  done: number;
  total: number;
}) {
  if (isWorking) return <>{`working… ${done} of ${total || 30} maps`}</>;
  if (!plain || !setting) return null;
  const { prop, cwCount, ccwCount, toBuy } = plain;
  const hands = (cw: number, ccw: number): string =>
    [cw > 0 ? `${cw} CW` : '', ccw > 0 ? `${ccw} CCW` : ''].filter((t) => t !== '').join(' and ');
  const missing = hands(toBuy.cwCount, toBuy.ccwCount);
  const wanted = hands(cwCount, ccwCount);
  return (
    <>
      <strong>Plain answer:</strong>{' '}
      {missing === ''
        ? `fly ${prop.name}: the rack holds a set and a spare, ${wanted}.`
        : `buy ${prop.name}, ${missing}: a set and a spare are ${wanted}.`}
    </>
  );
}

/** A map on which nothing is allowed says why. */
function NothingAllowed({ setting, map }: { setting: PickSetting | null; map: Parameters<typeof emptyMapReason>[1] }) {
  const format = useFormat();
  const found = setting && emptyMapReason(setting, map);
  return <>{found ? `No size of this family fits. ${format.sentence(found.reason)}` : 'working…'}</>;
}

function ProblemText({ what, allowed }: { what: string; allowed: string }) {
  return (
    <>
      {`${what}: ${allowed === '' ? 'cannot be computed with' : `must be ${allowed}`}. Mend it on the craft’s ` +
        'sheet; nothing was lost.'}
    </>
  );
}
