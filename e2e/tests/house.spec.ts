import { readerOf } from '@katharos/words';
import {
  agedMembrane,
  liveSampledDays,
  meanDemand,
  supplyOf,
  usualHousehold,
} from '@katharos/core';
import {
  beginJob,
  enter,
  goTo,
  saved,
  sizedByTheCore,
  sizeView,
  stage,
  takeSurvey,
} from '../support/job.ts';
import { expect, test } from '../support/app.ts';

const reader = readerOf({ units: 'metric' });

test('who lives there makes the demand, and the days in the house are the core’s', async ({
  page,
}) => {
  const typed = { feedTds: '380', temperature: '13', pressure: '4.4' };
  const household = { ...usualHousehold, people: 3 };
  await beginJob(page, 'A house');
  await takeSurvey(page, typed);
  await goTo(page, 'Demand');
  const panel = page.getByRole('region', { name: 'Who lives here' });
  await panel.getByRole('button', { name: 'Couple' }).click();
  await expect(page.getByText('Still missing')).toHaveCount(0);
  await panel.getByLabel('People').fill('3');
  await panel.getByLabel('People').press('Enter');
  await expect(panel).toContainText(`Takes ${reader.say('dailyVolume', meanDemand(household))}`);
  await expect(page.getByLabel('Daily demand')).toHaveAttribute(
    'placeholder',
    `from who lives here: ${reader.say('dailyVolume', meanDemand(household))}`,
  );
  await saved(page);

  const { design, brief } = sizedByTheCore(typed, { household });
  const supply = supplyOf(design, brief.task.waters.worst, agedMembrane);
  if (!supply.ok) throw new Error(supply.failure.code);
  const lived = liveSampledDays(supply.value, household);
  await stage(page, 'Size').click();
  await sizeView(page, 'Days here').click();
  const day = page.getByRole('region', { name: 'A day in this house' });
  await expect(page.getByTestId('days-short')).toContainText(`${lived.disappointingDays}of 56`);
  await expect(page.getByTestId('days-short')).toContainText(
    reader.say('volume', lived.sampled.shortL),
  );
  await day.getByText('The hardest day as a table').click();
  await expect(day.getByRole('table').filter({ hasText: 'Waited' }).getByRole('row')).toHaveCount(
    lived.hardest.draws.length + 1,
  );
  await day.getByText('Today’s water').click();
  await expect(day).toContainText('In 56 sampled days');

  await stage(page, 'Survey').click();
  await goTo(page, 'Demand');
  await panel.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('Still missing')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByLabel('People')).toHaveValue('3');
});

test('the page says which reading would settle the pump, and taking it does', async ({ page }) => {
  await beginJob(page, 'Open questions');
  await takeSurvey(page, { feedTds: '220', temperature: '12', demand: '12' });
  const open = page.getByTestId('open-booster');
  await expect(open).toContainText(/The supply pressure would settle/);
  await stage(page, 'Size').click();
  const verdict = page.getByTestId('verdict');
  await expect(verdict).toContainText(
    'Sound if the usual holds for supply pressure, which was not read: ',
  );
  await stage(page, 'Survey').click();
  await enter(page, 'Supply pressure', '4.9');
  await enter(page, 'Lowest pressure', '4.6');
  await expect(open.getByText(/The supply pressure would settle/)).toHaveCount(0);
  await expect(page.getByText(/^The worst case makes/)).toBeVisible();
  await stage(page, 'Size').click();
  await expect(verdict).toContainText(/^Sound: \d/);
});
