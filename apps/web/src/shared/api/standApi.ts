import type {
  BeginSamplesDto,
  CalibrationView,
  CampaignDetailView,
  CampaignExportView,
  CampaignListView,
  CampaignMatrixView,
  CampaignResultsView,
  CreateCampaignDto,
  CreateInstrumentCheckDto,
  CreateRunDto,
  EveningPlanDto,
  EveningPlanView,
  ImportRecipeView,
  ImportRunsDto,
  InstrumentsView,
  KeepRunDto,
  KeptView,
  PlanStepsView,
  RunView,
  SamplesView,
  SaveDraftDto,
  UpdateCampaignDto,
  ListView,
} from '@zivvo/contract';
import type { Working } from '@zivvo/core';
import { api } from './api.ts';

const kitPart = (kitId: string | null): string => (kitId === null ? '' : `&kitId=${kitId}`);

export const standApi = api.injectEndpoints({
  endpoints: (build) => ({
    campaigns: build.query<CampaignListView, string | null>({
      query: (craftId) => `/campaigns${craftId === null ? '' : `?craftId=${craftId}`}`,
      providesTags: ['Campaign'],
    }),
    campaign: build.query<CampaignDetailView, string>({
      query: (id) => `/campaigns/${id}`,
      providesTags: ['Campaign'],
    }),
    plan: build.query<EveningPlanView, string>({
      query: (id) => `/campaigns/${id}/plan`,
      providesTags: ['Campaign'],
    }),
    setPlan: build.mutation<EveningPlanView, { campaignId: string; body: EveningPlanDto }>({
      query: ({ campaignId, body }) => ({ url: `/campaigns/${campaignId}/plan`, method: 'PUT', body }),
      invalidatesTags: ['Campaign'],
    }),
    planSteps: build.query<
      PlanStepsView,
      { campaignId: string; propModelIds: readonly string[]; kitId: string | null; count: number }
    >({
      query: ({ campaignId, propModelIds, kitId, count }) =>
        `/campaigns/${campaignId}/plan/steps?propModelIds=${propModelIds.join(',')}&count=${count}${kitPart(kitId)}`,
    }),
    evening: build.query<CampaignExportView, string>({
      query: (id) => `/campaigns/${id}/export`,
      providesTags: ['Campaign', 'Run'],
    }),
    matrix: build.query<CampaignMatrixView, { id: string; throttleRatio: number }>({
      query: ({ id, throttleRatio }) => `/campaigns/${id}/matrix?throttleRatio=${throttleRatio}`,
      providesTags: ['Campaign'],
    }),
    results: build.query<CampaignResultsView, { id: string; throttleRatio: number; kitId?: string | null }>({
      query: ({ id, throttleRatio, kitId = null }) =>
        `/campaigns/${id}/results?throttleRatio=${throttleRatio}${kitPart(kitId)}`,
      providesTags: ['Campaign'],
    }),
    working: build.query<Working, { id: string; throttleRatio: number; key: string; kitId: string | null }>({
      query: ({ id, throttleRatio, key, kitId }) =>
        `/campaigns/${id}/working?throttleRatio=${throttleRatio}&key=${encodeURIComponent(key)}${kitPart(kitId)}`,
      providesTags: ['Campaign'],
    }),
    createCampaign: build.mutation<CampaignDetailView, CreateCampaignDto>({
      query: (body) => ({ url: '/campaigns', method: 'POST', body }),
      invalidatesTags: ['Campaign'],
    }),
    updateCampaign: build.mutation<CampaignDetailView, { id: string; body: UpdateCampaignDto }>({
      query: ({ id, body }) => ({ url: `/campaigns/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Campaign'],
    }),
    removeCampaign: build.mutation<void, string>({
      query: (id) => ({ url: `/campaigns/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Campaign'],
    }),
    restoreCampaign: build.mutation<CampaignDetailView, string>({
      query: (id) => ({ url: `/campaigns/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Campaign'],
    }),
    calibration: build.query<CalibrationView, string>({
      query: (craftId) => `/crafts/${craftId}/calibration`,
      providesTags: ['Campaign', 'Craft', 'PropModel'],
    }),
    run: build.query<RunView, string>({ query: (id) => `/runs/${id}`, providesTags: ['Run'] }),
    createRun: build.mutation<RunView, { campaignId: string; body: CreateRunDto }>({
      query: ({ campaignId, body }) => ({ url: `/campaigns/${campaignId}/runs`, method: 'POST', body }),
      invalidatesTags: ['Campaign'],
    }),
    saveDraft: build.mutation<KeptView, { id: string; body: SaveDraftDto }>({
      query: ({ id, body }) => ({ url: `/runs/${id}/draft`, method: 'PUT', body }),
    }),
    keepRun: build.mutation<RunView, { id: string; body: KeepRunDto }>({
      query: ({ id, body }) => ({ url: `/runs/${id}/keep`, method: 'POST', body }),
      invalidatesTags: ['Run', 'Campaign', 'Line'],
    }),
    instruments: build.query<InstrumentsView, void>({ query: () => '/instruments', providesTags: ['Instrument'] }),
    addInstrumentCheck: build.mutation<InstrumentsView, CreateInstrumentCheckDto>({
      query: (body) => ({ url: '/instruments/checks', method: 'POST', body }),
      invalidatesTags: ['Instrument', 'Campaign'],
    }),
    removeInstrumentCheck: build.mutation<void, string>({
      query: (id) => ({ url: `/instruments/checks/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Instrument', 'Campaign'],
    }),
    restoreInstrumentCheck: build.mutation<InstrumentsView, string>({
      query: (id) => ({ url: `/instruments/checks/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Instrument', 'Campaign'],
    }),
    importRecipes: build.query<ListView<ImportRecipeView>, void>({
      query: () => '/import-recipes',
      providesTags: ['Run'],
    }),
    importRuns: build.mutation<CampaignDetailView, { campaignId: string; body: ImportRunsDto }>({
      query: ({ campaignId, body }) => ({ url: `/campaigns/${campaignId}/imports`, method: 'POST', body }),
      invalidatesTags: ['Campaign', 'Line', 'Run'],
    }),
    beginSamples: build.mutation<SamplesView, BeginSamplesDto>({
      query: (body) => ({ url: '/sample-imports', method: 'POST', body }),
    }),
    keepSamples: build.mutation<CampaignDetailView, { id: string; body: ImportRunsDto }>({
      query: ({ id, body }) => ({ url: `/sample-imports/${id}/keep`, method: 'POST', body }),
      invalidatesTags: ['Campaign', 'Line', 'Run'],
    }),
    giveUpSamples: build.mutation<void, string>({
      query: (id) => ({ url: `/sample-imports/${id}`, method: 'DELETE' }),
    }),
    attachPicture: build.mutation<RunView, { id: string; blobSha256: string }>({
      query: ({ id, blobSha256 }) => ({ url: `/runs/${id}/pictures`, method: 'POST', body: { blobSha256 } }),
      invalidatesTags: ['Run'],
    }),
    removeRun: build.mutation<void, string>({
      query: (id) => ({ url: `/runs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Campaign', 'Line'],
    }),
    restoreRun: build.mutation<RunView, string>({
      query: (id) => ({ url: `/runs/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Campaign', 'Run', 'Line'],
    }),
  }),
});

export const {
  useCampaignsQuery,
  useCampaignQuery,
  useLazyCampaignQuery,
  useCalibrationQuery,
  usePlanQuery,
  useSetPlanMutation,
  useLazyPlanStepsQuery,
  useLazyEveningQuery,
  useMatrixQuery,
  useResultsQuery,
  useWorkingQuery,
  useCreateCampaignMutation,
  useUpdateCampaignMutation,
  useRemoveCampaignMutation,
  useRestoreCampaignMutation,
  useRunQuery,
  useLazyRunQuery,
  useCreateRunMutation,
  useSaveDraftMutation,
  useKeepRunMutation,
  useInstrumentsQuery,
  useAddInstrumentCheckMutation,
  useRemoveInstrumentCheckMutation,
  useRestoreInstrumentCheckMutation,
  useImportRecipesQuery,
  useImportRunsMutation,
  useBeginSamplesMutation,
  useKeepSamplesMutation,
  useGiveUpSamplesMutation,
  useAttachPictureMutation,
  useRemoveRunMutation,
  useRestoreRunMutation,
} = standApi;
