import { readFileSync } from 'node:fs';
import type { JobFile } from '@katharos/job';
import { field, openJobs, stage } from '../support/job.ts';
import { expect, test, walkTo } from '../support/app.ts';

test('a job is saved as a file and opened again; a file that is none is refused with a sentence', async ({
  page,
}) => {
  await openJobs(page);
  await page
    .getByRole('link', { name: /Dunstan Eskdale-Moor/ })
    .first()
    .click();
  await stage(page, 'Keep').click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the job as a file' }).click();
  const file = await (await download).path();
  await walkTo(page, '/jobs');
  // Another name, so that the other tests still find their one Dunstan.
  const job = JSON.parse(readFileSync(file, 'utf8')) as JobFile;
  job.document.customer.name = 'Carried Over';
  await page.locator('input[type=file]').setInputFiles({
    name: 'notes.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"some": "notes"}'),
  });
  await expect(page.getByText(/This is not a job file/)).toBeVisible();
  await page.locator('input[type=file]').setInputFiles({
    name: 'job.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(job)),
  });
  await expect(page.getByRole('heading', { name: 'Survey', level: 2 })).toBeVisible();
  await expect(await field(page, 'Supply pressure')).toHaveValue('62 psi');
  await walkTo(page, '/jobs');
  await expect(page.getByRole('link', { name: /Carried Over/ })).toContainText('Handed over');
});
