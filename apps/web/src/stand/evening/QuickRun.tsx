import { NativeSelect, TextInput } from '@mantine/core';
import type { CampaignDetailView, PackPieceView } from '@zivvo/contract';
import { cellVoltages, type EveningEntry } from '@zivvo/core';
import { unitFor } from '@zivvo/words';
import { useRef } from 'react';
import { failureOf } from '../../shared/api/api.ts';
import { useCreateRunMutation, useKeepRunMutation } from '../../shared/api/standApi.ts';
import { useAsking } from '../../shared/api/useAsking.ts';
import { useFormat } from '../../shared/format/useFormat.ts';
import { forgetMadeId, madeIdOf, useKept } from '../../shared/forms/kept.ts';
import { numberIn } from '../../shared/forms/numberIn.ts';
import { AskedNote } from '../../shared/ui/AskedNote.tsx';
import { SeverityMark } from '../../shared/ui/ReasonList.tsx';
import classes from './Evening.module.css';
import { gateText } from './planView.ts';
import { blankEntry, entryFaults, keepBody, readingRanges, startBody, type QuickEntry } from './quickRun.ts';

interface QuickRunProps {
  campaign: CampaignDetailView;
  entry: EveningEntry;
  packs: readonly PackPieceView[];
  readingCount: number;
  onKept: (runId: string) => void;
}

/** Under which the page's one action hands the run in. */
export const QUICK_RUN_FORM = 'quick-run';

/** The next run in a line: volts at rest, thrust, current, Enter. */
export function QuickRun({ campaign, entry, packs, readingCount, onKept }: QuickRunProps) {
  const { choices } = useFormat();
  const key = `evening/${campaign.id}/${entry.id}`;
  const [typed, setTyped, handedOver] = useKept<QuickEntry>(key, () => blankEntry(entry.packId, readingCount));
  const [create, creating] = useCreateRunMutation();
  const [keepRun, keeping] = useKeepRunMutation();
  const { ask, isAsking, asking } = useAsking();
  const form = useRef<HTMLFormElement>(null);
  const faults = entryFaults(typed, choices);
  const ranges = readingRanges(choices);
  const pack = packs.find((p) => p.id === typed.packId);
  const gate = gateText(typed.rest, campaign.gateCellV, pack ? cellVoltages[pack.chemistry].fullV : null);
  const setReading = (i: number, change: Partial<QuickEntry['readings'][number]>): void =>
    setTyped((now) => ({ ...now, readings: now.readings.map((r, k) => (k === i ? { ...r, ...change } : r)) }));
  const keep = async (): Promise<void> => {
    if (faults.size > 0) {
      form.current?.querySelector<HTMLInputElement>(`[name="${[...faults][0]}"]`)?.focus();
      return;
    }
    if (isAsking) return;
    const id = madeIdOf(key);
    try {
      await ask(async () => {
        const run = await create({
          campaignId: campaign.id,
          body: startBody(id, entry, typed, choices),
        }).unwrap();
        // Kept by a press whose answer got lost.
        if (run.state === 'draft') await keepRun({ id, body: keepBody(typed, choices, run.revision) }).unwrap();
      });
    } catch (error) {
      if (failureOf(error).code !== 'alreadyKept') return;
    }
    forgetMadeId(key);
    handedOver();
    onKept(id);
  };
  return (
    <form
      ref={form}
      id={QUICK_RUN_FORM}
      aria-label="The next run"
      noValidate
      onKeyDown={(e) => {
        if (e.key !== 'Enter' || !(e.target instanceof HTMLInputElement)) return;
        e.preventDefault();
        void keep();
      }}
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <div className={classes.fields}>
        <NativeSelect
          label="Pack"
          value={typed.packId}
          onChange={(e) => {
            const packId = e.currentTarget.value;
            setTyped((now) => ({ ...now, packId }));
          }}
          data={[{ value: '', label: 'not noted' }, ...packs.map((p) => ({ value: p.id, label: p.tag }))]}
        />
        <TextInput
          label="Volts a cell at rest"
          name="rest"
          data-autofocus
          autoFocus
          inputMode="decimal"
          autoComplete="off"
          placeholder="412 is 4.12"
          value={typed.rest}
          error={gate?.severity === null ? gate.text : undefined}
          onChange={(e) => {
            const rest = e.currentTarget.value;
            setTyped((now) => ({ ...now, rest }));
          }}
        />
      </div>
      {gate !== null && gate.severity !== null && (
        <p role="status" className={classes.gate}>
          <SeverityMark severity={gate.severity} />
          {gate.text}
        </p>
      )}
      {typed.readings.map((reading, i) => {
        const suffix = typed.readings.length === 1 ? '' : ` ${i + 1}`;
        const field = (name: keyof typeof reading, label: string) => (
          <TextInput
            label={`${label}${suffix}`}
            name={`${name}${i}`}
            inputMode="decimal"
            autoComplete="off"
            value={reading[name]}
            error={numberIn(reading[name], ranges[name]).error}
            onChange={(e) => setReading(i, { [name]: e.currentTarget.value })}
          />
        );
        return (
          <div key={i} className={classes.fields} style={{ marginTop: 10 }}>
            {field('thrust', `Thrust, ${unitFor('force', choices).symbol}`)}
            {field('current', 'Current, A')}
            {field('rpm', 'Speed, rpm')}
            {field('voltage', 'Voltage, V')}
          </div>
        );
      })}
      <AskedNote asking={asking} error={creating.error ?? keeping.error} />
    </form>
  );
}
