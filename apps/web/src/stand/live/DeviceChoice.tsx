import { NativeSelect } from '@mantine/core';
import type { StandDeviceView } from '@zivvo/contract';
import { formatNumber } from '@zivvo/words';
import { useState } from 'react';
import { feedFaults } from '../feed/feedEar.ts';
import { useStandDevicesQuery } from '../../shared/api/liveApi.ts';

/** How often it is asked which stands are here [ms]. */
const ASK_MS = 2000;

export interface DeviceChoice {
  /** Stands that were heard lately. */
  devices: readonly StandDeviceView[];
  /** The driven stand that is chosen; null for the simulated one. */
  deviceName: string | null;
  choose: (name: string | null) => void;
}

/** On which stand the next live run goes: the one that is here, until a person chooses. */
export function useDeviceChoice(): DeviceChoice {
  const { data: devices = [] } = useStandDevicesQuery(undefined, { pollingInterval: ASK_MS });
  const [chosen, setChosen] = useState<string | null | undefined>(undefined);
  const able = devices.filter((d) => d.channels.length > 0);
  const isGone = typeof chosen === 'string' && !able.some((d) => d.name === chosen);
  return {
    devices,
    deviceName: chosen === undefined || isGone ? (able[0]?.name ?? null) : chosen,
    choose: setChosen,
  };
}

/** Shown once a stand speaks; without one there is nothing to choose. */
export function DeviceSelect({ choice }: { choice: DeviceChoice }) {
  const { devices, deviceName, choose } = choice;
  if (devices.length === 0) return null;
  const faults = devices.flatMap(({ name, fault }) =>
    fault ? [`${name}: ${feedFaults[fault.fault](fault.text)}`] : [],
  );
  return (
    <NativeSelect
      label="Live stand"
      error={faults.length === 0 ? undefined : faults.join(' ')}
      value={deviceName ?? ''}
      onChange={(e) => choose(e.currentTarget.value === '' ? null : e.currentTarget.value)}
      data={[
        ...devices.map((d) => ({
          value: d.name,
          label:
            d.channels.length === 0
              ? `${d.name}: cannot be driven as it speaks`
              : `${d.name}, ${formatNumber(d.rateHz, 0)} readings a second`,
          disabled: d.channels.length === 0,
        })),
        { value: '', label: 'simulated' },
      ]}
    />
  );
}
