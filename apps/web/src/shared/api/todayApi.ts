import type { TodayView } from '@zivvo/contract';
import { api } from './api.ts';

const todayApi = api.injectEndpoints({
  endpoints: (build) => ({
    today: build.query<TodayView, void>({
      query: () => '/today',
      providesTags: [
        'Craft',
        'PropModel',
        'Piece',
        'Batch',
        'Run',
        'Campaign',
        'Fly',
        'Listen',
        'Judge',
        'Care',
        'Line',
      ],
      // A morning's page speaks of everything, and costs little: it is asked for anew whenever it is opened.
      keepUnusedDataFor: 0,
    }),
  }),
});

export const { useTodayQuery } = todayApi;
