import { expect, inDatabase, test } from '../support/app.ts';
import { addJob, openJobs } from '../support/job.ts';

// Ten thousand systems are nobody else's.
test.use({ ownFirm: 'large' });

test('a name is found among ten thousand systems while it is typed, and the list goes as far down as somebody looks', async ({
  page,
  app,
}) => {
  // One of the sample's, ten thousand times, each under a name, a street and a membrane's batch of its own.
  await inDatabase(
    app,
    `set session_replication_role = replica;
     insert into jobs (firm_id, id, number, version, name, address, phone, email, found_by, stage, finished, document, updated_by, updated_at)
       select firm_id, gen_random_uuid(), 100000 + n, 1, who, street, '', '',
         concat_ws(' ', who, street, 'batch ' || n), stage, finished,
         jsonb_set(document, '{customer}', jsonb_build_object('name', who, 'address', street, 'phone', '', 'email', '', 'note', '')),
         updated_by, now() - n * interval '1 minute'
       from (select * from jobs where finished order by number limit 1) one
         cross join lateral (
           select n, case n when 7123 then 'Philippa Quorn-Setterthwaite' else 'Household ' || to_char(n, 'FM00000') end as who,
             n || ' Long Reach' as street
           from generate_series(1, 10000) n) many`,
  );
  await openJobs(page);
  const list = page.getByRole('list', { name: 'Jobs' });
  const search = page.getByRole('searchbox');
  await search.pressSequentially('quorn set', { delay: 40 });
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expect(list).toContainText('Philippa Quorn-Setterthwaite');
  await list.getByRole('link').click();
  await expect(page.getByRole('heading', { name: /Philippa Quorn-Setterthwaite/ })).toBeVisible();

  await openJobs(page);
  await search.fill('batch 4321');
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expect(list).toContainText('Household 04321');
  await search.fill('nobody of this name');
  await expect(page.getByText('No job holds “nobody of this name”')).toBeVisible();

  await search.fill('Household');
  await expect(list).toContainText('Household 00001');
  const shown = await list.getByRole('listitem').count();
  // Their numbers have six digits, and keep to their column.
  const cut = await list.evaluate(
    (it) =>
      [...it.querySelectorAll('a > span:first-child')].filter(
        (number) => number.scrollWidth > number.clientWidth,
      ).length,
  );
  expect(cut).toBe(0);
  // Somebody else adds one just then, and the list is being fetched anew when more of it is wanted.
  let letGo = () => undefined as void;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/\/api\/jobs\?/, async (route) => {
    await held;
    await route.continue();
  });
  const anew = page.waitForRequest(/\/api\/jobs\?/);
  await addJob(page, 'Household beside');
  await anew;
  await page.getByRole('button', { name: /^Show more .* of more than 1000/ }).click();
  letGo();
  await expect(list.getByRole('listitem')).toHaveCount(2 * shown);
  const names = await list.getByRole('link').locator('strong').allTextContents();
  expect(new Set(names).size).toBe(2 * shown);
});
