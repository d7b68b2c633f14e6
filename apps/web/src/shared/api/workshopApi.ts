import type {
  AirView,
  BlobView,
  CreatePackPieceDto,
  CreatePersonDto,
  DemoView,
  FoundView,
  HealthView,
  PackPieceView,
  PackServiceView,
  PartEventView,
  PersonView,
  ReadAirDto,
  UpdatePackPieceDto,
  ListView,
} from '@zivvo/contract';
import { api } from './api.ts';

export const workshopApi = api.injectEndpoints({
  endpoints: (build) => ({
    health: build.query<HealthView, void>({ query: () => '/health' }),
    people: build.query<ListView<PersonView>, void>({ query: () => '/people', providesTags: ['Person'] }),
    addPerson: build.mutation<PersonView, CreatePersonDto>({
      query: (body) => ({ url: '/people', method: 'POST', body }),
      invalidatesTags: ['Person'],
    }),
    air: build.query<{ air: AirView | null }, void>({ query: () => '/air', providesTags: ['Air'] }),
    readAir: build.mutation<{ air: AirView | null }, ReadAirDto>({
      query: (body) => ({ url: '/air', method: 'POST', body }),
      invalidatesTags: ['Air'],
    }),
    packs: build.query<ListView<PackPieceView>, void>({ query: () => '/pack-pieces', providesTags: ['Pack'] }),
    addPack: build.mutation<PackPieceView, CreatePackPieceDto>({
      query: (body) => ({ url: '/pack-pieces', method: 'POST', body }),
      invalidatesTags: ['Pack'],
    }),
    updatePack: build.mutation<PackPieceView, { id: string; body: UpdatePackPieceDto }>({
      query: ({ id, body }) => ({ url: `/pack-pieces/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Pack'],
    }),
    removePack: build.mutation<void, string>({
      query: (id) => ({ url: `/pack-pieces/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Pack'],
    }),
    restorePack: build.mutation<PackPieceView, string>({
      query: (id) => ({ url: `/pack-pieces/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Pack'],
    }),
    packRuns: build.query<PackServiceView, string>({
      query: (id) => `/pack-pieces/${id}/runs`,
      providesTags: ['Pack', 'Run'],
    }),
    packHistory: build.query<ListView<PartEventView>, string>({
      query: (id) => `/pack-pieces/${id}/history`,
      providesTags: ['Pack'],
    }),
    storeBlob: build.mutation<BlobView, { bytes: Blob; name: string }>({
      query: ({ bytes, name }) => ({
        url: `/blobs?name=${encodeURIComponent(name)}`,
        method: 'POST',
        body: bytes,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    openDemo: build.mutation<DemoView, void>({ query: () => ({ url: '/demo', method: 'POST' }) }),
    found: build.query<FoundView[], string>({
      query: (words) => `/finder?words=${encodeURIComponent(words)}`,
      keepUnusedDataFor: 5,
    }),
  }),
});

export const {
  useHealthQuery,
  usePeopleQuery,
  useAddPersonMutation,
  useAirQuery,
  useReadAirMutation,
  usePacksQuery,
  useLazyPacksQuery,
  useAddPackMutation,
  useUpdatePackMutation,
  useRemovePackMutation,
  useRestorePackMutation,
  usePackRunsQuery,
  usePackHistoryQuery,
  useStoreBlobMutation,
  useFoundQuery,
  useOpenDemoMutation,
} = workshopApi;
