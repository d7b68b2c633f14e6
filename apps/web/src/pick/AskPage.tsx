import type { CraftView, PackPieceView } from '@zivvo/contract';
import {
  brokenLimits,
  lessIsBetter,
  limitChange,
  modelGeometry,
  questionNames,
  readQuantity,
  tryOutKit,
  type PackAnswer,
  type PickFigures,
  type PickLimit,
  type QuestionName,
  type WorkedProp,
} from '@zivvo/core';
import { formatMinutes, formatNumber, limitWords, materialNames, unitFor } from '@zivvo/words';
import { TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { useFormat, type Format } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './AskPage.module.css';
import type { Answers } from './pickMessages.ts';
import { PickGaps } from './PickGaps.tsx';
import { PickTabs } from './PickTabs.tsx';
import type { KittedView } from './useKit.ts';
import { WithKit } from './WithKit.tsx';
import { propOfModel } from './pickProps.ts';
import { costOf, usedWeights, type RankedProp } from './rankProps.ts';
import { usePickSetting, usePickSpace, usePickTask } from './usePick.ts';
import { usePickAddress } from './usePickAddress.ts';
import { usePickFormat } from './usePickFormat.ts';
import { usePickRanking } from './usePickRanking.ts';

/** What one change to the present prop or craft would do, forwards and backwards, and what to try out. */
export function Component() {
  return <WithKit>{(craft) => <AskPage craft={craft} key={craft.id} />}</WithKit>;
}

function AskPage({ craft }: { craft: KittedView }) {
  const { to } = useInHand();
  const format = useFormat();
  const { data: models } = usePropModelsQuery();
  const { data: packs } = usePacksQuery();
  const present = models?.items.find((m) => m.id === craft.referencePropModelId);
  const geometry = useMemo(() => (present ? modelGeometry(present) : null), [present]);
  const { family } = usePickAddress(geometry);
  const setting = usePickSetting(craft);
  const space = usePickSpace(models ? setting : null, geometry?.diameterM ?? null, family);
  const { weights } = usedWeights(craft);
  const { ranked, reference } = usePickRanking(craft, setting, space.maps, weights, []);
  const ask = useMemo(
    () =>
      present && geometry && packs ? { propModelId: present.id, geometry, shelf: packs.items.map(shelfPack) } : null,
    [present, geometry, packs],
  );
  const { value, problem } = usePickTask(setting, 'questions', ask);
  const noPresent = models !== undefined && !present;
  return (
    <StationPage
      eyebrow={`Pick · ${craft.name} · Ask`}
      headline={
        noPresent
          ? 'Which prop does it fly now?'
          : problem
            ? 'This craft cannot be worked out yet'
            : value
              ? answerHeadline(craft, propOfModel(present!).name, value.answers)
              : 'working…'
      }
      detail={
        present
          ? `Each line changes one thing about ${propOfModel(present).name} or the craft; weight that comes with ` +
            'it is counted.'
          : undefined
      }
      tools={<PickTabs craft={craft} />}
      reasons={
        <>
          <PickGaps craftId={craft.id} />
          <p className={classes.side}>
            <strong>More blades</strong> do not make a craft hang longer upside down: inverted, a fixed-pitch rotor
            pushes the way it always does. Thrust in hand and a quick answer decide.
          </p>
          <p className={classes.side}>
            Two blades or three, which sounds and answers better? Practitioners disagree. Compare them at equal thrust
            on the map, then measure both.
          </p>
        </>
      }
      actions={
        noPresent ? (
          <ActionLink weight="main" to={to(`/crafts/${craft.id}/edit`)}>
            Choose the prop it flies now
          </ActionLink>
        ) : undefined
      }
    >
      {noPresent && (
        <EmptyPage title="Questions start from the present prop">
          <p>Choose the reference prop on the craft’s sheet; every answer is the difference to it.</p>
        </EmptyPage>
      )}
      {value && <Forwards answers={value.answers} format={format} />}
      {value && <Backwards craft={craft} value={value} packs={packs?.items ?? []} />}
      {ranked.length > 0 && <Kit craft={craft} ranked={ranked} reference={reference} />}
    </StationPage>
  );
}

/**
 * What is wrong already comes first: a craft that is not carried, then a limit that is past; only then what an inch
 * gives.
 */
function answerHeadline({ name }: CraftView, prop: string, answers: Answers['answers']): string {
  const now = answers.payloadMore?.before;
  if (now && now.margins.carry > 1) return `${prop} does not carry ${name}`;
  const [worst] = now ? brokenLimits(now.margins) : [];
  if (worst) return `${prop} is past a limit already on ${name}: ${limitWords[worst]}`;
  const inch = answers.inchMore;
  const gainS = inch ? inch.after.figures.enduranceS - inch.before.figures.enduranceS : NaN;
  if (!Number.isFinite(gainS)) return `What would change on ${name}?`;
  return gainS >= 0
    ? `One inch more gives ${name} ${formatMinutes(gainS)}`
    : `One inch more takes ${formatMinutes(-gainS)} from ${name}`;
}

function shelfPack({ id, chemistry, seriesCount, capacityAh, cellResistanceOhm, cRating }: PackPieceView) {
  return { id, chemistry, seriesCount, capacityAh, cellResistanceOhm, cRating };
}

const QUESTION_WORDS: Record<QuestionName, string> = {
  inchMore: 'One inch more of diameter',
  halfPitchMore: 'Half an inch more of pitch',
  bladeMore: 'One blade more',
  squareTips: 'Square tips',
  softer: 'Softer blades',
  cellMore: 'One cell more',
  kvHigher: 'kV a tenth higher',
  kvLower: 'kV a tenth lower',
  payloadMore: '100 g more payload',
};

function Forwards({ answers, format }: { answers: Answers['answers']; format: Format }) {
  const now = answers.payloadMore?.before ?? null;
  return (
    <div className={table.sheet} style={{ marginBottom: 14 }}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Ask</th>
            <th data-right>Air time</th>
            <th data-right>Thrust / weight</th>
            <th data-right data-wide>
              Answers
            </th>
            <th data-right data-wide>
              Current
            </th>
            <th data-right data-wide>
              At 20 m
            </th>
            <th>Limits</th>
          </tr>
        </thead>
        <tbody>
          {now && (
            <tr style={{ cursor: 'default' }}>
              <td>Now</td>
              <AnswerCells before={now} after={now} />
            </tr>
          )}
          {questionNames.map((name) => {
            const answer = answers[name];
            return (
              <tr key={name} style={{ cursor: 'default' }}>
                <td>
                  <strong>{QUESTION_WORDS[name]}</strong>
                  {answer && answer.addedKg > 0 && name !== 'payloadMore' && (
                    <div className={classes.note}>{`brings ${format.quantity(answer.addedKg, 'mass').text}`}</div>
                  )}
                  {answer && name === 'softer' && (
                    <div className={classes.note}>{materialNames[answer.after.geometry.material]}</div>
                  )}
                </td>
                {answer ? (
                  <AnswerCells before={answer.before} after={answer.after} />
                ) : (
                  <td colSpan={6} className="muted">
                    Makes no sense here: it is so already, or nothing is left to change.
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

const ASKED: readonly { name: keyof PickFigures; isWide: boolean }[] = [
  { name: 'enduranceS', isWide: false },
  { name: 'thrustToWeightRatio', isWide: false },
  { name: 'riseTimeS', isWide: true },
  { name: 'fullCurrentA', isWide: true },
  { name: 'levelDb', isWide: true },
];
/** Less than this is written as the same. */
const SAME_RATIO = 0.004;

function AnswerCells({ before, after }: { before: WorkedProp; after: WorkedProp }) {
  const pick = usePickFormat();
  return (
    <>
      {ASKED.map(({ name, isWide }) => {
        const [from, to] = [before.figures[name], after.figures[name]];
        const isSame = before === after || Math.abs(to / from - 1) < SAME_RATIO;
        const isBetter = lessIsBetter.has(name) ? to < from : to > from;
        return (
          <td
            key={name}
            data-right
            data-wide={isWide || undefined}
            className={classes.asked}
            data-better={isSame || !Number.isFinite(to) ? undefined : isBetter}
          >
            {isSame && before !== after ? 'same' : pick.figure(name, to)}
          </td>
        );
      })}
      <td>
        <LimitCell before={before} after={after} />
      </td>
    </>
  );
}

/** Every limit that is broken: what breaks by the change first, then what was broken before, then what it mends. */
function LimitCell({ before, after }: { before: WorkedProp; after: WorkedProp }) {
  const { already, fresh, mended } = limitChange(before.margins, after.margins);
  const say = (limits: readonly PickLimit[]): string => limits.map((l) => limitWords[l]).join(', ');
  if (already.length + fresh.length + mended.length === 0)
    return <span className="muted">{before === after ? 'flown now, within all' : 'fits'}</span>;
  return (
    <>
      {fresh.length > 0 && <div className={classes.barred}>{`breaks: ${say(fresh)}`}</div>}
      {already.length > 0 && <div className={classes.barred}>{`already past: ${say(already)}`}</div>}
      {mended.length > 0 && <div className="muted">{`mends: ${say(mended)}`}</div>}
    </>
  );
}

function Backwards({ craft, value, packs }: { craft: CraftView; value: Answers; packs: readonly PackPieceView[] }) {
  const format = useFormat();
  const [text, setText] = useState('12');
  const minutes = readQuantity(text, 'number', unitFor('number', format.choices));
  const wantedS = minutes.status === 'read' && minutes.valueSi > 0 ? minutes.valueSi * 60 : null;
  const enough = value.packs.find((p) => wantedS !== null && p.enduranceS >= wantedS) ?? null;
  return (
    <section className={classes.backwards} aria-label="Asked backwards">
      <h2>Asked backwards</h2>
      <dl>
        <dt>Greatest payload this prop still carries</dt>
        <dd>
          {value.greatestPayloadKg === null
            ? `None: at ${format.quantity(craft.massKg, 'mass').text} it is at its limit or past it.`
            : `${format.quantity(value.greatestPayloadKg, 'mass').text} more than today, ` +
              `${format.quantity(craft.massKg + value.greatestPayloadKg, 'mass').text} in all.`}
        </dd>
        <dt>Weight to lose for one inch less</dt>
        <dd>
          {value.weightForInchKg === null
            ? `No loss up to two thirds of ${format.quantity(craft.massKg, 'mass').text} pays for it.`
            : value.weightForInchKg === 0
              ? `None: an inch less flies as long at ${format.quantity(craft.massKg, 'mass').text}.`
              : `${format.quantity(value.weightForInchKg, 'mass').text} brings the minutes back.`}
        </dd>
        <dt>
          <TextInput
            label="Smallest pack for so many minutes"
            value={text}
            onChange={(e) => setText(e.currentTarget.value)}
            inputMode="decimal"
            rightSection={<span className="muted">min</span>}
            style={{ maxWidth: 150 }}
            error={wantedS === null ? 'a number above 0' : undefined}
          />
        </dt>
        <dd>{packText(value.packs, enough, wantedS, packs, format)}</dd>
      </dl>
    </section>
  );
}

function packText(
  answers: readonly PackAnswer[],
  enough: PackAnswer | null,
  wantedS: number | null,
  packs: readonly PackPieceView[],
  format: Format,
): string {
  if (packs.length === 0) return 'No pack on the shelf yet: put one there under Rack, Parts.';
  if (answers.length === 0) return 'No pack of the shelf turns this prop.';
  if (wantedS === null) return '';
  const tagOf = (answer: PackAnswer): string => packs.find((p) => p.id === answer.pack.id)?.tag ?? '';
  const say = (answer: PackAnswer): string =>
    `${tagOf(answer)}, ${answer.pack.seriesCount}S ${format.quantity(answer.pack.capacityAh, 'charge').text}: ` +
    `${formatMinutes(answer.enduranceS)} at ${format.quantity(answer.massKg, 'mass').text}`;
  if (enough) return say(enough);
  const longest = answers.reduce((a, b) => (b.enduranceS > a.enduranceS ? b : a));
  return `None gives that. The longest is ${say(longest)}.`;
}

const KIT_COUNT = 4;

/** Three or four props that teach most about this craft. */
function Kit({
  craft,
  ranked,
  reference,
}: {
  craft: CraftView;
  ranked: readonly RankedProp[];
  reference: RankedProp | null;
}) {
  const format = useFormat();
  const kitProp = (r: RankedProp) => {
    const cost = costOf(r.prop.model, craft);
    const pieces = r.prop.model?.stock ? r.prop.model.stock.cwCount + r.prop.model.stock.ccwCount : 0;
    return {
      id: r.prop.id,
      geometry: r.prop.geometry,
      score: r.score,
      cost: pieces >= craft.rotors.length ? 0 : cost === null ? null : cost.pieceCost * craft.rotors.length,
    };
  };
  const kit = tryOutKit(reference && kitProp(reference), ranked.filter((r) => r.isAllowed).map(kitProp), KIT_COUNT);
  if (!kit) return null;
  const names = kit.ids.map((id) => ranked.find((r) => r.prop.id === id)!.prop.name);
  const span = (values: readonly [number, number]): string =>
    `${format.quantity(values[0], 'length').text} to ${format.quantity(values[1], 'length').text}`;
  return (
    <section className={classes.backwards} aria-label="Try-out kit">
      <h2>Try-out kit</h2>
      <p>
        <strong>{names.join(' · ')}</strong>
      </p>
      <p className="muted">
        {`Teaches most about ${craft.name}: ${span(kit.diametersM)} across, pitch ` +
          `${formatNumber(kit.pitchRatios[0], 2)} to ${formatNumber(kit.pitchRatios[1], 2)} of the diameter, ` +
          `${kit.bladeCounts.join(', ')} blades. ` +
          `${kit.cost === null ? 'Prices are not known for all of them.' : kit.cost === 0 ? 'All of them are on the rack.' : `To buy: ${formatNumber(kit.cost, 2)}.`}`}
      </p>
    </section>
  );
}
