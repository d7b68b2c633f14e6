import type { FreezeVerdictDto, JudgeView, JudgeWishesDto, SayingsView, WholeVerdictView } from '@zivvo/contract';
import { api } from './api.ts';

const judgeApi = api.injectEndpoints({
  endpoints: (build) => ({
    judge: build.query<JudgeView, string>({
      query: (craftId) => `/judge/${craftId}`,
      providesTags: ['Judge', 'Craft', 'PropModel', 'Run', 'Campaign', 'Fly', 'Listen', 'Piece', 'Person'],
    }),
    sayings: build.query<SayingsView, string>({
      query: (craftId) => `/judge/${craftId}/sayings`,
      providesTags: ['Judge', 'Craft', 'PropModel', 'Run', 'Campaign', 'Fly', 'Listen', 'Piece'],
    }),
    verdict: build.query<WholeVerdictView, { craftId: string; id: string }>({
      query: ({ craftId, id }) => `/judge/${craftId}/verdicts/${id}`,
      providesTags: ['Judge', 'Craft', 'PropModel', 'Run', 'Campaign', 'Fly', 'Listen', 'Piece'],
    }),
    setJudgeWishes: build.mutation<JudgeView, { craftId: string; body: JudgeWishesDto }>({
      query: ({ craftId, body }) => ({ url: `/judge/${craftId}/wishes`, method: 'PUT', body }),
      invalidatesTags: ['Judge'],
    }),
    freezeVerdict: build.mutation<JudgeView, { craftId: string; body: FreezeVerdictDto }>({
      query: ({ craftId, body }) => ({ url: `/judge/${craftId}/verdicts`, method: 'POST', body }),
      invalidatesTags: ['Judge', 'Line'],
    }),
    removeVerdict: build.mutation<void, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/judge/${craftId}/verdicts/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Judge', 'Line'],
    }),
    restoreVerdict: build.mutation<JudgeView, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/judge/${craftId}/verdicts/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Judge', 'Line'],
    }),
  }),
});

export const {
  useJudgeQuery,
  useSayingsQuery,
  useVerdictQuery,
  useSetJudgeWishesMutation,
  useFreezeVerdictMutation,
  useRemoveVerdictMutation,
  useRestoreVerdictMutation,
} = judgeApi;
