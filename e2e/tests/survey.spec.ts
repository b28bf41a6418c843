import { analyteAmount } from '@katharos/core';
import { expect, type Page, test } from '../support/app.ts';
import { beginJob, enter, saved, field, goTo } from '../support/job.ts';

test('a reading keeps who took it, when and with what, and a meter’s scale turns conductivity into solids', async ({
  page,
}) => {
  await beginJob(page, 'Instruments');
  await page.getByRole('radiogroup', { name: 'Scale of the meter' }).getByText('442 0.7').click();
  await enter(page, 'Feed TDS', '500 us/cm');
  const tap = page.getByRole('region', { name: 'At the tap' });
  await expect(await field(page, 'Feed TDS')).toHaveValue('500 µS/cm (442, 0.7)');
  await expect(tap).toContainText('= 350 mg/L');
  await expect(tap).toContainText('500 µS/cm at 25 °C on this meter');
  await page.getByTitle('Feed TDS: by whom, when and with what').click();
  await page.getByRole('combobox', { name: 'Taken with' }).fill('Conductivity meter');
  await page.keyboard.press('Enter');
  await expect(tap).toContainText(/Wren Askeby · .* · Conductivity meter/);
  await enter(page, 'Feed TDS', '300 ppm');
  await expect(tap).toContainText('Conductivity meter');
  await saved(page);
  await page.reload();
  await expect(tap).toContainText('Conductivity meter');
});

test('a well is asked for its switch, and what is not asked stays open', async ({ page }) => {
  await beginJob(page, 'A well');
  await page.getByRole('radiogroup', { name: 'Source' }).getByText('Well').click();
  await goTo(page, 'Year');
  await expect(page.getByText('Cut-in of the well’s pressure switch.')).toBeVisible();
  await goTo(page, 'Sink');
  const sink = page.getByRole('region', { name: 'Under the sink' });
  await expect(sink).toContainText('0 of 21 taken');
  await (await field(page, 'Counter')).selectOption('granite');
  await enter(page, 'Cabinet width inside', '31 1/2 in');
  await expect(sink).toContainText('2 of 21 taken');
  await expect(await field(page, 'Cabinet width inside')).toHaveValue('31.5 in');
  await enter(page, 'Iron', '900 mg/L');
  await expect(await field(page, 'Iron')).toHaveAccessibleDescription(/differ by a thousand/);
  await enter(page, 'Iron', '900 µg/L');
  await saved(page);
  await page.reload();
  await expect(await field(page, 'Counter')).toHaveValue('granite');
  await expect(await field(page, 'Iron')).toHaveValue('900 µg/L');
});

const report = `Parameter;Result;Unit
Calcium;3,1;meq/L
Magnesium;12;mg/L
Sodium;18;mg/L
Bicarbonate;210;mg/L
Chloride;24;mg/L
Sulphate;30;mg/L
Nitrate;12;mg/L
pH;7,5;
TDS;290;mg/L
Lead;<1;µg/L
Manganese;0,03;furlong`;

test('a laboratory’s report is read, mended and taken into the survey, and undo takes it back', async ({
  page,
}) => {
  await beginJob(page, 'Laboratory');
  await enter(page, 'pH', '6.9');
  const panel = page.getByRole('region', { name: 'Laboratory report' });
  await panel.getByRole('button', { name: 'Read it' }).click();
  await expect(panel).toContainText('There is nothing to read yet.');
  await panel.getByLabel('Paste the report').fill(report);
  await panel.getByRole('button', { name: 'Read it' }).click();
  await expect(panel).toContainText('9 of 11 lines are taken');
  await expect(panel.getByTestId('line-2')).toContainText(
    `${analyteAmount('calcium', 3.1, 'meq/L')!.toFixed(1)} mg/L`,
  );
  await expect(panel.getByTestId('line-11')).toContainText('is kept with the report');
  await expect(panel.getByTestId('line-12')).toContainText('is not a unit of manganese');
  await expect(panel).toContainText('they agree within');
  await panel.getByLabel('Unit of Manganese').fill('mg/L');
  await panel.getByLabel('Unit of Manganese').press('Enter');
  await expect(panel).toContainText('10 of 11 lines are taken');
  await expect(panel).toContainText('replaces 6.9');
  await panel.getByRole('button', { name: 'Take 5 into the survey' }).click();
  await expect(await field(page, 'pH')).toHaveValue('7.5');
  await expect(await field(page, 'Feed TDS')).toHaveValue('290 mg/L');
  await goTo(page, 'Chemistry');
  await expect(panel).toContainText('All of it is in the survey');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(await field(page, 'pH')).toHaveValue('6.9');
  await saved(page);
  await page.reload();
  await expect(panel).toContainText('10 of 11 lines are taken');
});

/** A picture as a browser makes it: drawn on a canvas. */
async function drawnPicture(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    canvas.width = 640;
    canvas.height = 480;
    const brush = canvas.getContext('2d')!;
    brush.fillStyle = '#7a8b6a';
    brush.fillRect(0, 0, 640, 480);
    return canvas.toDataURL('image/png');
  });
  return Buffer.from(url.split(',')[1]!, 'base64');
}

test('photographs are added, captioned, taken away and brought back; what is no picture is said', async ({
  page,
}) => {
  await beginJob(page, 'Photographs');
  await goTo(page, 'Photographs');
  const panel = page.getByRole('region', { name: 'Photographs' });
  const files = page.getByLabel('Photograph files');
  const buffer = await drawnPicture(page);
  await files.setInputFiles({ name: 'trap.png', mimeType: 'image/png', buffer });
  await panel.getByRole('button', { name: 'Open: Cabinet' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Caption').fill('Trap from the left');
  await page.keyboard.press('Escape');
  await expect(panel).toContainText('Trap from the left');
  await panel.getByRole('button', { name: 'Open: Trap from the left' }).click();
  await dialog.getByRole('button', { name: 'Take it away' }).click();
  await expect(panel).not.toContainText('Trap from the left');
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(panel).toContainText('Trap from the left');
  await files.setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no') });
  await expect(panel.getByRole('alert')).toContainText('x.jpg holds no picture that can be read');
});

test('a day is drawn up, nudged by keys, dragged and typed, and makes the demand', async ({
  page,
}) => {
  await beginJob(page, 'A day');
  await goTo(page, 'Demand');
  const panel = page.getByRole('region', { name: 'Who lives here' });
  await panel.getByRole('button', { name: 'One person' }).click();
  await panel.getByRole('button', { name: 'Draw up an ordinary day' }).click();
  const pot = panel.getByRole('slider', { name: 'Pot' }).first();
  const before = Number(await pot.getAttribute('aria-valuenow'));
  await pot.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(pot).toHaveAttribute('aria-valuenow', String(before + 10));
  await panel.getByLabel('At').fill('12:30');
  await expect(pot).toHaveAttribute('aria-valuenow', '750');
  await panel.getByLabel('How much').fill('3');
  await panel.getByLabel('How much').press('Enter');
  await expect(pot).toHaveAttribute('aria-valuetext', /12:30, 3\.00 L/);
  const box = (await pot.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 120, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(pot).not.toHaveAttribute('aria-valuenow', '750');
  const count = await panel.getByRole('slider').count();
  await pot.focus();
  await page.keyboard.press('Delete');
  await expect(panel.getByRole('slider')).toHaveCount(count - 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByRole('slider')).toHaveCount(count);
  await panel.getByRole('button', { name: 'Back to the habits' }).click();
  await expect(panel.getByLabel('People')).toBeVisible();
});
