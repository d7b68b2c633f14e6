import type {
  AvailableView,
  BatchDetailView,
  BatchView,
  BulkPieceActionDto,
  CreateBatchDto,
  CreateMotorPieceDto,
  CreatePieceSetDto,
  CreateSparePartDto,
  MeasurePieceDto,
  MotorPieceView,
  PartEventView,
  PieceActionDto,
  PieceDetailView,
  PieceListView,
  PieceQueryDto,
  PieceSetView,
  PieceView,
  SparePartView,
  UpdateMotorPieceDto,
  UpdatePieceSetDto,
  UpdateSparePartDto,
  YieldView,
  UpdatePieceDto,
  ListView,
} from '@zivvo/contract';
import { api } from './api.ts';

/** What an action on a piece may carry; everything else is null. */
export type PieceActionBody = Pick<PieceActionDto, 'action'> & Partial<PieceActionDto>;

const LIVES = ['Piece', 'Batch', 'Set', 'Fitting', 'Line'] as const;

const pieceApi = api.injectEndpoints({
  endpoints: (build) => ({
    pieces: build.query<PieceListView, Partial<PieceQueryDto>>({
      query: (params) => ({
        url: '/pieces',
        params: Object.fromEntries(
          Object.entries(params).filter(([, value]) => value !== null && value !== undefined && value !== ''),
        ),
      }),
      providesTags: ['Piece'],
    }),
    piece: build.query<PieceDetailView, string>({ query: (id) => `/pieces/${id}`, providesTags: ['Piece'] }),
    yields: build.query<YieldView, void>({ query: () => '/pieces/yield', providesTags: ['Piece'] }),
    availablePieces: build.query<AvailableView[], void>({ query: () => '/pieces/available', providesTags: ['Piece'] }),
    measurePiece: build.mutation<PieceDetailView, { id: string; body: MeasurePieceDto }>({
      query: ({ id, body }) => ({ url: `/pieces/${id}/measures`, method: 'PUT', body }),
      invalidatesTags: ['Piece', 'Batch'],
    }),
    describePiece: build.mutation<PieceDetailView, { id: string; body: UpdatePieceDto }>({
      query: ({ id, body }) => ({ url: `/pieces/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Piece', 'Batch', 'Set'],
    }),
    actOnPiece: build.mutation<PieceDetailView, { id: string; body: PieceActionBody }>({
      query: ({ id, body }) => ({ url: `/pieces/${id}/actions`, method: 'POST', body }),
      invalidatesTags: [...LIVES],
    }),
    actOnPieces: build.mutation<PieceView[], Pick<BulkPieceActionDto, 'ids'> & PieceActionBody>({
      query: (body) => ({ url: '/pieces/actions', method: 'POST', body }),
      invalidatesTags: [...LIVES],
    }),
    batches: build.query<ListView<BatchView>, void>({
      query: () => '/batches',
      providesTags: ['Batch'],
    }),
    batch: build.query<BatchDetailView, string>({ query: (id) => `/batches/${id}`, providesTags: ['Batch'] }),
    addBatch: build.mutation<BatchDetailView, CreateBatchDto>({
      query: (body) => ({ url: '/batches', method: 'POST', body }),
      invalidatesTags: ['Piece', 'Batch'],
    }),
    sets: build.query<ListView<PieceSetView>, void>({ query: () => '/sets', providesTags: ['Set'] }),
    addSet: build.mutation<PieceSetView, CreatePieceSetDto>({
      query: (body) => ({ url: '/sets', method: 'POST', body }),
      invalidatesTags: ['Set'],
    }),
    updateSet: build.mutation<PieceSetView, { id: string; body: UpdatePieceSetDto }>({
      query: ({ id, body }) => ({ url: `/sets/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Set'],
    }),
    removeSet: build.mutation<void, string>({
      query: (id) => ({ url: `/sets/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Set'],
    }),
    restoreSet: build.mutation<PieceSetView, string>({
      query: (id) => ({ url: `/sets/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Set'],
    }),
    motors: build.query<ListView<MotorPieceView>, void>({ query: () => '/motor-pieces', providesTags: ['Part'] }),
    motorHistory: build.query<ListView<PartEventView>, string>({
      query: (id) => `/motor-pieces/${id}/history`,
      providesTags: ['Part'],
    }),
    addMotor: build.mutation<MotorPieceView, CreateMotorPieceDto>({
      query: (body) => ({ url: '/motor-pieces', method: 'POST', body }),
      invalidatesTags: ['Part'],
    }),
    updateMotor: build.mutation<MotorPieceView, { id: string; body: UpdateMotorPieceDto }>({
      query: ({ id, body }) => ({ url: `/motor-pieces/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Part'],
    }),
    removeMotor: build.mutation<void, string>({
      query: (id) => ({ url: `/motor-pieces/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Part'],
    }),
    restoreMotor: build.mutation<MotorPieceView, string>({
      query: (id) => ({ url: `/motor-pieces/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Part'],
    }),
    spares: build.query<ListView<SparePartView>, void>({ query: () => '/spare-parts', providesTags: ['Part'] }),
    addSpare: build.mutation<SparePartView, CreateSparePartDto>({
      query: (body) => ({ url: '/spare-parts', method: 'POST', body }),
      invalidatesTags: ['Part'],
    }),
    updateSpare: build.mutation<SparePartView, { id: string; body: UpdateSparePartDto }>({
      query: ({ id, body }) => ({ url: `/spare-parts/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Part'],
    }),
    removeSpare: build.mutation<void, string>({
      query: (id) => ({ url: `/spare-parts/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Part'],
    }),
    restoreSpare: build.mutation<SparePartView, string>({
      query: (id) => ({ url: `/spare-parts/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Part'],
    }),
  }),
});

export const {
  usePiecesQuery,
  useLazyPieceQuery,
  usePieceQuery,
  useYieldsQuery,
  useAvailablePiecesQuery,
  useMeasurePieceMutation,
  useDescribePieceMutation,
  useActOnPieceMutation,
  useActOnPiecesMutation,
  useBatchesQuery,
  useBatchQuery,
  useAddBatchMutation,
  useSetsQuery,
  useAddSetMutation,
  useUpdateSetMutation,
  useRemoveSetMutation,
  useRestoreSetMutation,
  useMotorsQuery,
  useLazyMotorsQuery,
  useMotorHistoryQuery,
  useAddMotorMutation,
  useUpdateMotorMutation,
  useRemoveMotorMutation,
  useRestoreMotorMutation,
  useSparesQuery,
  useAddSpareMutation,
  useUpdateSpareMutation,
  useRemoveSpareMutation,
  useRestoreSpareMutation,
} = pieceApi;
