import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';

const api = process.env.ZIVVO_API ?? 'http://127.0.0.1:4600';

/** What only a page with a form needs. */
const FORMS = /react-hook-form|shared.forms.(Fields|QuantityField|dtoResolver|useKeptForm|ConflictNote)/;

/** What only somebody needs who asks how a figure follows. */
const WORKINGS = /shared.working.WorkingDrawer|words.src.workingWords|components.Drawer/;

export default defineConfig({
  plugins: [react()],
  resolve: { conditions: ['source', ...defaultClientConditions] },
  server: { host: '127.0.0.1', port: 5173, proxy: { '/api': { target: api } } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    // What several pages share comes in one piece with the entry: forty small files would queue behind one another, and
    // the page's questions to the server behind them. Charts, tables and forms come with the pages that show them.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'shared',
              test: (id) =>
                !/echarts|zrender|papaparse|@tanstack|shared.table/.test(id) && !FORMS.test(id) && !WORKINGS.test(id),
              minShareCount: 3,
              priority: 1,
            },
            { name: 'forms', test: FORMS },
            { name: 'workings', test: WORKINGS },
          ],
        },
      },
    },
  },
  worker: { format: 'es' },
});
