// Adds an empty station to a copy of the project, to show that it takes its own folders and one line in each list.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { runNode } from './process.mjs';

/** Files of its own, by their path. */
const own = {
  'packages/core/src/probe/probeReasons.ts': `/** Codes of what probe says. */
export interface ProbeReasons {
  'probe.nothing': never;
}

declare module '../figure/reason.ts' {
  interface Reasons extends ProbeReasons {}
}
`,
  'packages/core/src/probe/probeStop.ts': `import { stopAt, type LineStop } from '../line/lineStop.ts';

/** An empty station has nothing yet. */
export function probeStop(): LineStop {
  return stopAt('probe')('empty', 'probe.nothing');
}
`,
  'packages/contract/src/probe/probe.view.ts': `export interface ProbeView {
  craftId: string;
}
`,
  'packages/words/src/probe/probeSentences.ts': `import type { ProbeReasons } from '@zivvo/core';
import type { Sentences } from '../pen.ts';

export const probeSentences: Sentences<ProbeReasons> = { 'probe.nothing': () => 'Probe: nothing yet' };
`,
  'apps/server/src/probe/probe.facts.ts': `declare module '../event/facts.ts' {
  interface Facts {
    probed: { craftId: string };
  }
}

export {};
`,
  'apps/server/src/probe/probe.stop.ts': `import { Injectable, type OnModuleInit } from '@nestjs/common';
import { probeStop } from '@zivvo/core';
import { LineService, type StopSource } from '../line/line.service.ts';

@Injectable()
export class ProbeStop implements StopSource, OnModuleInit {
  readonly station = 'probe';

  constructor(private readonly line: LineService) {}

  onModuleInit(): void {
    this.line.register(this);
  }

  of: StopSource['of'] = (crafts) => Promise.resolve(new Map(crafts.map(({ id }) => [id, probeStop()])));
}
`,
  'apps/server/src/probe/probe.module.ts': `import './probe.facts.ts';
import { Module } from '@nestjs/common';
import { ProbeStop } from './probe.stop.ts';

@Module({ providers: [ProbeStop] })
export class ProbeModule {}
`,
  'apps/web/src/probe/ProbePage.tsx': `export function Component() {
  return <h1>Probe</h1>;
}
`,
  'apps/web/src/probe/feature.ts': `import { IconFlask } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const probe: Feature = {
  station: { name: 'Probe', path: '/probe', letter: 'x', icon: IconFlask, stop: 'probe' },
  routes: [{ path: 'probe', lazy: () => import('./ProbePage.tsx') }],
  pages: [{ title: 'Probe', path: '/probe' }],
};
`,
};

/** Lists that it joins: the file, what stands there, and what stands there then. */
const lists = [
  [
    'packages/core/src/index.ts',
    /$/,
    "export type * from './probe/probeReasons.ts';\nexport * from './probe/probeStop.ts';\n",
  ],
  ['packages/core/src/line/lineStop.ts', "'stand'] as const", "'stand', 'probe'] as const"],
  ['packages/contract/src/index.ts', /$/, "export type * from './probe/probe.view.ts';\n"],
  [
    'packages/words/src/reasonSentence.ts',
    /import \{ standSentences \}(.*)\n([\s\S]*)\.\.\.standSentences,/,
    "import { probeSentences } from './probe/probeSentences.ts';\nimport { standSentences " +
      '}$1\n$2...standSentences, ...probeSentences,',
  ],
  [
    'apps/server/src/app.module.ts',
    /import \{ RackModule \}(.*)\n([\s\S]*)CareModule\];/,
    "import { ProbeModule } from './probe/probe.module.ts';\nimport { RackModule }$1\n$2CareModule, ProbeModule];",
  ],
  [
    'apps/web/src/app/features.ts',
    /import \{ rack \}(.*)\n([\s\S]*)care, settings\];/,
    "import { probe } from '../probe/feature.ts';\nimport { rack }$1\n$2care, probe, settings];",
  ],
  ['.dependency-cruiser.cjs', /'care'\]/g, "'care', 'probe']"],
];

/** Makes the copy, adds the station, and lets compiler, import check and a start of the server judge it. */
export function probe() {
  const copy = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-probe-'));
  try {
    const tracked = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '-z'], { encoding: 'utf8' });
    for (const file of tracked.split('\0').filter((f) => f !== '' && fs.existsSync(f))) {
      fs.mkdirSync(path.dirname(path.join(copy, file)), { recursive: true });
      fs.copyFileSync(file, path.join(copy, file));
    }
    // Links of the workspaces are relative: in the copy they lead to the copy.
    execFileSync('cp', ['-al', 'node_modules', path.join(copy, 'node_modules')]);
    for (const [file, text] of Object.entries(own)) {
      fs.mkdirSync(path.dirname(path.join(copy, file)), { recursive: true });
      fs.writeFileSync(path.join(copy, file), text);
    }
    for (const [file, there, then] of lists) {
      const before = fs.readFileSync(path.join(copy, file), 'utf8');
      const after = before.replace(there, then);
      if (after === before) throw new Error(`${file} has changed: the probe does not find its list.`);
      fs.writeFileSync(path.join(copy, file), after);
    }
    const tsc = 'node_modules/typescript/bin/tsc';
    const cruise = 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs';
    runNode([tsc, '-b', 'packages/core', 'packages/contract', 'packages/words', 'apps/server'], { cwd: copy });
    runNode([tsc, '-p', 'apps/web', '--noEmit'], { cwd: copy });
    runNode([cruise, '--config', '.dependency-cruiser.cjs', 'packages', 'apps/server/src', 'apps/web/src'], {
      cwd: copy,
    });
    runNode(['--input-type=module', '--eval', START], { cwd: copy });
    console.log(`An empty station takes ${Object.keys(own).length} files of its own and a line in each of:`);
    for (const [file] of lists) console.log(`  ${file}`);
  } finally {
    fs.rmSync(copy, { recursive: true, force: true });
  }
}

/**
 * Starts the server of the copy: a second answer for the station must be refused, because the probe gives the first.
 */
const START =
  `
import 'reflect-metadata';
import fs from 'node:fs';
import { NestFactory } from '@nestjs/core';
import { ` +
  `AppModule } from './apps/server/dist/app.module.js';
import { readConfig } from ` +
  `'./apps/server/dist/config.js';
import { LineService } from './apps/server/dist/line/line.service.js';
const ` +
  `dataFolder = fs.mkdtempSync('probe-data-');
const app = await ` +
  'NestFactory.createApplicationContext(AppModule.with({ ...readConfig({}), dataFolder, hasDatabaseThread: false ' +
  `}), { logger: ['error'] });
let said = '';
try {
  app.get(LineService).register({ station: 'probe' });
} ` +
  `catch (error) {
  said = error.message;
}
await app.close();
if (!said.startsWith('Two features')) throw new ` +
  `Error('The probe does not answer for its station.');
`;
