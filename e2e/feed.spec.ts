import type { Locator, Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { craftId, headline } from './ownThings.ts';
import { expect, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

const script = path.join(fileURLToPath(new URL('..', import.meta.url)), 'scripts/feed.mjs');

/** What a command says and with what it ends. */
async function said(args: string[], input: string): Promise<{ text: string; code: number | null }> {
  const child = spawn(process.execPath, [script, ...args], { stdio: ['pipe', 'pipe', 'inherit'] });
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
  child.stdin.end(input);
  const code = await new Promise<number | null>((resolve) => child.on('close', resolve));
  return { text, code };
}

/** A program that prints the same line ten times a second, piped into Zivvo by the shipped script. */
class Printing {
  private readonly child: ChildProcess;
  private readonly timer: NodeJS.Timeout;
  line = '';

  constructor(address: string) {
    this.child = spawn(process.execPath, [script, 'send', address], { stdio: ['pipe', 'inherit', 'inherit'] });
    this.timer = setInterval(() => this.say(this.line), 100);
  }

  say(line: string): void {
    if (line !== '') this.child.stdin!.write(`${line}\n`);
  }

  stop(): void {
    clearInterval(this.timer);
    this.child.kill();
  }
}

test('a made-up stand prints as Zivvo reads, in two layouts; one that says nothing of its figures is told so', async () => {
  for (const layout of ['commas', 'semicolons']) {
    const { text } = await said(['play', '--fast', '--layout', layout], '');
    expect(await said(['check'], text)).toMatchObject({
      text: expect.stringMatching(/640 readings[\s\S]*reads it all/),
      code: 0,
    });
  }
  const bare = await said(['play', '--fast', '--layout', 'bare'], '');
  expect(await said(['check'], bare.text)).toMatchObject({
    text: expect.stringContaining('a person will be asked what they are'),
    code: 1,
  });
});

/** Begins a run of Petrel's reference on a new evening, and turns to a device. */
async function besideDevice(page: Page, shed: Zivvo): Promise<Locator> {
  await page.goto(`${shed.address}/stand/new?craft=${await craftId(page, shed, 'Petrel')}`);
  await page.getByRole('button', { name: 'Open the evening' }).click();
  await page.getByRole('link', { name: /^Type a run n/ }).click();
  await page.getByRole('button', { name: /^Type the run/ }).click();
  await expect(headline(page)).toHaveText('Type the run: throttle down, readings across');
  await page.getByRole('button', { name: /^Read a device/ }).click();
  return page.getByRole('region', { name: 'Device' });
}

test('a device on a serial port is read in the browser: lines that come in pieces, until the cable is pulled', async ({
  shed,
  page,
}) => {
  const faults = watchFaults(page);
  // A port that no machine of the tests has: what the browser would hand over, with the bytes of a stand.
  await page.addInitScript(() => {
    const bytes = new TextEncoder();
    // It begins to print when it is opened, however long the page took until then.
    let begin: () => void = () => undefined;
    const isOpen = new Promise<void>((resolve) => (begin = resolve));
    const port = {
      open: ({ baudRate }: { baudRate: number }) =>
        baudRate === 57_600 ? Promise.resolve(begin()) : Promise.reject(new Error('another speed')),
      close: () => Promise.resolve(),
      readable: new ReadableStream<Uint8Array>({
        async start(controller) {
          await isOpen;
          controller.enqueue(bytes.encode('Thrust (g),Current'));
          controller.enqueue(bytes.encode(' (A),Throttle (%)\r\n'));
          for (let i = 0; i < 60; i++) {
            controller.enqueue(bytes.encode('612.5,8.'));
            controller.enqueue(bytes.encode('4,60\r\n'));
            await new Promise((resolve) => setTimeout(resolve, 100));
          }
          controller.error(new Error('the cable was pulled'));
        },
      }),
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } });
  });
  const device = await besideDevice(page, shed);
  await device.getByRole('button', { name: 'Choose a serial port' }).click();
  await expect(device.getByRole('alert')).toContainText('No port was opened: another speed');
  await device.getByRole('combobox', { name: 'Baud' }).selectOption('57600');
  await device.getByRole('button', { name: 'Choose a serial port' }).click();
  await device.getByRole('button', { name: 'Take this reading' }).click();
  await expect(page.getByLabel('Step 1, throttle')).toHaveValue('60');
  await expect(page.getByLabel('Step 1, thrust')).toHaveValue('612.5');
  await expect(device.getByText('Nothing was heard for two seconds.')).toBeVisible();
  expect(faults).toEqual([]);
});

test.describe(() => {
  test.use({ isApart: true });

  test('a device that only reads: no Cut, its readings become rows of the run, and stay after a kill; another one is asked what it prints', async ({
    shed,
    page,
  }) => {
    const faults = watchFaults(page);
    const device = await besideDevice(page, shed);
    await expect(device.getByText('Nothing is heard yet.')).toBeVisible();
    await expect(device.getByText('Zivvo cannot cut it', { exact: false })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Cut/ })).toHaveCount(0);
    expect(await seriousFaults(page)).toEqual([]);

    const printing = new Printing(shed.address);
    printing.say('Thrust (g),Current (A),Voltage (V),rpm');
    printing.line = '412.5,6.2,24.7,9120';
    await expect(device.getByText('settled', { exact: false })).toBeVisible();
    const take = device.getByRole('button', { name: 'Take this reading' });
    await expect(take).toBeDisabled();
    await device.getByLabel('Throttle now, %').fill('50');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Step 1, thrust')).toHaveValue('412.5');
    printing.line = '1523.0,38.0,23.9,17210';
    await expect(device.getByText(/^1,523/)).toBeVisible();
    await device.getByLabel('Throttle now, %').fill('100');
    await take.click();
    await expect(page.getByLabel('Step 2, current')).toHaveValue('38');
    await expect(headline(page)).toHaveText('2 steps, ready to keep');
    expect(await seriousFaults(page)).toEqual([]);
    printing.line = '15x,1,2,3';
    await expect(device.getByText('“15x” is no such reading.', { exact: false })).toBeVisible();
    await expect(device.getByText('Nothing was heard for two seconds.')).toBeVisible();
    await expect(page.locator('[data-draft="kept"]')).toBeVisible();

    await shed.stop('SIGKILL');
    await shed.start();
    await page.reload();
    await expect(page.getByLabel('Step 2, current')).toHaveValue('38');
    // The next device says nothing of its figures: it is asked once.
    printing.line = '498 6.1';
    // What the last one said is still on its way.
    await expect(device.getByText('now 6.1')).toBeVisible();
    await device.getByRole('combobox', { name: 'Column 1', exact: true }).selectOption('Thrust');
    await device.getByRole('combobox', { name: 'Unit of Column 1' }).selectOption('g');
    await device.getByRole('button', { name: 'Read it so' }).click();
    await expect(device.getByText(/^498/)).toBeVisible();
    await page.reload();
    await expect(device.getByText(/^498/)).toBeVisible();
    printing.stop();
    await page.getByRole('button', { name: 'Keep run' }).click();
    await expect(headline(page)).toHaveText(/hovers at 54.% throttle/);
    expect(faults).toEqual([]);
  });
});
