import type { CreateRigDto, CreateTrueUpDto, FinishTrueUpDto, RigView, TraysView, TrueUpView, UpdateRigDto, UpdateTrueUpDto } from '@zivvo/contract';
import { api } from './api.ts';

const balanceApi = api.injectEndpoints({
  endpoints: (build) => ({
    rigs: build.query<RigView[], void>({ query: () => '/rigs', providesTags: ['Rig'] }),
    addRig: build.mutation<RigView, CreateRigDto>({ query: (body) => ({ url: '/rigs', method: 'POST', body }), invalidatesTags: ['Rig'] }),
    updateRig: build.mutation<RigView, { id: string; body: UpdateRigDto }>({ query: ({ id, body }) => ({ url: `/rigs/${id}`, method: 'PUT', body }), invalidatesTags: ['Rig', 'TrueUp'] }),
    removeRig: build.mutation<void, string>({ query: (id) => ({ url: `/rigs/${id}`, method: 'DELETE' }), invalidatesTags: ['Rig'] }),
    restoreRig: build.mutation<RigView, string>({ query: (id) => ({ url: `/rigs/${id}/restore`, method: 'POST' }), invalidatesTags: ['Rig'] }),
    trays: build.query<TraysView, { craftId: string | null; propModelId: string | null }>({ query: ({ craftId, propModelId }) => ({ url: '/true-ups/trays', params: { ...(craftId && { craftId }), ...(propModelId && { propModelId }) } }), providesTags: ['TrueUp', 'Piece'] }),
    trueUpsOf: build.query<TrueUpView[], string>({ query: (pieceId) => `/true-ups/of-piece/${pieceId}`, providesTags: ['TrueUp'] }),
    startTrueUp: build.mutation<TrueUpView, CreateTrueUpDto>({ query: (body) => ({ url: '/true-ups', method: 'POST', body }), invalidatesTags: ['TrueUp'] }),
    changeTrueUp: build.mutation<TrueUpView, { id: string; body: UpdateTrueUpDto }>({ query: ({ id, body }) => ({ url: `/true-ups/${id}`, method: 'PUT', body }), invalidatesTags: ['TrueUp'] }),
    finishTrueUp: build.mutation<TrueUpView, { id: string; body: FinishTrueUpDto }>({ query: ({ id, body }) => ({ url: `/true-ups/${id}/finish`, method: 'POST', body }), invalidatesTags: ['TrueUp', 'Piece', 'Set', 'Line'] }),
  }),
});

export const { useRigsQuery, useAddRigMutation, useUpdateRigMutation, useRemoveRigMutation, useRestoreRigMutation, useTraysQuery, useTrueUpsOfQuery, useLazyTrueUpsOfQuery, useStartTrueUpMutation, useChangeTrueUpMutation, useFinishTrueUpMutation } = balanceApi;
