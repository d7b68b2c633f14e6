import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/pick', name: 'Map' },
  { path: '/pick/compare', name: 'Compare' },
  { path: '/pick/ladder', name: 'Load ladder' },
  { path: '/pick/ask', name: 'Ask' },
] as const;

/** Ways to look at the same candidates; what is marked and chosen goes along. */
export function PickTabs({ params = '' }: { params?: string }) {
  return <StationTabs label="Ways to pick" tabs={TABS} toPage={(address) => withParams(address, params)} />;
}

/** An address with further parameters. */
export function withParams(address: string, params: string): string {
  if (params === '') return address;
  return `${address}${address.includes('?') ? '&' : '?'}${params}`;
}
