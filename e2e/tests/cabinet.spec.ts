import { expect, type Locator, type Page, test } from '../support/app.ts';
import { cabinet, enter, plumbedJob, plumbView, stage } from '../support/job.ts';

test('a cabinet that is too small says by how much and offers ways out; things are moved and collisions said', async ({
  page,
}) => {
  await plumbedJob(page, 'Fit', cabinet);
  await plumbView(page, 'Does it fit').click();
  const panel = page.getByRole('region', { name: 'Does it fit' });
  await expect(panel.getByTestId('fits')).toBeVisible();
  const tank = panel
    .getByRole('group', { name: 'Cabinet from the door' })
    .getByRole('button', { name: /^Tank/ });
  const before = await tank.getAttribute('aria-label');
  await tank.focus();
  for (let i = 0; i < 12; i += 1) await page.keyboard.press('ArrowRight');
  await expect(tank).not.toHaveAttribute('aria-label', before!);
  // In front of the unit, by the door: then it is not reached any more.
  await panel
    .getByRole('group', { name: 'Cabinet from above' })
    .getByRole('button', { name: /^Tank/ })
    .focus();
  for (const key of ['ArrowLeft', 'ArrowDown'])
    for (let i = 0; i < 18; i += 1) await page.keyboard.press(key);
  await expect(panel.getByRole('status')).toContainText(/meets/);
  await panel.getByRole('button', { name: 'As proposed' }).click();
  await panel.getByRole('button', { name: 'Add: bin' }).click();
  await panel.getByLabel('Bin wide').fill('62');
  await panel.getByLabel('Bin from the left').fill('10');
  await panel.getByLabel('Bin high').fill('60');
  await panel.getByLabel('Bin deep').fill('45');
  await panel.getByLabel('Bin deep').press('Enter');
  await expect(panel.getByRole('status')).toContainText(/No place for/);
  await panel.getByRole('button', { name: 'Take out: Bin' }).click();
  await expect(panel.getByTestId('fits')).toBeVisible();
  await stage(page, 'Survey').click();
  await enter(page, 'Cabinet width inside', '42 cm');
  await enter(page, 'Cabinet depth inside', '30 cm');
  await stage(page, 'Plumb').click();
  await plumbView(page, 'Does it fit').click();
  await expect(panel.getByRole('status')).toContainText(/No place for: .*Tank|No place for: Unit/);
  await expect(panel.getByRole('status')).toContainText('The unit in the cellar');
});

/** Takes a thing with the mouse and holds it after moving it, m; the drawing tells how many pixels that is. */
async function hold(page: Page, thing: Locator, scale: number, dx: number, dy: number) {
  const box = (await thing.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx * scale, y + dy * scale, { steps: 8 });
}

test('a tank is dragged with the mouse: it tells what it meets on the way, and is drawn to walls and neighbours', async ({
  page,
}) => {
  const wide = { ...cabinet, cabinetWidth: '120 cm' };
  await plumbedJob(page, 'Dragged', wide);
  await plumbView(page, 'Does it fit').click();
  const panel = page.getByRole('region', { name: 'Does it fit' });
  const drawing = panel.getByRole('group', { name: 'Cabinet from the door' });
  await drawing.scrollIntoViewIfNeeded();
  const scale = (await drawing.boundingBox())!.width / 1.2;
  const tank = drawing.getByRole('button', { name: /^Tank/ });
  const leftOf = async () =>
    Number(/\d+/.exec((await tank.getAttribute('aria-label'))!)![0]) / 1000;
  const proposed = await leftOf();

  // Over the trap, which hangs from 51 to 69 cm: it tells so while it is held, and nothing is kept before it is let go.
  await hold(page, tank, scale, 0.5 - proposed, -0.2);
  await expect(tank).toHaveAttribute('data-clash', 'true');
  expect(await leftOf()).toBe(proposed);
  await expect(panel.getByRole('status')).toHaveCount(0);
  await page.mouse.up();
  await expect(panel.getByRole('status')).toContainText('Tank meets Trap');
  await page.keyboard.press('Control+z');
  await expect(panel.getByTestId('fits')).toBeVisible();
  await expect(panel.getByRole('status')).toHaveCount(0);
  await expect(tank).toHaveAttribute('data-clash', 'false');

  // Let go two centimetres from the trap's edge it stands at it, and what touches does not collide.
  await hold(page, tank, scale, 0.71 - proposed, 0);
  await page.mouse.up();
  await expect(tank).toHaveAccessibleName('Tank, 690 mm from the left');
  // Pushed beyond the wall it stands at the wall.
  await hold(page, tank, scale, 0.9, 0);
  await page.mouse.up();
  const width = Number(await tank.locator('rect').last().getAttribute('width')) / 1000;
  expect(await leftOf()).toBeCloseTo(1.2 - width, 3);
  await page.keyboard.press('Control+z');
  await expect(tank).toHaveAccessibleName('Tank, 690 mm from the left');

  // A unit is hung on the side wall by a button, as on a phone, and back by its key.
  const unit = drawing.getByRole('button', { name: /^Unit/ });
  await unit.click();
  await panel.getByRole('button', { name: 'Unit: hang it on the side wall' }).click();
  await expect(panel.getByRole('button', { name: 'Unit: hang it on the back wall' })).toBeVisible();
  await unit.focus();
  await page.keyboard.press('r');
  await expect(panel.getByRole('button', { name: 'Unit: hang it on the side wall' })).toBeVisible();
  const above = panel.getByRole('group', { name: 'Cabinet from above' });
  await above.getByRole('button', { name: /^Unit/ }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(panel.getByRole('status')).toContainText('hangs off the wall that must carry it');
});

test('a tank in the next cupboard and a unit in the cellar: tubes, holes and the seconds a glass follow', async ({
  page,
}) => {
  await plumbedJob(page, 'Elsewhere', cabinet);
  await plumbView(page, 'Does it fit').click();
  const panel = page.getByRole('region', { name: 'Does it fit' });
  await panel.getByLabel('The tank stands').selectOption('in the next cupboard');
  const next = panel.getByRole('region', { name: 'The next cupboard' });
  await expect(next).toContainText('its tube passes a drilled panel');
  await next.getByLabel('Next cupboard, height').fill('12');
  await next.getByLabel('Next cupboard, height').blur();
  await expect(next.getByRole('status')).toContainText('does not go into this cupboard');
  await page.keyboard.press('Control+z');
  await expect(next).toContainText('its tube passes a drilled panel');
  await plumbView(page, 'Order of work').click();
  await expect(page.getByTestId('step-drill-panel')).toContainText('Hole to the next cupboard');
  await plumbView(page, 'Does it fit').click();
  await panel.getByLabel('The unit stands').selectOption('in the cellar or behind the wall');
  const way = panel.getByRole('table', { name: 'What the line does to the tap' });
  await panel.getByLabel('Length of each line, along its way').fill('9');
  await panel.getByLabel('Length of each line, along its way').blur();
  await expect(way.getByRole('row')).toHaveCount(4);
  await expect(panel).toContainText('still reckoned with another line');
  await expect(panel.getByTestId('drain-climb')).toContainText(/0\.[23]\d bar stand against/);
  const seconds = async (row: number) =>
    Number(
      (await way.getByRole('row').nth(row).getByRole('cell').nth(1).innerText()).split(' ')[0],
    );
  // Narrow is slower than wide, and either slower than the short line before.
  expect(await seconds(2)).toBeGreaterThan(await seconds(3));
  expect(await seconds(3)).toBeGreaterThan(0);
  expect(await seconds(2)).toBeGreaterThan(await seconds(1));
  await way.getByRole('row').nth(3).getByRole('button', { name: 'Reckon with it' }).click();
  await expect(way.getByRole('row').nth(3)).toContainText('in use');
  await plumbView(page, 'Tubes').click();
  const tap = page
    .getByRole('region', { name: 'Tubes' })
    .getByRole('row')
    .filter({ hasText: 'Post filter – Tap' });
  await expect(tap.getByRole('combobox')).toHaveValue('3/8"');
  await expect(tap).toContainText(/9[23]\d cm/);
  await plumbView(page, 'Order of work').click();
  await expect(page.getByTestId('step-drill-through')).toContainText('Through the floor, 3 lines');
});
