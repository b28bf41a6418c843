import { branchNames, placeName, workWords, readerOf } from '@katharos/words';
import { newJobDocument, plumbingOf } from '@katharos/job';
import { tankPressure, tapLineOf, worstDraw } from '@katharos/core';
import {
  besideThePhone,
  cabinet,
  fair,
  openWaterline,
  plumbedJob,
  plumbView,
  saved,
  seedJob,
  sizedByTheCore,
  sizeView,
  stage,
  type TypedDetails,
} from '../support/job.ts';
import { expect, type Page, test } from '../support/app.ts';

const reader = readerOf({ units: 'metric' });

/** Every step, tube and part that the core asks for stands on the sheet, in its order. */
async function checkSheet(page: Page, system: Parameters<typeof plumbingOf>[1]): Promise<void> {
  const { brief } = sizedByTheCore(fair);
  const { steps, tubes, parts } = plumbingOf(newJobDocument('x'), system, brief);
  const sheet = page.getByRole('article', { name: 'Job sheet' });
  const listed = sheet.getByRole('list', { name: 'Order of work' }).getByRole('listitem');
  await expect(listed).toHaveCount(steps.length);
  for (const [i, step] of steps.entries()) {
    const { title, instruction, proof } = workWords(step, reader);
    await expect(listed.nth(i)).toContainText(`${title}. ${instruction}`);
    await expect(listed.nth(i)).toContainText(proof);
  }
  const rows = sheet.getByRole('table', { name: 'Tubes' }).getByRole('row');
  for (const [i, tube] of tubes.entries()) {
    await expect(rows.nth(i + 1)).toContainText(`${placeName(tube.from)} – ${placeName(tube.to)}`);
    await expect(rows.nth(i + 1)).toContainText(`${Math.ceil(tube.cutM * 100)} cm`);
  }
  for (const { name } of parts) {
    await expect(sheet.getByRole('cell', { name, exact: true })).toBeVisible();
  }
  await expect(sheet.getByRole('img', { name: /^Hole plan/ })).toBeVisible();
}

test('the sheet of a tank unit, line by line', async ({ page }) => {
  const { design } = sizedByTheCore(fair);
  await plumbedJob(page, 'Sheet one');
  await saved(page);
  await page.getByRole('link', { name: 'Job sheet' }).click();
  await checkSheet(page, design);
  const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
  expect((await page.request.get(href!)).headers()['content-type']).toBe('application/pdf');
});

test('the sheet of a tankless unit, line by line', async ({ page }) => {
  const { recommendation } = sizedByTheCore(fair);
  const direct = recommendation.families.find(({ key }) => key === 'direct-flow')!.best.design;
  await seedJob(page, 'Sheet two', { chosen: direct, at: 'plumb' });
  await page.getByRole('link', { name: 'Job sheet' }).click();
  await checkSheet(page, direct);
});

test('steps are ticked, noted and moved as far as physics allows; a changed system asks again and loses no tick', async ({
  page,
}) => {
  await plumbedJob(page, 'Ticks');
  const step = (id: string) => page.getByTestId(`step-${id}`);
  await step('tank').getByRole('checkbox').check();
  await step('close-supply').getByRole('checkbox').check();
  await expect(page.locator('li[data-next=true] input[type=checkbox]')).toBeFocused();
  await expect(page.getByRole('status').filter({ hasText: /^Next: / })).toBeAttached();
  await expect(step('tank')).toContainText('Done by Wren Askeby');
  await step('lay-out').getByRole('button', { name: /^Note/ }).click();
  await step('lay-out').getByRole('textbox').fill('Bin moves to the left.');
  await step('lay-out').getByRole('textbox').blur();
  await expect(page.getByRole('button', { name: /^Earlier/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Change the order' }).click();
  await expect(step('relieve-pressure').getByRole('button', { name: /^Earlier/ })).toBeDisabled();
  await step('prove-spout')
    .getByRole('button', { name: /^Earlier/ })
    .click();
  await expect(page.getByRole('button', { name: 'Back to the usual order' })).toBeVisible();
  await stage(page, 'Size').click();
  await sizeView(page, 'Compose').click();
  await page.getByRole('combobox', { name: 'Tank' }).selectOption('gourd-20');
  await stage(page, 'Plumb').click();
  await expect(step('tank')).toContainText('do it again');
  await expect(step('tank').getByRole('checkbox')).not.toBeChecked();
  await expect(step('close-supply').getByRole('checkbox')).toBeChecked();
  await expect(page.getByText('The system changed after these were done')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(step('lay-out').getByRole('textbox')).toHaveValue('Bin moves to the left.');
});

test('a drain behind the trap is a deviation with its reason, and coils in the van are cut with the least waste', async ({
  page,
}) => {
  await plumbedJob(page, 'Connections', {}, { site: { counter: 'porcelain' } });
  await plumbView(page, 'Connections').click();
  await expect(page.getByRole('region', { name: 'Tap' })).toContainText(
    'A stone mason drills this',
  );
  const drain = page.getByRole('region', { name: 'Drain' });
  await drain.getByLabel('Place of the saddle').selectOption('after-trap');
  await expect(drain).toContainText('A deviation is recorded with its reason.');
  await drain.getByLabel('Reason for the deviation').fill('No straight part ahead of it.');
  await drain.getByLabel('Reason for the deviation').blur();
  await expect(drain).toContainText('no longer seals the sewer off');
  await plumbView(page, 'Tubes').click();
  await page.getByLabel('Colour: feed').selectOption('red');
  await expect(page.getByRole('region', { name: 'Tubes' }).getByRole('row').nth(1)).toContainText(
    'red',
  );
  await page.getByRole('button', { name: 'Add a coil' }).click();
  await expect(page.getByTestId('plan-quarter')).toContainText('the least possible');
  await plumbView(page, 'Order of work').click();
  await expect(page.getByTestId('step-drill-drain')).toContainText('sewer gas');
  await expect(page.getByTestId('step-tap-hole')).toContainText('a stone mason drills this');
});

test('tubes stand on the waterline by their numbers, dark when laid, and say how they end', async ({
  page,
}) => {
  await plumbedJob(page, 'On the line');
  const waterline = await openWaterline(page);
  const line = page.getByRole('group', { name: 'Waterline from street to glass' });
  const { design, brief } = sizedByTheCore(fair);
  const { tubes } = plumbingOf(newJobDocument('x'), design, brief);
  const badges = line.getByRole('button', { name: /^Tube / });
  // The list is read at once, so the line must have come to Plumb before.
  await expect(badges.first()).toBeVisible();
  const shown = (await badges.allTextContents()).flatMap((text) =>
    text.split(', ').flatMap((run) => {
      const [first, last = first] = run.split('–').map(Number);
      return Array.from({ length: last! - first! + 1 }, (_, i) => first! + i);
    }),
  );
  expect(shown.sort((a, b) => a - b)).toEqual(tubes.map(({ label }) => label));
  const last = tubes.at(-1)!;
  const badge = line.getByRole('button', { name: new RegExp(`^Tube ${last.label},`) });
  await expect(badge).toHaveAccessibleName(/0 of 1 laid/);
  await badge.click();
  await expect(waterline.getByRole('status')).toContainText(
    `${last.label}: ${placeName(last.from)} – ${placeName(last.to)}`,
  );
  await expect(waterline.getByRole('status')).toContainText('compression nut, sleeve and insert');
  await page.getByTestId(`step-tube:${last.id}`).getByRole('checkbox').check();
  await expect(badge).toHaveAccessibleName(/1 of 1 laid/);
  await expect(waterline.getByRole('status')).toContainText('laid by Wren Askeby');
  await stage(page, 'Size').click();
  await expect(badges).toHaveCount(0);
});

test('a photograph proves a step, and a done step folds and opens again', async ({ page }) => {
  await plumbedJob(page, 'Proof');
  const step = page.getByTestId('step-close-supply');
  await expect(step).toContainText('Proof:');
  const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 60, height: 40 } });
  await step.getByLabel('Photograph file: Close the cold supply').setInputFiles({
    name: 'valve.png',
    mimeType: 'image/png',
    buffer: picture,
  });
  await expect(step.getByRole('button', { name: /^Open: Work done/ })).toBeVisible();
  await step.getByRole('checkbox').check();
  await expect(step).not.toContainText('Proof:');
  await expect(step.getByRole('button', { name: /^Open: Work done/ })).toBeVisible();
  await step.getByRole('button', { name: /Close the cold supply/, expanded: false }).click();
  await expect(step).toContainText('Proof:');
  await saved(page);
  await page.reload();
  await step.getByRole('button', { name: /^Open: Work done/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Wren Askeby');
});

test('the van is counted, checked against a job, and gives its parts once', async ({ page }) => {
  await plumbedJob(page, 'Van');
  await saved(page);
  await plumbView(page, 'Parts').click();
  const parts = page.getByRole('region', { name: 'Parts' });
  const { design, brief } = sizedByTheCore(fair);
  const lines = plumbingOf(newJobDocument('x'), design, brief).parts;
  await expect(parts.getByRole('status')).toContainText(/To buy: \d+ of/);
  await parts.getByRole('link', { name: 'What the van holds' }).click();
  for (const line of lines) {
    await page.getByLabel('Find a part').fill(line.name);
    const field = page.getByLabel(`Held: ${line.name}`, { exact: true });
    await field.fill('50');
    await field.press('Enter');
    await expect(page.getByRole('row').filter({ has: field })).toContainText('before');
  }
  await page.getByLabel('Find a part').fill('no such part');
  await expect(page.getByText('No part has this in its name.')).toBeVisible();
  await page.goBack();
  await expect(parts.getByRole('status')).toContainText('The van holds all of it');
  await parts.getByRole('button', { name: 'Take it out of the van' }).click();
  await expect(parts.getByRole('status')).toContainText('Taken out of the van by Wren Askeby');
  const tank = parts.getByRole('row').filter({ hasText: design.tank!.name });
  await expect(tank).toContainText('1 taken');
  await parts.getByRole('button', { name: 'Put it back' }).click();
  await expect(tank).not.toContainText('taken');
  await expect(parts.getByRole('button', { name: 'Take it out of the van' })).toBeEnabled();
});

test('an air gap in the code brings its tap, three hoses and the wide saddle; the drawing is a file of its own', async ({
  page,
}) => {
  await plumbedJob(page, 'Gap', cabinet);
  await plumbView(page, 'Connections').click();
  const drain = page.getByRole('region', { name: 'Drain' });
  await drain.getByLabel('The drain line ends at').selectOption('Air-gap tap');
  await expect(drain.getByRole('status')).toContainText('has no air gap in it');
  await drain.getByRole('button', { name: /^Take the/ }).click();
  await expect(drain.getByRole('status')).toHaveCount(0);
  await expect(drain).toContainText('Air gap – Drain, 3/8"');
  await expect(page.getByRole('img', { name: /three hoses/ })).toBeVisible();
  await plumbView(page, 'Parts').click();
  await expect(page.getByRole('region', { name: 'Parts' })).toContainText('Drain saddle 3/8"');
  await plumbView(page, 'Does it fit').click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Drawing as SVG' }).click();
  const file = await (await download).createReadStream();
  let svg = '';
  for await (const chunk of file) svg += String(chunk);
  expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" width="88\.0mm"/);
});

test('branches see what the core reckons for the worst draw, and each says when its valve is opened', async ({
  page,
}) => {
  const lines: TypedDetails = { iceLine: '3 m', secondTapLine: '2 m' };
  await plumbedJob(page, 'Branches', lines);
  await plumbView(page, 'Connections').click();
  const panel = page.getByRole('region', { name: 'Branches' });
  const { brief, design, worst } = sizedByTheCore(fair, {}, lines);
  const half = tankPressure(design.tank!, worst.usableVolumeL / 2);
  const drawn = worstDraw(
    design.branches,
    tapLineOf(design),
    half,
    brief.task.waters.worst.temperatureC,
  );
  expect(drawn.map(({ branch }) => branch.kind)).toEqual(['ice-maker', 'second-tap']);
  for (const [i, { branch, aloneBar, worstBar }] of drawn.entries()) {
    const row = panel.getByRole('row').nth(i + 1);
    await expect(row).toContainText(branchNames[branch.kind]);
    await expect(row.getByRole('cell').nth(3)).toHaveText(
      reader.say('pressure', Math.max(aloneBar, 0)),
    );
    await expect(row.getByRole('cell').nth(4)).toHaveText(
      reader.say('pressure', Math.max(worstBar, 0)),
    );
  }
  await expect(panel).toContainText('The first two bins of ice are thrown away');
  await plumbView(page, 'Order of work').click();
  await expect(page.getByTestId('step-branch:ice-maker')).toContainText('Takes: Tee');
  await expect(page.getByTestId('step-branch:second-tap')).toContainText(design.tap.name);
});

test('the hole plan is in millimetres on the page as on paper', async ({ page }) => {
  const { design } = sizedByTheCore(fair);
  await plumbedJob(page, 'To scale', {}, { site: { counter: 'steel', drilling: 'yes' } });
  await page.getByRole('link', { name: 'Job sheet' }).click();
  const plan = page.getByRole('img', { name: /^Hole plan/ });
  await expect(plan).toHaveAccessibleName(new RegExp(`Tap ${design.tap.holeMm} mm`));
  await page.emulateMedia({ media: 'print' });
  const box = (await plan.boundingBox())!;
  // A CSS pixel is a 96th of an inch.
  expect((box.width * 25.4) / 96).toBeCloseTo(170, 1);
  expect((box.height * 25.4) / 96).toBeCloseTo(90, 1);
  await page.emulateMedia({ media: 'screen' });
  await expect(page.getByRole('table', { name: 'Parts' })).toContainText('To buy');
});

test('on a phone each tube is a block, each of its figures beside its name, and the view in use is in sight however the phone is held', async ({
  page,
}) => {
  await plumbedJob(page, 'Held upright');
  await plumbView(page, 'Tubes').click();
  const routes = page.getByLabel(/^Route from/);
  await expect(routes.first()).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(plumbView(page, 'Tubes')).toBeInViewport({ ratio: 1 });
  const [of, table] = [await routes.count(), page.getByRole('table', { name: 'Tubes' })];
  expect(of).toBeGreaterThan(5);
  expect(await besideThePhone(routes)).toEqual([]);
  // Whoever does not see it still hears a table.
  await expect(table.getByRole('row')).toHaveCount(of + 1);
  await expect(table.getByRole('columnheader', { name: 'Route' })).toBeAttached();
});

test('a dispenser stands free: no hole, its heater last, its tanks rinsed before', async ({
  page,
}) => {
  await plumbedJob(page, 'Dispenser');
  await stage(page, 'Size').click();
  await sizeView(page, 'Compose').click();
  await page.getByRole('combobox', { name: 'Tap' }).selectOption('plover-stand');
  await stage(page, 'Plumb').click();
  await expect(page.getByTestId('step-dispenser')).toContainText('Place the dispenser');
  await expect(page.getByTestId('step-tap-hole')).toHaveCount(0);
  await expect(page.getByTestId('step-power')).toContainText('its water scalds');
  await plumbView(page, 'Connections').click();
  await expect(page.getByRole('region', { name: 'Dispenser' })).toContainText(
    'no hole in the counter',
  );
  await stage(page, 'Flush').click();
  const steps = page.getByRole('list', { name: 'All steps' }).getByRole('listitem');
  await expect(steps.filter({ hasText: 'Switch the heater on' })).toBeVisible();
  const titles = await steps.allInnerTexts();
  const at = (title: string) => titles.findIndex((one) => one.includes(title));
  expect(at('Drain the tank')).toBeLessThan(at('Rinse the dispenser’s tanks'));
  expect(at('Rinse the dispenser’s tanks')).toBeLessThan(at('Switch the heater on'));
});
