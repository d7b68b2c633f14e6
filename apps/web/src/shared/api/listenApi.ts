import type { ChangeListeningDto, CreateListeningDto, CreateTakeDto, CreateVoteDto, ListenView } from '@zivvo/contract';
import { api } from './api.ts';

/** Which listening is open, and at which thrust its props are compared; null where nobody has said. */
export interface ListenAsk {
  craftId: string;
  listeningId: string | null;
  thrustN: number | null;
}

const TOUCHED = ['Listen', 'Line'] as const;

const listenApi = api.injectEndpoints({
  endpoints: (build) => ({
    listen: build.query<ListenView, ListenAsk>({
      query: ({ craftId, listeningId, thrustN }) => ({
        url: `/listen/${craftId}`,
        params: { listening: listeningId ?? undefined, thrustN: thrustN ?? undefined },
      }),
      providesTags: ['Listen', 'Craft', 'PropModel'],
    }),
    beginListening: build.mutation<ListenView, { craftId: string; body: CreateListeningDto }>({
      query: ({ craftId, body }) => ({ url: `/listen/${craftId}/listenings`, method: 'POST', body }),
      invalidatesTags: [...TOUCHED],
    }),
    changeListening: build.mutation<ListenView, { craftId: string; id: string; body: ChangeListeningDto }>({
      query: ({ craftId, id, body }) => ({ url: `/listen/${craftId}/listenings/${id}`, method: 'PUT', body }),
      invalidatesTags: [...TOUCHED],
    }),
    removeListening: build.mutation<void, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/listen/${craftId}/listenings/${id}`, method: 'DELETE' }),
      invalidatesTags: [...TOUCHED],
    }),
    restoreListening: build.mutation<ListenView, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/listen/${craftId}/listenings/${id}/restore`, method: 'POST' }),
      invalidatesTags: [...TOUCHED],
    }),
    addTake: build.mutation<ListenView, { craftId: string; listeningId: string; body: CreateTakeDto }>({
      query: ({ craftId, listeningId, body }) => ({
        url: `/listen/${craftId}/listenings/${listeningId}/takes`,
        method: 'POST',
        body,
      }),
      invalidatesTags: [...TOUCHED],
    }),
    removeTake: build.mutation<void, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/listen/${craftId}/takes/${id}`, method: 'DELETE' }),
      invalidatesTags: [...TOUCHED],
    }),
    restoreTake: build.mutation<ListenView, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/listen/${craftId}/takes/${id}/restore`, method: 'POST' }),
      invalidatesTags: [...TOUCHED],
    }),
    voteSound: build.mutation<ListenView, { craftId: string; listeningId: string; body: CreateVoteDto }>({
      query: ({ craftId, listeningId, body }) => ({
        url: `/listen/${craftId}/listenings/${listeningId}/votes`,
        method: 'POST',
        body,
      }),
      invalidatesTags: ['Listen'],
    }),
  }),
});

export const {
  useListenQuery,
  useBeginListeningMutation,
  useChangeListeningMutation,
  useRemoveListeningMutation,
  useRestoreListeningMutation,
  useAddTakeMutation,
  useRemoveTakeMutation,
  useRestoreTakeMutation,
  useVoteSoundMutation,
} = listenApi;
