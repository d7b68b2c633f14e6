import { AxeBuilder } from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';
import { fork, spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));

const MEMORY = '/dev/shm';
const LEAST_MEMORY_BYTES = 2e9;

/**
 * Where the workshops of the journeys live: in memory where there is plenty, because making and clearing away the
 * thousand files of each takes longer than most journeys. A killed process loses nothing there that it would keep on a
 * disk; what reaches the disk is tried by the server's own tests.
 */
export function workshopsFolder(): string {
  if (!fs.existsSync(MEMORY)) return os.tmpdir();
  const { bavail, bsize } = fs.statfsSync(MEMORY);
  return bavail * bsize > LEAST_MEMORY_BYTES ? MEMORY : os.tmpdir();
}

type Kind = 'own' | 'demo';

/** A process that serves the workshops of journeys which kill none: the program is loaded once for all of them. */
export class Host {
  private readonly child = fork(path.join(root, 'e2e/hostProgram.mjs'), { execArgv: [], silent: true });
  private readonly waiting = new Map<number, { resolve: () => void; reject: (error: Error) => void }>();
  private lastId = 0;
  /** The last that it printed: questions that are cut off with their workshop among it. */
  private said = '';

  constructor() {
    for (const stream of [this.child.stdout, this.child.stderr])
      stream?.on('data', (chunk: Buffer) => (this.said = (this.said + chunk.toString()).slice(-4000)));
    this.child.on('message', ({ id, error }: { id: number; error?: string }) => {
      const asked = this.waiting.get(id);
      this.waiting.delete(id);
      if (error === undefined) asked?.resolve();
      else asked?.reject(new Error(error));
    });
    this.child.on('exit', () => {
      for (const { reject } of this.waiting.values()) reject(new Error(`the host of the journeys ended: ${this.said}`));
      this.waiting.clear();
    });
  }

  /** Opens a Zivvo; the number closes it. */
  async open(env: NodeJS.ProcessEnv): Promise<number> {
    const id = ++this.lastId;
    await this.ask(id, env);
    return id;
  }

  close(id: number): Promise<void> {
    return this.ask(id, null);
  }

  end(): void {
    this.child.disconnect();
  }

  private ask(id: number, env: NodeJS.ProcessEnv | null): Promise<void> {
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject });
      this.child.send({ id, env });
    });
  }
}

/** A Zivvo of its own: real server, real database folder, real port; a process of its own where it is to be killed. */
export class Zivvo {
  private child: ChildProcess | null = null;
  private hostedAs: number | null = null;
  readonly dataFolder = fs.mkdtempSync(path.join(workshopsFolder(), 'zivvo-journey-'));
  private port = 0;

  /**
   * On a copy of a workshop that was opened before, where there is one: what a first start does needs doing once.
   *
   * @param host - where it is served; a process of its own if null
   */
  constructor(
    private readonly kind: Kind,
    private readonly host: Host | null,
  ) {
    const opened = path.join(process.env.ZIVVO_OPENED ?? '', kind);
    if (process.env.ZIVVO_OPENED !== undefined && fs.existsSync(opened))
      fs.cpSync(opened, this.dataFolder, { recursive: true });
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts on the same folder and port as before, and waits until it is ready. */
  async start(): Promise<void> {
    this.port ||= await freePort();
    const env = {
      ...process.env,
      NODE_OPTIONS: '',
      PORT: String(this.port),
      ZIVVO_DATA: this.dataFolder,
      ZIVVO_WORKSHOP: this.kind,
      ZIVVO_WEB: path.join(root, 'apps/web/dist'),
      ZIVVO_NOW: '2026-11-24T12:00:00Z',
    };
    if (this.host) this.hostedAs = await this.host.open(env);
    else await this.startProcess(env);
  }

  /** Ends its process; one that is hosted has none to kill. */
  async stop(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    if (this.host) throw new Error('this Zivvo has no process of its own: test.use({ isApart: true })');
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await gone;
  }

  async end(): Promise<void> {
    if (this.hostedAs !== null) await this.host!.close(this.hostedAs);
    if (!this.host) await this.stop('SIGTERM');
    fs.rmSync(this.dataFolder, { recursive: true, force: true });
  }

  private async startProcess(env: NodeJS.ProcessEnv): Promise<void> {
    const child = spawn(process.execPath, [path.join(root, 'apps/server/dist/zivvo.js')], {
      env,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    await new Promise<void>((resolve, reject) => {
      let said = '';
      const listen = (chunk: Buffer): void => {
        said += chunk.toString();
        if (said.includes('ready at')) resolve();
      };
      child.stdout.on('data', listen);
      child.stderr.on('data', listen);
      child.once('exit', () => reject(new Error(`the server ended: ${said}`)));
    });
  }
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

/** Faults of the page that no journey may have: errors in the console and uncaught exceptions. */
export function watchFaults(page: Page): string[] {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource|net::ERR_/.test(message.text()))
      faults.push(message.text());
  });
  return faults;
}

/** A running Zivvo for as long as somebody uses it. */
async function whileRunning(kind: Kind, host: Host | null, use: (zivvo: Zivvo) => Promise<void>): Promise<void> {
  const zivvo = new Zivvo(kind, host);
  await zivvo.start();
  await use(zivvo);
  await zivvo.end();
}

interface Workshops {
  /** Whether the workshop that is written to runs in a process of its own, for those who kill it. */
  isApart: boolean;
  /** An empty workshop. */
  own: Zivvo;
  /** The demo workshop, to be written to. */
  shed: Zivvo;
  /** The demo workshop, shared by all who only read in it: who writes to it fails. */
  demo: Zivvo;
}

export const test = base.extend<Workshops, { host: Host; sharedDemo: Zivvo }>({
  isApart: [false, { option: true }],
  own: async ({ host, isApart }, use) => whileRunning('own', isApart ? null : host, use),
  shed: async ({ host, isApart }, use) => whileRunning('demo', isApart ? null : host, use),
  demo: async ({ sharedDemo, context }, use) => {
    const written: string[] = [];
    context.on('request', (request) => {
      if (request.method() !== 'GET' && request.url().startsWith(`${sharedDemo.address}/api/`))
        written.push(`${request.method()} ${new URL(request.url()).pathname}`);
    });
    await use(sharedDemo);
    expect(written).toEqual([]);
  },
  sharedDemo: [async ({ host }, use) => whileRunning('demo', host, use), { scope: 'worker' }],
  host: [
    async ({}, use) => {
      const host = new Host();
      await use(host);
      host.end();
    },
    { scope: 'worker' },
  ],
});

export { expect };

/** Opens the demo's stand evening with its craft in hand. */
export async function openEvening(page: Page, demo: Zivvo): Promise<void> {
  await page.goto(`${demo.address}/stand`);
  await page.getByRole('row', { name: /Cliff season/ }).click();
  await page.getByRole('heading', { level: 1, name: /more thrust|Nothing within/ }).waitFor();
}

/** Puts a prop on the live stand and arms it, as a pilot would. */
export async function putOnStand(page: Page, zivvo: Zivvo, prop: string): Promise<void> {
  await openEvening(page, zivvo);
  await page.keyboard.press('n');
  await page.getByRole('combobox', { name: 'Prop', exact: true }).selectOption({ label: prop });
  await page.getByRole('button', { name: 'Run it on the live stand' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tare the scale with nothing turning');
  await expect(page.getByText(/pack at rest 4/)).toBeVisible();
  await page.getByRole('button', { name: 'Tare', exact: true }).click();
  await armStand(page);
}

/** States the hardware stop and holds the button. */
export async function armStand(page: Page): Promise<void> {
  await page.getByRole('checkbox').check();
  await page.getByRole('button', { name: 'Hold to arm' }).hover();
  await page.mouse.down();
  await expect(page.getByRole('button', { name: 'Cut Esc' })).toBeVisible();
  await page.mouse.up();
}

/** What is seriously wrong on a page for assistive technology, by rule and place, and what its layout cuts. */
export async function seriousFaults(page: Page, rules: 'all' | 'contrast' = 'all'): Promise<string[]> {
  const axe = new AxeBuilder({ page });
  const { violations } = await (rules === 'all' ? axe : axe.withRules(['color-contrast'])).analyze();
  const faults = violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${new URL(page.url()).pathname}: ${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`);
  return [...faults, ...(await cutControls(page)).map((control) => `${new URL(page.url()).pathname}: cut: ${control}`)];
}

/** Controls that hide a part of their own height, as one does that a narrow column has squeezed. */
async function cutControls(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[role="radiogroup"], [role="tablist"], button, label, a')]
      .filter(
        (e) => e.clientHeight > 2 && getComputedStyle(e).overflowY !== 'visible' && e.scrollHeight > e.clientHeight + 4,
      )
      .map((e) => e.getAttribute('aria-label') ?? e.textContent),
  );
}

/** How far a page and its work surface reach beyond the window [px]. */
export async function overflowOf(page: Page): Promise<{ page: number; work: number }> {
  return page.evaluate(() => {
    const main = document.querySelector('main');
    return {
      page: document.documentElement.scrollWidth - window.innerWidth,
      work: main ? main.scrollWidth - main.clientWidth : 0,
    };
  });
}

/** Says who signs where nobody was chosen yet, and signs for the craft on the page. */
export async function signIt(page: Page): Promise<void> {
  const who = page.getByRole('combobox', { name: 'Who signs?' });
  const asSomebody = page.getByRole('button', { name: /^Sign for it as / });
  await expect(who.or(asSomebody)).toBeVisible();
  if (await who.isVisible()) await who.selectOption({ index: 1 });
  await expect(asSomebody).toBeEnabled();
  await page.keyboard.press('k');
  await expect(page.getByText(/^Signed .*24.* by /)).toBeVisible();
}
