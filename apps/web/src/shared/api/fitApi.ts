import type { ConfirmFittingDto, FitPieceDto, FittingView, SwapArmsDto, UpdateFittingDto } from '@zivvo/contract';
import { api } from './api.ts';

const CHANGED = ['Fitting', 'Piece', 'Set', 'Line'] as const;

const fitApi = api.injectEndpoints({
  endpoints: (build) => ({
    fitting: build.query<FittingView, string>({ query: (craftId) => `/fittings/${craftId}`, providesTags: ['Fitting', 'Craft'] }),
    updateFitting: build.mutation<FittingView, { craftId: string; body: UpdateFittingDto }>({ query: ({ craftId, body }) => ({ url: `/fittings/${craftId}`, method: 'PUT', body }), invalidatesTags: ['Fitting', 'Line'] }),
    fitPiece: build.mutation<FittingView, { craftId: string; body: FitPieceDto }>({ query: ({ craftId, body }) => ({ url: `/fittings/${craftId}/pieces`, method: 'POST', body }), invalidatesTags: [...CHANGED] }),
    swapArms: build.mutation<FittingView, { craftId: string; body: SwapArmsDto }>({ query: ({ craftId, body }) => ({ url: `/fittings/${craftId}/swap`, method: 'POST', body }), invalidatesTags: [...CHANGED] }),
    confirmFitting: build.mutation<FittingView, { craftId: string; body: ConfirmFittingDto }>({ query: ({ craftId, body }) => ({ url: `/fittings/${craftId}/confirm`, method: 'POST', body }), invalidatesTags: ['Fitting'] }),
  }),
});

export const { useFittingQuery, useUpdateFittingMutation, useFitPieceMutation, useSwapArmsMutation, useConfirmFittingMutation } = fitApi;
