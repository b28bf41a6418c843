import { readFileSync } from 'node:fs';
import { flushWords, readerOf } from '@katharos/words';
import type { Job } from '@katharos/contract';
import { flushOf, newJobDocument, plumbingOf, testInstrumentsFor } from '@katharos/job';
import { expectedReadings, verdict } from '@katharos/core';
import {
  beginJobByHand,
  enter,
  field,
  plumbView,
  saved,
  sizedByTheCore,
  sizeView,
  stage,
  written,
} from '../support/job.ts';
import { endStep } from '../support/flush.ts';
import { expect, test, walkTo } from '../support/app.ts';

const readings = {
  feedTds: '510 ppm',
  temperature: '12 C',
  pressure: '52 psi',
  demand: '13 L',
  coldest: '5',
  hardness: '12 dH',
  alkalinity: '180 ppm',
  pH: '7.3',
} as const;
const labels: Record<keyof typeof readings, string> = {
  feedTds: 'Feed TDS',
  temperature: 'Water temperature',
  pressure: 'Supply pressure',
  demand: 'Daily demand',
  coldest: 'Coldest water of the year',
  hardness: 'Hardness',
  alkalinity: 'Alkalinity',
  pH: 'pH',
};
const reader = readerOf({ units: 'metric' });

test('one job from the first reading to the certificate, every number as the core has it', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const { design, today, worst, recommendation, brief } = sizedByTheCore(readings);
  const address = await beginJobByHand(page, 'Wilmot Sarn');

  await test.step('survey', async () => {
    await expect(page.getByText('Nothing is measured yet')).toBeVisible();
    for (const [key, text] of Object.entries(readings)) {
      await enter(page, labels[key as keyof typeof readings], text);
    }
    await expect(page.getByText('Still missing')).toHaveCount(0);
    await expect(await field(page, 'Supply pressure')).toHaveValue('52 psi');
    await saved(page);
    await page.getByRole('link', { name: 'See the size' }).click();
  });

  await test.step('size', async () => {
    await expect(page.getByRole('heading', { name: 'Proposed system' })).toBeVisible();
    await sizeView(page, 'Compare').click();
    await expect(page.getByText(`${recommendation.considered} combinations`)).toBeVisible();
    await sizeView(page, 'Decisions').click();
    const figure = (id: string) => page.getByTestId(id).locator('.figure-value');
    await expect(figure('production')).toHaveText(written('dailyVolume', today.productionLPerDay));
    await expect(figure('worst')).toHaveText(written('dailyVolume', worst.productionLPerDay));
    await expect(figure('product-tds')).toHaveText(written('tds', today.productTdsMgL));
    await expect(figure('rejection')).toHaveText(`${reader.number(today.rejection * 100, 1)}%`);
    if (!today.fill?.shutsOff) throw new Error('this water was chosen for a tank that fills');
    await expect(figure('fill-time')).toHaveText(reader.minutes(today.fill.fillTimeMin));
    await expect(figure('drain')).toContainText(reader.number(today.drainLPerProductL, 1));
    await expect(figure('shut-off')).toHaveText(
      `at ${reader.say('pressure', today.fill.shutoffPressureBar)}`,
    );
    for (const topic of ['booster', 'minerals', 'shut-off', 'regulator', 'scaling']) {
      await expect(page.getByTestId(`decision-${topic}`)).toBeVisible();
    }
    await page.getByRole('button', { name: 'Product TDS' }).click();
    await expect(page.getByText('Before any mineral cartridge.')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Use this system' }).click();
  });

  const empty = newJobDocument('x');
  await test.step('plumb', async () => {
    await expect(page.getByRole('heading', { name: 'Plumb', level: 2 })).toBeVisible();
    const { parts: lines, tubes } = plumbingOf(empty, design, brief);
    await plumbView(page, 'Parts').click();
    const parts = page.getByRole('region', { name: 'Parts' });
    for (const line of lines) {
      await expect(parts.getByRole('checkbox', { name: line.name, exact: true })).toBeVisible();
    }
    const total = lines.reduce((sum, line) => sum + (line.price ?? 0), 0);
    await expect(parts).toContainText(`€${total.toFixed(2)}`);
    await parts.getByRole('checkbox', { name: lines[0]!.name, exact: true }).check();
    await expect(parts).toContainText(`Loaded: 1 of ${lines.length}`);
    await plumbView(page, 'Tubes').click();
    await expect(page.getByRole('region', { name: 'Tubes' })).toContainText(
      `${Math.ceil(tubes[0]!.cutM * 100)} cm`,
    );
    await page.getByRole('button', { name: 'Plumbed in: flush' }).click();
  });

  await test.step('flush, with a timer that survives a reload', async () => {
    const plan = flushOf(empty, design, brief, plumbingOf(empty, design, brief));
    if (!plan.ok) throw new Error(plan.failure.code);
    const steps = plan.value;
    const card = page.getByRole('region', { name: 'This step' });
    let reloaded = false;
    for (const [i, step] of steps.entries()) {
      await expect(card.getByText(`Step ${i + 1} of ${steps.length}`)).toBeVisible();
      const { title } = flushWords(step, reader);
      await expect(card.getByRole('heading', { name: title, exact: true })).toBeVisible();
      if (step.minutes !== null) {
        await expect(card.getByText(`Takes ${reader.minutes(step.minutes)}`)).toBeVisible();
        await card.getByRole('button', { name: 'Start the timer' }).click();
        const ready = card.getByText(/^Ready at/);
        await expect(ready).toBeVisible();
        if (!reloaded) {
          const promised = await ready.textContent();
          await saved(page);
          await page.reload();
          await expect(ready).toHaveText(promised!);
          reloaded = true;
        }
        if (step.id === 'tank-fill-1') {
          const times = page.getByRole('region', { name: 'Times' });
          await expect(times).toContainText('Nobody has to stay: come back at');
          const saving = page.waitForEvent('download');
          await times.getByRole('button', { name: 'Times as a calendar file' }).click();
          const calendar = readFileSync(await (await saving).path(), 'utf8');
          // Each draining is the household's; what comes behind them is one visit.
          const drainings = steps.filter(({ code }) => code === 'tank-drain').length;
          expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(drainings + 1);
        }
      }
      await endStep(page);
      // The keyboard, and whoever listens, goes on with the next step.
      if (i + 1 < steps.length) await expect(card.getByRole('heading', { level: 3 })).toBeFocused();
    }
    expect(reloaded).toBe(true);
    await page.getByRole('link', { name: 'Take the readings' }).click();
  });

  const water = brief.task.waters.today;
  const model = expectedReadings(design, water);
  if (!model.ok) throw new Error(model.failure.code);
  const taken = {
    feedTdsMgL: 510,
    productTdsMgL: Math.round(model.value.permeateTdsMgL),
    temperatureC: 12,
    pressureBar: 3.6,
  };

  await test.step('verify', async () => {
    await expect(page.getByText('No verdict yet')).toBeVisible();
    await enter(page, 'Feed TDS', '510');
    await enter(page, 'Product TDS', String(taken.productTdsMgL));
    await enter(page, 'Water temperature', '12');
    await enter(page, 'Supply pressure', '3.6');
    // The firm's own instruments were named by the first readings: the band is theirs.
    await saved(page);
    const { document } = (await (await page.request.get(`/api${address}`)).json()) as Job;
    const judged = verdict(design, taken, testInstrumentsFor(document.verify));
    if (!judged.ok) throw new Error(judged.failure.code);
    const rejection = page.getByTestId('measured-rejection');
    await expect(rejection.locator('.figure-value')).toHaveText(
      `${reader.number(judged.value.rejection.measured * 100, 1)}%`,
    );
    await expect(rejection).toContainText(
      `expected ${reader.percent(judged.value.rejection.expected, 1)} ± ${reader.number(judged.value.rejection.band * 100, 1)}`,
    );
    // Nobody vouches for what was not checked.
    await expect(page.getByRole('region', { name: 'Verdict' }).getByRole('status')).toContainText(
      /Record of readings.*Not yet checked/s,
    );
    await page.getByText('Stops', { exact: true }).click();
    for (const look of await page.getByRole('radiogroup', { name: /^Leak check/ }).all())
      await look.getByText('Dry', { exact: true }).click();
    await page.getByRole('link', { name: 'Go on to the certificate' }).click();
  });

  await test.step('keep', async () => {
    const sheet = page.getByRole('article', { name: 'Certificate' });
    await expect(sheet).toContainText('Wilmot Sarn');
    await expect(sheet).toContainText(reader.entered('pressure', { value: 3.6, unit: 'bar' }));
    await expect(sheet).toContainText(design.membrane.name);
    await expect(sheet).toContainText('A TDS meter checks the membrane, not the safety');
    await page.getByRole('button', { name: 'Issue and hand over' }).click();
    const dialog = page.getByRole('dialog', { name: 'Issue the certificate' });
    await dialog.getByRole('button', { name: /^Issue/ }).click();
    await expect(page.getByText('Handed over')).toBeVisible();
    await expect(sheet).toContainText('Version 1');
    await saved(page);
    const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
    const pdf = await page.request.get(href!);
    expect(pdf.headers()['content-type']).toContain('application/pdf');
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    await page.getByRole('link', { name: 'Print page' }).click();
    await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
    await expect(sheet).toContainText('Wilmot Sarn');
  });

  await test.step('and the list knows it is done', async () => {
    await walkTo(page, '/jobs');
    await page.getByRole('searchbox').fill('sarn');
    const row = page.getByRole('link', { name: /Wilmot Sarn/ });
    await expect(row).toContainText('Handed over');
    await row.click();
    await expect(page).toHaveURL(`${address}/keep`);
    await expect(stage(page, 'Keep')).toHaveAttribute('aria-current', 'page');
  });
});
