import type {
  CareSettingDto,
  CareView,
  CreateFlightDto,
  CreateGainSheetDto,
  CreateJobTicketDto,
  CreateModelAlertDto,
  CreateWalkaroundDto,
  DrillAnswerDto,
  DrillScoreView,
  GainSheetView,
  JobTicketView,
  LogView,
  ModelAlertView,
  RotationView,
  StrikeDto,
  SymptomCaseDto,
  SymptomCaseView,
  SymptomStartView,
  UpdateGainSheetDto,
  UpdateJobTicketDto,
  WalkaroundView,
  ListView,
} from '@zivvo/contract';
import { api } from './api.ts';

const TOUCHED = ['Care', 'Fly', 'Piece', 'Part', 'Fitting', 'Line'] as const;

const careApi = api.injectEndpoints({
  endpoints: (build) => ({
    care: build.query<CareView, string>({
      query: (craftId) => `/care/${craftId}`,
      providesTags: ['Care', 'Piece', 'Part', 'Fitting', 'Craft', 'Air'],
    }),
    rotation: build.query<RotationView, string>({
      query: (craftId) => `/care/${craftId}/rotation`,
      providesTags: ['Care', 'Piece', 'Set', 'Fitting'],
    }),
    setCare: build.mutation<CareView, { craftId: string; body: CareSettingDto }>({
      query: ({ craftId, body }) => ({ url: `/care/${craftId}/setting`, method: 'PUT', body }),
      invalidatesTags: ['Care'],
    }),
    walkRound: build.mutation<WalkaroundView, { craftId: string; body: CreateWalkaroundDto }>({
      query: ({ craftId, body }) => ({ url: `/care/${craftId}/walkarounds`, method: 'POST', body }),
      invalidatesTags: [...TOUCHED],
    }),
    mendPiece: build.mutation<CareView, { craftId: string; pieceId: string }>({
      query: ({ craftId, pieceId }) => ({ url: `/care/${craftId}/pieces/${pieceId}/mended`, method: 'POST' }),
      invalidatesTags: [...TOUCHED],
    }),
    logFlight: build.mutation<CareView, { craftId: string; body: CreateFlightDto }>({
      query: ({ craftId, body }) => ({ url: `/care/${craftId}/flights`, method: 'POST', body }),
      invalidatesTags: [...TOUCHED],
    }),
    removeFlight: build.mutation<void, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/care/${craftId}/flights/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Care', 'Fly'],
    }),
    restoreFlight: build.mutation<CareView, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/care/${craftId}/flights/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Care', 'Fly'],
    }),
    logStrike: build.mutation<CareView, { craftId: string; body: StrikeDto }>({
      query: ({ craftId, body }) => ({ url: `/care/${craftId}/strikes`, method: 'POST', body }),
      invalidatesTags: [...TOUCHED],
    }),
    alerts: build.query<ListView<ModelAlertView>, void>({ query: () => '/model-alerts', providesTags: ['Care'] }),
    raiseAlert: build.mutation<ModelAlertView, CreateModelAlertDto>({
      query: (body) => ({ url: '/model-alerts', method: 'POST', body }),
      invalidatesTags: ['Care'],
    }),
    releaseAlert: build.mutation<ModelAlertView, { id: string; reason: string }>({
      query: ({ id, reason }) => ({ url: `/model-alerts/${id}/release`, method: 'POST', body: { reason } }),
      invalidatesTags: ['Care'],
    }),
    gainSheets: build.query<ListView<GainSheetView>, string>({
      query: (craftId) => `/gain-sheets/of-craft/${craftId}`,
      providesTags: ['Care', 'Piece', 'Fitting'],
    }),
    openGainSheet: build.mutation<GainSheetView, CreateGainSheetDto>({
      query: (body) => ({ url: '/gain-sheets', method: 'POST', body }),
      invalidatesTags: ['Care'],
    }),
    updateGainSheet: build.mutation<GainSheetView, { id: string; body: UpdateGainSheetDto }>({
      query: ({ id, body }) => ({ url: `/gain-sheets/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Care'],
    }),
    removeGainSheet: build.mutation<void, string>({
      query: (id) => ({ url: `/gain-sheets/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Care'],
    }),
    restoreGainSheet: build.mutation<GainSheetView, string>({
      query: (id) => ({ url: `/gain-sheets/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Care'],
    }),
    symptomStart: build.query<SymptomStartView, string>({
      query: (craftId) => `/care/${craftId}/symptoms`,
      providesTags: ['Care'],
    }),
    saveSymptoms: build.mutation<SymptomCaseView, { craftId: string; id: string; body: SymptomCaseDto }>({
      query: ({ craftId, id, body }) => ({ url: `/care/${craftId}/symptoms/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Care'],
    }),
    dropSymptoms: build.mutation<void, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/care/${craftId}/symptoms/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Care'],
    }),
    tickets: build.query<ListView<JobTicketView>, string | null>({
      query: (craftId) => (craftId === null ? '/job-tickets' : `/job-tickets?craftId=${craftId}`),
      providesTags: ['Care'],
    }),
    ticket: build.query<JobTicketView, string>({ query: (id) => `/job-tickets/${id}`, providesTags: ['Care'] }),
    openTicket: build.mutation<JobTicketView, CreateJobTicketDto>({
      query: (body) => ({ url: '/job-tickets', method: 'POST', body }),
      invalidatesTags: ['Care'],
    }),
    updateTicket: build.mutation<JobTicketView, { id: string; body: UpdateJobTicketDto }>({
      query: ({ id, body }) => ({ url: `/job-tickets/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Care'],
    }),
    removeTicket: build.mutation<void, string>({
      query: (id) => ({ url: `/job-tickets/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Care'],
    }),
    restoreTicket: build.mutation<JobTicketView, string>({
      query: (id) => ({ url: `/job-tickets/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Care'],
    }),
    maintenanceLog: build.query<LogView, { craftId: string; from: string; to: string }>({
      query: ({ craftId, from, to }) => ({ url: `/care/${craftId}/log`, params: { from, to } }),
      providesTags: ['Care', 'Piece', 'Fitting'],
    }),
    drillScores: build.query<DrillScoreView[], void>({ query: () => '/drills/scores', providesTags: ['Care'] }),
    answerDrill: build.mutation<DrillScoreView[], DrillAnswerDto>({
      query: (body) => ({ url: '/drills/answers', method: 'POST', body }),
      invalidatesTags: ['Care'],
    }),
  }),
});

export const {
  useCareQuery,
  useRotationQuery,
  useSetCareMutation,
  useWalkRoundMutation,
  useMendPieceMutation,
  useLogFlightMutation,
  useRemoveFlightMutation,
  useRestoreFlightMutation,
  useLogStrikeMutation,
  useAlertsQuery,
  useRaiseAlertMutation,
  useReleaseAlertMutation,
  useGainSheetsQuery,
  useLazyGainSheetsQuery,
  useOpenGainSheetMutation,
  useUpdateGainSheetMutation,
  useRemoveGainSheetMutation,
  useRestoreGainSheetMutation,
  useSymptomStartQuery,
  useSaveSymptomsMutation,
  useDropSymptomsMutation,
  useTicketsQuery,
  useTicketQuery,
  useOpenTicketMutation,
  useUpdateTicketMutation,
  useRemoveTicketMutation,
  useRestoreTicketMutation,
  useMaintenanceLogQuery,
  useDrillScoresQuery,
  useAnswerDrillMutation,
} = careApi;
