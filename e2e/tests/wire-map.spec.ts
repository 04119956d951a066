/** The heat pump's substitute defrost board: its steps, and its wires moved one at a time by the map. */
import { found } from '../support/axe';
import { sideways } from '../support/sideways';
import { expect, kept, provenDead, test } from '../support/test';

test('steps with their cautions and wires old to new are ticked, and stay so over a reload', async ({
  page,
  newJob,
}) => {
  const id = await newJob('heatPump');
  await provenDead(page, id);
  await kept(page, id, 1, [
    [
      'decided',
      {
        endings: [{ kind: 'replace', part: 'defrost' }],
        leading: null,
        probability: 0.4,
        reason: 'Only a substitute is to be had.',
      },
    ],
  ]);
  await page.goto(`/jobs/${id}/mend`);
  const fitting = page.getByRole('region', { name: 'Fit a substitute defrost board' });
  await expect(fitting).toContainText('The other way round heats in summer');
  await fitting.getByRole('checkbox', { name: /Photograph the old board/ }).check();
  const red = fitting.getByRole('button', { name: 'old R to new 24V, red' });
  await red.click();
  await expect(fitting.getByText(/^1 of \d+ wires moved/)).toBeVisible();
  expect(await found(page, 'the wire map')).toEqual([]);
  await page.reload();
  await expect(red).toHaveAttribute('aria-pressed', 'true');
  await expect(fitting.getByRole('checkbox', { name: /Photograph the old board/ })).toBeChecked();
  const wires = fitting.getByRole('list', { name: 'Wires, old to new' }).getByRole('button');
  for (let i = 1; i < (await wires.count()); i += 1) await wires.nth(i).click();
  await expect(fitting.getByText('Every wire is moved.')).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await sideways(page, 'the wire map on a phone')).toEqual([]);
  await page.getByRole('button', { name: /^It is in/ }).click();
  await page.goto(`/jobs/${id}/prove`);
  const proving = page.getByRole('region', { name: 'Prove a defrost' });
  await expect(proving).toContainText('Watch coil temperature rises by 12');
  await proving.getByRole('checkbox', { name: 'Force a cycle.' }).check();
  expect(await found(page, 'proving by the sheet’s steps')).toEqual([]);
});
