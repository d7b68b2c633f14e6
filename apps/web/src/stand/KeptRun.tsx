import type { RunView } from '@zivvo/contract';
import { standQuantities, standQuantityNames } from '@zivvo/core';
import { originNames, quantityNames, readingKindNames } from '@zivvo/words';
import { useState } from 'react';
import { v7 } from 'uuid';
import { useCreateRunMutation, useRemoveRunMutation, useRestoreRunMutation } from '../shared/api/standApi.ts';
import { usePropModelQuery } from '../shared/api/rackApi.ts';
import { formatDay, formatTime, useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { ProblemNote } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';
import { RunFindings } from './RunFindings.tsx';
import { PictureBeside } from './PictureBeside.tsx';
import { gridFromSteps, plainNumber } from './runGrid.ts';

/** A kept run: what was read, step by step. It is never changed; a mistake is mended by a new run. */
export function KeptRun({ run }: { run: RunView }) {
  const format = useFormat();
  const go = useGo();
  const { to } = useInHand();
  const { data: model } = usePropModelQuery(run.propModelId);
  const [create, creating] = useCreateRunMutation();
  const [remove] = useRemoveRunMutation();
  const [restore] = useRestoreRunMutation();
  const [correctionId] = useState(() => v7());
  const used = standQuantityNames.filter((q) => run.steps.some((s) => s[q] !== null));
  const plain = (value: number | null, dimension: 'voltage' | 'force'): string =>
    value === null ? '' : plainNumber(value, dimension, format.choices);

  const onCorrect = async (): Promise<void> => {
    const draft = run.draft ?? {
      ...gridFromSteps(run.steps, format.choices),
      restingCell: plain(run.restingCellV, 'voltage'),
      zeroBefore: plain(run.zeroBeforeN, 'force'),
      zeroAfter: plain(run.zeroAfterN, 'force'),
    };
    const started = await create({
      campaignId: run.campaignId,
      body: {
        id: correctionId,
        propModelId: run.propModelId,
        packPieceId: run.packPieceId,
        replacesRunId: run.id,
        draft,
      },
    });
    if (!started.error) go(`/stand/runs/${correctionId}`);
  };
  const onRemove = (): Promise<void> =>
    takeAway(remove(run.id).unwrap(), {
      text: `Run ${run.ordinal} was taken out.`,
      undo: () => void restore(run.id),
      onGone: () => go(`/stand/${run.campaignId}`),
    });
  return (
    <StationPage
      eyebrow={`Stand · run ${run.ordinal}${model ? ` of ${propModelName(model)}` : ''}`}
      headline={`${run.stepCount} ${run.stepCount === 1 ? 'step' : 'steps'}, ${originNames[run.origin]}`}
      detail={[
        run.keptAt === null ? '' : `kept ${formatDay(run.keptAt)}, ${formatTime(run.keptAt)}`,
        run.restingCellV === null ? '' : `pack at ${format.quantity(run.restingCellV, 'voltage').text} a cell`,
        run.replacedByRunId === null ? '' : 'corrected by a later run, so it does not count',
      ]
        .filter((t) => t !== '')
        .join(' · ')}
      reasons={
        <p style={{ margin: 0 }}>
          What was kept stays as it was read. “Correct” opens a copy; once that is kept it counts instead of this one,
          and both stay here.
        </p>
      }
      actions={
        <>
          <ActionLink weight="main" to={to(`/stand/${run.campaignId}`)}>
            Back to the results
          </ActionLink>
          <ActionLink to={to(`/stand/${run.campaignId}/evening`)}>The evening’s plan</ActionLink>
          {run.recordingId !== null && <ActionLink to={to(`/stand/runs/${run.id}/readings`)}>All readings</ActionLink>}
          {run.replacedByRunId === null && <Action onClick={() => void onCorrect()}>Correct</Action>}
          <Action weight="danger" onClick={() => void onRemove()}>
            Delete
          </Action>
        </>
      }
    >
      <ProblemNote error={creating.error} />
      <div className={table.sheet}>
        <table className={table.table}>
          <thead>
            <tr>
              {used.map((q) => (
                <th key={q} data-right>
                  {quantityNames[q]} {format.unit(standQuantities[q])}
                  {run.readingKinds[q] === 'peakHold' && <div>{readingKindNames.peakHold}</div>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {run.steps.map((step, i) => (
              <tr key={i} style={{ cursor: 'default' }}>
                {used.map((q) => (
                  <td key={q} data-right className="mono">
                    {step[q] === null ? '–' : format.quantity(step[q], standQuantities[q]).number}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <RunFindings findings={run.findings} />
      <PictureBeside run={run} />
    </StationPage>
  );
}
