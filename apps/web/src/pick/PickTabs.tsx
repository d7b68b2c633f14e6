import { NativeSelect } from '@mantine/core';
import { StationTabs } from '../shared/ui/StationTabs.tsx';
import { useKit, type KittedView } from './useKit.ts';

const TABS = [
  { path: '/pick', name: 'Map' },
  { path: '/pick/compare', name: 'Compare' },
  { path: '/pick/kits', name: 'Kits' },
  { path: '/pick/ladder', name: 'Load ladder' },
  { path: '/pick/ask', name: 'Ask' },
] as const;

/** Ways to look at the same candidates, and the kit the craft flies with; what is marked and chosen goes along. */
export function PickTabs({ craft, params = '' }: { craft: KittedView; params?: string }) {
  const { kitId, takeKit } = useKit(craft);
  const kept = params === '' && kitId !== null ? `kit=${kitId}` : params;
  return (
    <div
      style={{ display: 'flex', flexWrap: 'wrap', gap: '4px 14px', alignItems: 'center', justifyContent: 'flex-end' }}
    >
      {craft.kits.length > 0 && (
        <NativeSelect
          aria-label="Flown as"
          value={kitId ?? ''}
          onChange={(e) => takeKit(e.currentTarget.value === '' ? null : e.currentTarget.value)}
          data={[{ value: '', label: 'as described' }, ...craft.kits.map((k) => ({ value: k.id, label: k.name }))]}
        />
      )}
      <StationTabs
        label="Ways to pick"
        tabs={TABS.filter((tab) => tab.path !== '/pick/kits' || craft.kits.length > 0)}
        toPage={(address) => withParams(address, kept)}
      />
    </div>
  );
}

/** An address with further parameters. */
export function withParams(address: string, params: string): string {
  if (params === '') return address;
  return `${address}${address.includes('?') ? '&' : '?'}${params}`;
}
