import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { DemoView } from '@zivvo/contract';
import { CONFIG, type Config } from '../config.ts';
import { DemoFailedError } from './demo.errors.ts';

/** The demo workshop as a server of its own, on a folder of its own beside this one's; it ends with this server. */
@Injectable()
export class DemoBeside implements OnApplicationShutdown {
  private child: ChildProcess | null = null;
  private opening: Promise<DemoView> | null = null;

  constructor(@Inject(CONFIG) private readonly config: Config) {}

  /** Starts it, or answers where it already is; the first time it is played, which takes a minute. */
  open(): Promise<DemoView> {
    this.opening ??= this.start();
    return this.opening;
  }

  onApplicationShutdown(): void {
    this.child?.kill('SIGTERM');
  }

  private start(): Promise<DemoView> {
    const { dataFolder, webFolder, cacheFolder } = this.config;
    const env = {
      ...process.env,
      NODE_OPTIONS: '',
      DATABASE_URL: undefined,
      PORT: '0',
      ZIVVO_WORKSHOP: 'demo',
      ZIVVO_DATA: `${dataFolder}-demo`,
      ZIVVO_CACHE: cacheFolder,
      ZIVVO_WEB: webFolder ?? undefined,
      ZIVVO_ENDS_WITH_INPUT: '1',
    };
    // Its input stays open as long as this process lives, however that ends.
    const child = spawn(process.execPath, [fileURLToPath(new URL('../zivvo.js', import.meta.url))], {
      env,
      stdio: ['pipe', 'pipe', 'pipe'],
    });
    this.child = child;
    return new Promise((resolve, reject) => {
      let said = '';
      const listen = (chunk: Buffer): void => {
        said = (said + chunk.toString()).slice(-2000);
        const found = /ready at (http:\S+)/.exec(said);
        if (found) resolve({ address: found[1]! });
      };
      child.stdout.on('data', listen);
      child.stderr.on('data', listen);
      const end = (): void => {
        this.opening = null;
        this.child = null;
        reject(new DemoFailedError(said.trim()));
      };
      child.once('error', end);
      child.once('exit', end);
    });
  }
}
