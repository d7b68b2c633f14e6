import type { LiveCommandDto, LiveView, RunView, StandDeviceView, StandView, StartLiveRunDto } from '@zivvo/contract';
import { api } from './api.ts';

const liveApi = api.injectEndpoints({
  endpoints: (build) => ({
    startLive: build.mutation<LiveView, { campaignId: string; body: StartLiveRunDto }>({
      query: ({ campaignId, body }) => ({ url: `/campaigns/${campaignId}/live`, method: 'POST', body }),
      invalidatesTags: ['Campaign'],
    }),
    openLive: build.mutation<LiveView, string>({ query: (id) => ({ url: `/live/${id}/open`, method: 'POST' }) }),
    liveHeartbeat: build.mutation<LiveView, { id: string; tabId: string }>({
      query: ({ id, tabId }) => ({ url: `/live/${id}/heartbeat`, method: 'POST', body: { tabId } }),
    }),
    liveCommand: build.mutation<
      LiveView,
      { id: string; body: Partial<LiveCommandDto> & Pick<LiveCommandDto, 'name' | 'tabId'> }
    >({ query: ({ id, body }) => ({ url: `/live/${id}/commands`, method: 'POST', body }) }),
    liveRun: build.query<LiveView, string>({ query: (id) => `/live/${id}`, keepUnusedDataFor: 5 }),
    standDevices: build.query<StandDeviceView[], void>({ query: () => '/stand/devices', keepUnusedDataFor: 1 }),
    stand: build.query<StandView, void>({ query: () => '/stand', keepUnusedDataFor: 1 }),
    cutStand: build.mutation<StandView, string>({
      query: (tabId) => ({ url: '/stand/cut', method: 'POST', body: { tabId } }),
    }),
    keepLive: build.mutation<RunView, { id: string; tabId: string }>({
      query: ({ id, tabId }) => ({ url: `/live/${id}/keep`, method: 'POST', body: { tabId } }),
      invalidatesTags: ['Run', 'Campaign', 'Line'],
    }),
  }),
});

export const {
  useStartLiveMutation,
  useOpenLiveMutation,
  useLiveHeartbeatMutation,
  useLiveCommandMutation,
  useKeepLiveMutation,
  useLiveRunQuery,
  useStandDevicesQuery,
  useStandQuery,
  useCutStandMutation,
} = liveApi;
