import type {
  CraftLinesView,
  CraftListView,
  CraftUseDto,
  CraftView,
  CreateCraftDto,
  LineView,
  UpdateCraftDto,
} from '@zivvo/contract';
import type { Working } from '@zivvo/core';
import { api } from './api.ts';

export const craftApi = api.injectEndpoints({
  endpoints: (build) => ({
    crafts: build.query<CraftListView, void>({ query: () => '/crafts', providesTags: ['Craft'] }),
    craftLines: build.query<CraftLinesView, void>({ query: () => '/crafts/lines', providesTags: ['Craft', 'Line'] }),
    craft: build.query<CraftView, string>({ query: (id) => `/crafts/${id}`, providesTags: ['Craft'] }),
    line: build.query<LineView, { craftId: string; propModelId: string | null }>({
      query: ({ craftId, propModelId }) =>
        `/crafts/${craftId}/line${propModelId === null ? '' : `?propModelId=${propModelId}`}`,
      providesTags: ['Line'],
    }),
    craftWorking: build.query<Working, { id: string; key: string }>({
      query: ({ id, key }) => `/crafts/${id}/working?key=${encodeURIComponent(key)}`,
      providesTags: ['Craft'],
    }),
    createCraft: build.mutation<CraftView, CreateCraftDto>({
      query: (body) => ({ url: '/crafts', method: 'POST', body }),
      invalidatesTags: ['Craft'],
    }),
    updateCraft: build.mutation<CraftView, { id: string; body: UpdateCraftDto }>({
      query: ({ id, body }) => ({ url: `/crafts/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Craft', 'Line', 'Campaign'],
    }),
    setCraftUse: build.mutation<CraftView, { id: string; body: CraftUseDto }>({
      query: ({ id, body }) => ({ url: `/crafts/${id}/use`, method: 'PUT', body }),
      invalidatesTags: ['Craft'],
    }),
    removeCraft: build.mutation<void, string>({
      query: (id) => ({ url: `/crafts/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Craft'],
    }),
    restoreCraft: build.mutation<CraftView, string>({
      query: (id) => ({ url: `/crafts/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Craft'],
    }),
  }),
});

export const {
  useCraftsQuery,
  useCraftLinesQuery,
  useCraftQuery,
  useLazyCraftQuery,
  useLineQuery,
  useCraftWorkingQuery,
  useCreateCraftMutation,
  useUpdateCraftMutation,
  useSetCraftUseMutation,
  useRemoveCraftMutation,
  useRestoreCraftMutation,
} = craftApi;
