import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import type { ConfirmFittingDto, FitPieceDto, FittingView, SwapArmsDto, UpdateFittingDto } from '@zivvo/contract';
import { api } from './api.ts';

const CHANGED = ['Fitting', 'Piece', 'Set', 'Line'] as const;

const fitApi = api.injectEndpoints({
  endpoints: (build) => ({
    fitting: build.query<FittingView, string>({
      query: (craftId) => `/fittings/${craftId}`,
      providesTags: ['Fitting', 'Craft'],
    }),
    updateFitting: build.mutation<FittingView, { craftId: string; body: UpdateFittingDto }>({
      query: ({ craftId, body }) => ({ url: `/fittings/${craftId}`, method: 'PUT', body }),
      invalidatesTags: ['Fitting', 'Line'],
      onQueryStarted: showAnswer,
    }),
    fitPiece: build.mutation<FittingView, { craftId: string; body: FitPieceDto }>({
      query: ({ craftId, body }) => ({ url: `/fittings/${craftId}/pieces`, method: 'POST', body }),
      invalidatesTags: [...CHANGED],
      onQueryStarted: showAnswer,
    }),
    swapArms: build.mutation<FittingView, { craftId: string; body: SwapArmsDto }>({
      query: ({ craftId, body }) => ({ url: `/fittings/${craftId}/swap`, method: 'POST', body }),
      invalidatesTags: [...CHANGED],
      onQueryStarted: showAnswer,
    }),
    confirmFitting: build.mutation<FittingView, { craftId: string; body: ConfirmFittingDto }>({
      query: ({ craftId, body }) => ({ url: `/fittings/${craftId}/confirm`, method: 'POST', body }),
      invalidatesTags: ['Fitting'],
      onQueryStarted: showAnswer,
    }),
  }),
});

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- as the library types its own dispatch
type AppThunkDispatch = ThunkDispatch<any, any, UnknownAction>;

/** What was answered stands at once: the next key must not act on what was there before. */
async function showAnswer(
  { craftId }: { craftId: string },
  { dispatch, queryFulfilled }: { dispatch: AppThunkDispatch; queryFulfilled: Promise<{ data: FittingView }> },
): Promise<void> {
  try {
    const { data } = await queryFulfilled;
    void dispatch(fitApi.util.upsertQueryData('fitting', craftId, data));
  } catch {
    // The page tells what was refused.
  }
}

export const {
  useFittingQuery,
  useLazyFittingQuery,
  useUpdateFittingMutation,
  useFitPieceMutation,
  useSwapArmsMutation,
  useConfirmFittingMutation,
} = fitApi;
