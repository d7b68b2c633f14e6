import { NativeSelect, SegmentedControl } from '@mantine/core';
import type { CraftView } from '@zivvo/contract';
import {
  bySeverity,
  candidateReasons,
  closestLimit,
  DIVE_M_PER_S,
  explainPickFigure,
  isExplained,
  lessIsBetter,
  modelGeometry,
  pickFigureNames,
  type Manoeuvres,
  type PickFigure,
  type Reason,
} from '@zivvo/core';
import { formatNumber, formatShare, formatSpeed, limitWords, pickFigureWords } from '@zivvo/words';
import { useMemo, useState, type ReactNode } from 'react';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import Chart from '../shared/charts/Chart.tsx';
import { useInk } from '../shared/charts/useInk.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { EmptyPage } from '../shared/ui/PageStates.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { WorkingDrawer } from '../shared/working/WorkingDrawer.tsx';
import classes from './ComparePage.module.css';
import { compareChart, compareYs, type CompareX, type CompareY } from './compareChart.ts';
import { PickGaps } from './PickGaps.tsx';
import { PickTabs, withParams } from './PickTabs.tsx';
import type { KittedView } from './useKit.ts';
import { WithKit } from './WithKit.tsx';
import { askedOf, findProp, propOfModel, type PickProp } from './pickProps.ts';
import { costOf, rankProps, usedWeights, type RankedProp } from './rankProps.ts';
import { usePickSetting, usePickSpace, usePickTask } from './usePick.ts';
import { usePickAddress } from './usePickAddress.ts';
import { usePickFormat } from './usePickFormat.ts';
import { usePickRanking } from './usePickRanking.ts';

/** Up to five props side by side: every figure, and their curves over throttle and over thrust. */
export function Component() {
  return <WithKit>{(craft) => <ComparePage craft={craft} key={craft.id} />}</WithKit>;
}

/** Sentences about each prop. */
const TOLD = 3;
const SHOWN: readonly PickFigure[] = pickFigureNames.filter(
  (name) => name !== 'toughnessRatio' && name !== 'carryPowerW',
);

function ComparePage({ craft }: { craft: KittedView }) {
  const { to } = useInHand();
  const { data: models } = usePropModelsQuery();
  const present = models?.items.find((m) => m.id === craft.referencePropModelId);
  const presentGeometry = useMemo(() => (present ? modelGeometry(present) : null), [present]);
  const { family, marked, toggleMark, params } = usePickAddress(presentGeometry);
  const setting = usePickSetting(craft);
  const space = usePickSpace(models ? setting : null, presentGeometry?.diameterM ?? null, family);
  const { use: _use, weights } = usedWeights(craft);
  const { scale } = usePickRanking(craft, setting, space.maps, weights, marked);
  const props = useMemo((): PickProp[] => {
    if (!models) return [];
    const named = marked.flatMap((id) => findProp(id, models.items) ?? []);
    return present && !named.some((p) => p.id === present.id) ? [propOfModel(present), ...named] : named;
  }, [models, marked, present]);
  const ask = useMemo(() => (props.length === 0 ? null : { props: props.map(askedOf) }), [props]);
  const worked = usePickTask(setting, 'props', ask);
  const curves = usePickTask(setting, 'curves', ask);
  const manoeuvres = usePickTask(setting, 'manoeuvres', ask);
  const ranked = useMemo(
    () => (scale && worked.value ? rankProps(props, worked.value, scale, weights) : []),
    [props, worked.value, scale, weights],
  );
  const reference = ranked.find((r) => r.prop.id === craft.referencePropModelId) ?? null;
  const told = useMemo((): { prop: PickProp; reasons: Reason[] }[] => {
    if (!setting || !scale) return [];
    const named = (r: RankedProp) => ({ name: r.prop.name, candidate: r.worked });
    return ranked
      .filter((r) => r !== reference)
      .map((r) => ({
        prop: r.prop,
        reasons: bySeverity(candidateReasons(setting, named(r), reference && named(reference), scale, weights)).slice(
          0,
          TOLD,
        ),
      }));
  }, [setting, scale, ranked, reference, weights]);
  const [shownWorking, show] = useAddressParam('working');
  const explained = useMemo(() => {
    const [, figure = '', id = ''] = /^(\w+) (.+)$/.exec(shownWorking ?? '') ?? [];
    const found = ranked.find((r) => r.prop.id === id);
    if (!setting || !found || !isExplained(figure) || !Number.isFinite(found.worked.figures[figure])) return null;
    return { working: explainPickFigure(setting, found.worked, figure), name: `${found.prop.name} on ${craft.name}` };
  }, [shownWorking, ranked, setting, craft.name]);
  const isEmpty = models !== undefined && props.length < 2;
  return (
    <StationPage
      eyebrow={`Pick · ${craft.name} · Compare`}
      headline={
        isEmpty
          ? 'Mark at least two props on the map'
          : ranked.length === 0
            ? 'working…'
            : `${ranked[0]!.prop.name} leads ${ranked.length - 1} ${ranked.length === 2 ? 'other' : 'others'} on ` +
              `${craft.name}`
      }
      detail={
        isEmpty
          ? undefined
          : 'Every figure with the pack half empty; the best of a row is bold; a dotted figure shows its working.'
      }
      tools={<PickTabs craft={craft} params={params} />}
      reasons={
        <>
          <PickGaps craftId={craft.id} />
          {told.map(({ prop, reasons }) => (
            <section key={prop.id} style={{ marginBottom: 18 }}>
              <p style={{ margin: '0 0 8px', fontWeight: 700 }}>{prop.name}</p>
              <ReasonList reasons={reasons} />
            </section>
          ))}
        </>
      }
      actions={
        <ActionLink weight="main" to={withParams(to('/pick'), params)}>
          Back to the map
        </ActionLink>
      }
    >
      {isEmpty ? (
        <EmptyPage
          title="Nothing to hold side by side"
          actions={
            <ActionLink weight="main" to={withParams(to('/pick'), params)}>
              Go to the map
            </ActionLink>
          }
        >
          <p>Tick props in the ranked list, or press x on a row: up to five stand here beside the one flown now.</p>
        </EmptyPage>
      ) : (
        <>
          <Curves props={props} curves={curves.value} referenceId={craft.referencePropModelId} />
          {explained !== null && (
            <WorkingDrawer working={explained.working} subject={explained.name} onClose={() => show(null)} />
          )}
          <FigureTable
            craft={craft}
            onExplain={(figure, prop) => show(`${figure} ${prop.id}`)}
            ranked={ranked}
            manoeuvres={manoeuvres.value}
            referenceId={craft.referencePropModelId}
            onTakeOut={toggleMark}
          />
        </>
      )}
    </StationPage>
  );
}

function Curves({
  props,
  curves,
  referenceId,
}: {
  props: readonly PickProp[];
  curves: Parameters<typeof compareChart>[0]['curves'] | null;
  referenceId: string | null;
}) {
  const format = useFormat();
  const ink = useInk();
  const [over, setOver] = useState<CompareX>('thrustN');
  const [y, setY] = useState<CompareY>('powerW');
  const [shown, setShown] = useState<'itself' | 'difference'>('itself');
  const chosenY = compareYs(over).includes(y) ? y : compareYs(over)[0]!;
  const option = useMemo(
    () =>
      curves
        ? compareChart({
            props,
            curves,
            referenceId,
            over,
            y: chosenY,
            isDifference: shown === 'difference',
            ink,
            format,
          })
        : null,
    [curves, props, referenceId, over, chosenY, shown, ink, format],
  );
  return (
    <section
      style={{
        flex: 'none',
        marginBottom: 14,
        padding: '12px 16px',
        border: '1px solid var(--hairline)',
        borderRadius: 'var(--corner)',
        background: 'var(--sheet)',
      }}
    >
      <div style={{ display: 'flex', flexWrap: 'wrap', alignItems: 'end', gap: 12 }}>
        <NativeSelect
          label="Curve of"
          value={chosenY}
          onChange={(e) => setY(e.currentTarget.value as CompareY)}
          data={compareYs(over).map((name) => ({ value: name, label: COMPARE_WORDS[name] }))}
          style={{ flex: 1 }}
        />
        <NativeSelect
          label="over"
          value={over}
          onChange={(e) => setOver(e.currentTarget.value as CompareX)}
          data={[
            { value: 'thrustN', label: 'thrust of a rotor' },
            { value: 'throttleRatio', label: 'throttle' },
          ]}
          style={{ flex: 1 }}
        />
        {props.some((p) => p.id === referenceId) && (
          <SegmentedControl
            value={shown}
            onChange={setShown}
            data={[
              { value: 'itself', label: 'Curves' },
              { value: 'difference', label: 'Difference from the prop flown now' },
            ]}
            aria-label="What is drawn"
          />
        )}
      </div>
      {option ? (
        <Chart
          option={option}
          height={270}
          label={`${COMPARE_WORDS[chosenY]} of ${props.map((p) => p.name).join(', ')}`}
        />
      ) : (
        <p className="muted">working…</p>
      )}
    </section>
  );
}

const COMPARE_WORDS: Record<CompareY, string> = {
  powerW: 'power',
  currentA: 'current',
  thrustN: 'thrust',
  speedRpm: 'speed',
  thrustPerPowerNPerW: 'thrust per watt',
};

interface FigureTableProps {
  craft: CraftView;
  ranked: readonly RankedProp[];
  manoeuvres: Record<string, Manoeuvres> | null;
  referenceId: string | null;
  onTakeOut: (id: string) => void;
  onExplain: (figure: PickFigure, prop: PickProp) => void;
}

function FigureTable({ craft, ranked, manoeuvres, referenceId, onTakeOut, onExplain }: FigureTableProps) {
  const pick = usePickFormat();
  const bestOf = (name: PickFigure): number =>
    (lessIsBetter.has(name) ? Math.min : Math.max)(
      ...ranked.map((r) => r.worked.figures[name]).filter(Number.isFinite),
    );
  const told = ({ prop }: RankedProp, name: keyof Manoeuvres, words: (value: number) => string, none = '–'): string => {
    const value = manoeuvres?.[prop.id]?.[name];
    return value === undefined ? '…' : value === null ? none : words(value);
  };
  const costs = ranked.map((r) => costOf(r.prop.model, craft));
  const row = (name: string, cells: readonly ReactNode[], bold: readonly boolean[] = []) => (
    <tr key={name} style={{ cursor: 'default' }}>
      <th scope="row">{name}</th>
      {cells.map((cell, i) => (
        <td key={ranked[i]!.prop.id} data-right style={{ fontWeight: bold[i] ? 700 : undefined }}>
          {cell}
        </td>
      ))}
    </tr>
  );
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Figure</th>
            {ranked.map(({ prop }) => (
              <th key={prop.id} data-right style={{ whiteSpace: 'normal', color: 'var(--ink)' }}>
                <span style={{ display: 'flex', gap: 8, alignItems: 'center', justifyContent: 'flex-end' }}>
                  <BladeGlyph size={24} {...prop.geometry} />
                  {prop.name}
                </span>
                <span className="muted">{prop.id === referenceId ? 'flown now' : prop.detail}</span>
                {prop.id !== referenceId && (
                  <Action weight="quiet" onClick={() => onTakeOut(prop.id)} aria-label={`Take ${prop.name} out`}>
                    Take out
                  </Action>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {row(
            'Score',
            ranked.map((r) => (r.isAllowed ? formatNumber(r.score, 0) : 'barred')),
            ranked.map((r) => r.isAllowed && r.score === Math.max(...ranked.map((o) => o.score))),
          )}
          {SHOWN.map((name) =>
            row(
              pickFigureWords[name],
              ranked.map((r) => {
                const text = pick.figure(name, r.worked.figures[name]);
                if (!isExplained(name) || text === '–') return text;
                return (
                  <button
                    key={r.prop.id}
                    type="button"
                    className={classes.figure}
                    title="How this follows"
                    onClick={() => onExplain(name, r.prop)}
                  >
                    {text}
                  </button>
                );
              }),
              ranked.map(
                (r) =>
                  // As they read: of two that show the same figure neither is better.
                  ranked.length > 1 && pick.figure(name, r.worked.figures[name]) === pick.figure(name, bestOf(name)),
              ),
            ),
          )}
          {row(
            'Level top speed',
            ranked.map((r) => told(r, 'topSpeedMPerS', formatSpeed)),
          )}
          {craft.kind === 'multirotor' &&
            row(
              `Height lost out of a dive of ${formatSpeed(DIVE_M_PER_S)}, pack nearly empty`,
              ranked.map((r) => told(r, 'pullOutM', (m) => `${formatNumber(m, 1)} m`, 'not stopped')),
            )}
          {craft.kind === 'multirotor' &&
            row(
              'Yaw held by drag, of thrust times arm',
              ranked.map((r) => told(r, 'yawDragRatio', (x) => formatShare(x, 1))),
            )}
          {craft.kind === 'multirotor' &&
            row(
              'Yaw kick of a tenth more speed',
              ranked.map((r) => told(r, 'yawKickNmS', (x) => `${formatNumber(1000 * x, 2)} mN·m·s`)),
            )}
          {row(
            'Nearest limit',
            ranked.map((r) => nearest(r)),
          )}
          {row(
            'Cost of a usable piece',
            costs.map((c) => (c ? formatNumber(c.pieceCost, 2) : '–')),
          )}
          {row(
            'Cost of an hour',
            costs.map((c) => (c ? formatNumber(c.hourCost, 2) : '–')),
          )}
        </tbody>
      </table>
    </div>
  );
}

function nearest({ worked }: RankedProp): string {
  const { limit, margin } = closestLimit(worked.margins);
  return `${limitWords[limit]}, ${formatNumber(margin * 100, 0)} %`;
}
