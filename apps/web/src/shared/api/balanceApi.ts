import type {
  CreateRigDto,
  CreateBalanceJobDto,
  FinishBalanceJobDto,
  RigView,
  TraysView,
  BalanceJobView,
  UpdateRigDto,
  UpdateBalanceJobDto,
  ListView,
} from '@zivvo/contract';
import { api } from './api.ts';

const balanceApi = api.injectEndpoints({
  endpoints: (build) => ({
    rigs: build.query<ListView<RigView>, void>({ query: () => '/rigs', providesTags: ['Rig'] }),
    addRig: build.mutation<RigView, CreateRigDto>({
      query: (body) => ({ url: '/rigs', method: 'POST', body }),
      invalidatesTags: ['Rig'],
    }),
    updateRig: build.mutation<RigView, { id: string; body: UpdateRigDto }>({
      query: ({ id, body }) => ({ url: `/rigs/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Rig', 'BalanceJob'],
    }),
    removeRig: build.mutation<void, string>({
      query: (id) => ({ url: `/rigs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Rig'],
    }),
    restoreRig: build.mutation<RigView, string>({
      query: (id) => ({ url: `/rigs/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Rig'],
    }),
    trays: build.query<TraysView, { craftId: string | null; propModelId: string | null }>({
      query: ({ craftId, propModelId }) => ({
        url: '/balance-jobs/trays',
        params: { ...(craftId && { craftId }), ...(propModelId && { propModelId }) },
      }),
      providesTags: ['BalanceJob', 'Piece'],
    }),
    balanceJobsOf: build.query<ListView<BalanceJobView>, string>({
      query: (pieceId) => `/balance-jobs/of-piece/${pieceId}`,
      providesTags: ['BalanceJob'],
    }),
    startBalanceJob: build.mutation<BalanceJobView, CreateBalanceJobDto>({
      query: (body) => ({ url: '/balance-jobs', method: 'POST', body }),
      invalidatesTags: ['BalanceJob'],
    }),
    changeBalanceJob: build.mutation<BalanceJobView, { id: string; body: UpdateBalanceJobDto }>({
      query: ({ id, body }) => ({ url: `/balance-jobs/${id}`, method: 'PUT', body }),
      invalidatesTags: ['BalanceJob'],
    }),
    finishBalanceJob: build.mutation<BalanceJobView, { id: string; body: FinishBalanceJobDto }>({
      query: ({ id, body }) => ({ url: `/balance-jobs/${id}/finish`, method: 'POST', body }),
      invalidatesTags: ['BalanceJob', 'Piece', 'Set', 'Line'],
    }),
  }),
});

export const {
  useRigsQuery,
  useAddRigMutation,
  useUpdateRigMutation,
  useRemoveRigMutation,
  useRestoreRigMutation,
  useTraysQuery,
  useBalanceJobsOfQuery,
  useLazyBalanceJobsOfQuery,
  useStartBalanceJobMutation,
  useChangeBalanceJobMutation,
  useFinishBalanceJobMutation,
} = balanceApi;
