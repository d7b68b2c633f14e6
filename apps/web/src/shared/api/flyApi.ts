import type { CreateFlightCardDto, FlightProtocolDto, FlyView } from '@zivvo/contract';
import { api } from './api.ts';

/** A card is a flight too: what counts flights follows it. */
const TOUCHED = ['Fly', 'Care', 'Piece', 'Part', 'Line'] as const;

const flyApi = api.injectEndpoints({
  endpoints: (build) => ({
    fly: build.query<FlyView, string>({
      query: (craftId) => `/fly/${craftId}`,
      providesTags: ['Fly', 'Craft', 'PropModel', 'Run'],
    }),
    addFlightCard: build.mutation<FlyView, { craftId: string; body: CreateFlightCardDto }>({
      query: ({ craftId, body }) => ({ url: `/fly/${craftId}/cards`, method: 'POST', body }),
      invalidatesTags: [...TOUCHED],
    }),
    removeFlightCard: build.mutation<void, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/fly/${craftId}/cards/${id}`, method: 'DELETE' }),
      invalidatesTags: [...TOUCHED],
    }),
    restoreFlightCard: build.mutation<FlyView, { craftId: string; id: string }>({
      query: ({ craftId, id }) => ({ url: `/fly/${craftId}/cards/${id}/restore`, method: 'POST' }),
      invalidatesTags: [...TOUCHED],
    }),
    setFlightProtocol: build.mutation<FlyView, { craftId: string; body: FlightProtocolDto }>({
      query: ({ craftId, body }) => ({ url: `/fly/${craftId}/protocol`, method: 'PUT', body }),
      invalidatesTags: ['Fly', 'Line'],
    }),
  }),
});

export const {
  useFlyQuery,
  useAddFlightCardMutation,
  useRemoveFlightCardMutation,
  useRestoreFlightCardMutation,
  useSetFlightProtocolMutation,
} = flyApi;
