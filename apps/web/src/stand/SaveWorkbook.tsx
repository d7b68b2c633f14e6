import type { CampaignDetailView, PropModelView } from '@zivvo/contract';
import { useState } from 'react';
import { useLazyEveningQuery } from '../shared/api/standApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { Action } from '../shared/ui/Action.tsx';
import { ProblemNote } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { saveFile } from '../shared/ui/saveText.ts';
import type { Cell } from './resultsTable.ts';
import { eveningSheets, toWorkbook } from './workbook.ts';

interface SaveWorkbookProps {
  campaign: CampaignDetailView;
  /** Results at the point looked at. */
  results: Cell[][];
  models: readonly PropModelView[];
}

/** Saves the evening for a spreadsheet: results, every step, what the evening was. */
export function SaveWorkbook({ campaign, results, models }: SaveWorkbookProps) {
  const { choices } = useFormat();
  const [ask, asked] = useLazyEveningQuery();
  const [isMaking, setMaking] = useState(false);
  const save = async (): Promise<void> => {
    const { data } = await ask(campaign.id);
    if (!data) return;
    setMaking(true);
    const nameOf = (id: string): string => {
      const model = models.find((m) => m.id === id);
      return model ? propModelName(model) : '';
    };
    saveFile(await toWorkbook(eveningSheets(results, data, nameOf, choices)), `${campaign.name}.xlsx`);
    setMaking(false);
  };
  return (
    <>
      <Action weight="quiet" disabled={asked.isFetching || isMaking} onClick={() => void save()}>
        Evening as .xlsx
      </Action>
      <ProblemNote error={asked.error} />
    </>
  );
}
