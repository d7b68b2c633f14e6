// Pick in a real browser: from a cold route to the first map, from a changed input to the next, and the longest task.
import { chromiumPath } from '../scripts/chromium.mjs';
import { chromium } from '@playwright/test';
import { withDemoServer } from './demoServer.mjs';

const PORT = 4812;
const OPENED = 7;

export async function pageFigures() {
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: ['--no-sandbox'] });
  try {
    return await withDemoServer(PORT, async (address) => {
      const { items } = await (await fetch(`${address}/api/crafts`)).json();
      const { id } = items.find((c) => c.name === 'Petrel');
      const opened = [];
      for (let i = 0; i < OPENED; i++) opened.push(await open(browser, `${address}/pick?craft=${id}`));
      const median = (of) => opened.map(of).sort((a, b) => a - b)[Math.floor(OPENED / 2)];
      return [
        { id: 'pick.page.cold.ms', value: median((o) => o.coldMs), unit: 'ms', baseline: null, target: 1500 },
        { id: 'pick.page.change.ms', value: median((o) => o.changeMs), unit: 'ms', baseline: null, target: 300 },
        {
          id: 'pick.page.longestTask.ms',
          value: median((o) => o.longestTaskMs),
          unit: 'ms',
          baseline: null,
          target: 100,
        },
      ];
    });
  } finally {
    await browser.close();
  }
}

/** One cold opening; then another material, of which nothing is worked out yet. */
async function open(browser, address) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => {
    window.tasks = [];
    window.mapAt = null;
    new PerformanceObserver((list) => list.getEntries().forEach((e) => window.tasks.push(e))).observe({
      type: 'longtask',
      buffered: true,
    });
    new MutationObserver(() => {
      if (window.mapAt === null && document.querySelector('[role="application"]')) window.mapAt = performance.now();
    }).observe(document, { childList: true, subtree: true });
  });
  await page.goto(address);
  await page.waitForFunction(() => window.mapAt !== null);
  const coldMs = await page.evaluate(() => window.mapAt);
  await page.getByText(/^Plain answer:/).waitFor();
  const longestTaskMs = await page.evaluate(
    (from) => Math.max(0, ...window.tasks.filter((t) => t.startTime > from).map((t) => t.duration)),
    coldMs,
  );
  const changeMs = await page.evaluate(async () => {
    const select = document.querySelector('select[aria-label="Material"]');
    const from = performance.now();
    const before = document.querySelector('[role="application"]');
    Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(select, 'carbon');
    select.dispatchEvent(new Event('change', { bubbles: true }));
    while (before.isConnected) await new Promise((resolve) => requestAnimationFrame(resolve));
    while (!document.querySelector('[role="application"]'))
      await new Promise((resolve) => requestAnimationFrame(resolve));
    return performance.now() - from;
  });
  await page.close();
  return { coldMs, changeMs, longestTaskMs };
}
