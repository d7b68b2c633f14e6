import type { CraftView } from '@zivvo/contract';
import { HOTTEST_WINDING_C, type FlyingStyle, type LoadLadder } from '@zivvo/core';
import { styleNames } from '@zivvo/words';
import { useMemo } from 'react';
import { useKeys } from '../shared/keys/keys.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { EmptyPage } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './LadderPage.module.css';
import { styleOrder } from './pickMessages.ts';
import { PickGaps } from './PickGaps.tsx';
import { PickTabs } from './PickTabs.tsx';
import type { KittedView } from './useKit.ts';
import { WithKit } from './WithKit.tsx';
import { askedOf, propOfModel, type PickProp } from './pickProps.ts';
import { usePickSetting, usePickTask } from './usePick.ts';

/** Props from the easiest to the hardest for this motor, and the heaviest for each way of flying. */
export function Component() {
  return <WithKit>{(craft) => <LadderPage craft={craft} key={craft.id} />}</WithKit>;
}

function LadderPage({ craft }: { craft: KittedView }) {
  const { to } = useInHand();
  const { data: models } = usePropModelsQuery();
  const setting = usePickSetting(craft);
  const props = useMemo(() => models?.items.map(propOfModel) ?? [], [models]);
  const ask = useMemo(() => (props.length === 0 ? null : { props: props.map(askedOf) }), [props]);
  const { value: ladder, problem } = usePickTask(setting, 'ladder', ask);
  useKeys([{ key: 'w', what: 'Print the wall chart', run: () => window.print() }]);
  const nameOf = (id: string | null): string | null => props.find((p) => p.id === id)?.name ?? null;
  const isEmpty = models !== undefined && props.length === 0;
  const heaviest = ladder && nameOf(ladder.heaviest.hard);
  return (
    <StationPage
      eyebrow={`Pick · ${craft.name} · Load ladder`}
      headline={
        isEmpty
          ? 'No prop on the rack yet'
          : problem
            ? 'This craft cannot be worked out yet'
            : !ladder
              ? 'working…'
              : heaviest
                ? `${heaviest} is the heaviest ${craft.motorLabel} turns in hard flying`
                : `No prop of the rack is light enough for hard flying on ${craft.motorLabel}`
      }
      detail="From the easiest to the hardest to turn; bars show the torque at one speed."
      tools={<PickTabs craft={craft} />}
      reasons={
        <>
          <PickGaps craftId={craft.id} />
          {ladder && <Heaviest ladder={ladder} nameOf={nameOf} />}
        </>
      }
      actions={
        isEmpty ? (
          <ActionLink weight="main" to={to('/rack/new')}>
            New prop model
          </ActionLink>
        ) : (
          <Action weight="main" hint="w" onClick={() => window.print()}>
            Print the wall chart
          </Action>
        )
      }
    >
      {isEmpty && (
        <EmptyPage title="A ladder needs rungs">
          <p>Put labels on the rack; each becomes a rung, from the easiest to the hardest for this motor.</p>
        </EmptyPage>
      )}
      {ladder && <Rungs craft={craft} ladder={ladder} props={props} />}
    </StationPage>
  );
}

function Heaviest({ ladder, nameOf }: { ladder: LoadLadder; nameOf: (id: string | null) => string | null }) {
  const format = useFormat();
  const temperature = format.quantity(HOTTEST_WINDING_C, 'temperature').text;
  return (
    <div className={classes.heaviest}>
      {styleOrder.map((style) => (
        <p key={style}>
          <strong>{styleNames[style]}:</strong> up to {nameOf(ladder.heaviest[style]) ?? 'none of the rack'}
        </p>
      ))}
      <p className="muted">
        {`Limit: ${temperature} in the winding after four minutes with 4, 12 or 35 % of the time at full ` +
          'throttle, and the current limits of ESC and motor. Estimated; feel the motor after the first minute, ' +
          'and the maker’s sheet comes first.'}
      </p>
    </div>
  );
}

function Rungs({ craft, ladder, props }: { craft: CraftView; ladder: LoadLadder; props: readonly PickProp[] }) {
  const format = useFormat();
  const heat = (value: number): string => (Number.isFinite(value) ? format.quantity(value, 'temperature').text : '–');
  return (
    <ol className={classes.ladder} aria-label={`Load ladder of ${craft.name}`}>
      {ladder.rungs.map((rung) => {
        const prop = props.find((p) => p.id === rung.id)!;
        const marks = styleOrder.filter((style) => ladder.heaviest[style] === rung.id);
        return (
          <li key={rung.id} className={classes.rung} data-barred={rung.hardest === null}>
            <BladeGlyph size={30} {...prop.geometry} />
            <div className={classes.name}>
              <strong>{prop.name}</strong>
              {rung.id === craft.referencePropModelId && <span className="muted"> flown now</span>}
            </div>
            <div className={classes.track}>
              <div className={classes.bar} style={{ width: `${Math.max(2, rung.loadRatio * 100)}%` }} />
            </div>
            <span className={classes.figure}>
              {format.quantityOrDash(Number.isFinite(rung.fullCurrentA) ? rung.fullCurrentA : null, 'current')}
            </span>
            <span className={classes.figure}>{heat(rung.heatC.normal)}</span>
            <span className={classes.styles}>{rung.hardest === null ? 'too much' : styleText(rung.hardest)}</span>
            {marks.length > 0 && (
              <span className={classes.mark}>{`heaviest for ${marks.map((m) => styleNames[m]).join(', ')}`}</span>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function styleText(hardest: FlyingStyle): string {
  return hardest === 'hard' ? 'any flying' : hardest === 'normal' ? 'gentle, normal' : 'gentle only';
}
