import type {
  CountStockDto,
  CreatePropModelDto,
  ModelRunView,
  PropModelListView,
  PropModelView,
  UpdatePropModelDto,
  WantDto,
  ListView,
} from '@zivvo/contract';
import { api } from './api.ts';

export const rackApi = api.injectEndpoints({
  endpoints: (build) => ({
    // Where nobody has counted a model, its tagged pieces are its stock.
    propModels: build.query<PropModelListView, void>({
      query: () => '/prop-models',
      providesTags: ['PropModel', 'Piece'],
    }),
    propModel: build.query<PropModelView, string>({
      query: (id) => `/prop-models/${id}`,
      providesTags: ['PropModel', 'Piece'],
    }),
    modelRuns: build.query<ListView<ModelRunView>, string>({
      query: (id) => `/prop-models/${id}/runs`,
      providesTags: ['Run', 'Campaign'],
    }),
    createPropModel: build.mutation<PropModelView, CreatePropModelDto>({
      query: (body) => ({ url: '/prop-models', method: 'POST', body }),
      invalidatesTags: ['PropModel'],
    }),
    updatePropModel: build.mutation<PropModelView, { id: string; body: UpdatePropModelDto }>({
      query: ({ id, body }) => ({ url: `/prop-models/${id}`, method: 'PUT', body }),
      invalidatesTags: ['PropModel', 'Campaign'],
    }),
    countStock: build.mutation<PropModelView, { id: string; body: CountStockDto }>({
      query: ({ id, body }) => ({ url: `/prop-models/${id}/stock`, method: 'PUT', body }),
      invalidatesTags: ['PropModel'],
    }),
    wantPropModel: build.mutation<PropModelView, { id: string; body: WantDto }>({
      query: ({ id, body }) => ({ url: `/prop-models/${id}/want`, method: 'PUT', body }),
      invalidatesTags: ['PropModel'],
    }),
    removePropModel: build.mutation<void, string>({
      query: (id) => ({ url: `/prop-models/${id}`, method: 'DELETE' }),
      invalidatesTags: ['PropModel'],
    }),
    restorePropModel: build.mutation<PropModelView, string>({
      query: (id) => ({ url: `/prop-models/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['PropModel'],
    }),
  }),
});

export const {
  usePropModelsQuery,
  usePropModelQuery,
  useModelRunsQuery,
  useLazyPropModelQuery,
  useCreatePropModelMutation,
  useUpdatePropModelMutation,
  useCountStockMutation,
  useWantPropModelMutation,
  useRemovePropModelMutation,
  useRestorePropModelMutation,
} = rackApi;
