/** When a reading counts, and work without a part, through whole stories in the real app. */
import { found } from '../support/axe';
import { confirm, expect, press, provenDead, reading, test, type Page } from '../support/test';

const heading = (page: Page, name: string | RegExp) =>
  expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
const verdict = (page: Page) => page.getByRole('status', { name: 'Verdict' });

test('0 V read without a call is void; the call entered with one press, the figure is asked again', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=mains-main`);
  await confirm(page, 'Precautions taken');
  await reading(page, '126');
  await page.goto(`/jobs/${id}/measure?test=mains-inv`);
  const wanted = page.getByRole('listitem').filter({ hasText: 'live, cooling demanded' });
  await expect(wanted).toContainText('(not entered)');
  await reading(page, '0');
  await expect(verdict(page)).toContainText(/Void.*“cooling demanded” was not entered/);
  await expect(page.getByText(/^0 findings|^1 finding/)).toHaveCount(0);
  // Enter does it, and the field is free for the figure again.
  await confirm(page, 'Entered now: take it again');
  await expect(wanted).toContainText('✓');
  await expect(page.getByRole('textbox', { name: /^Reading/ })).toHaveValue('');
  await reading(page, '127');
  await expect(verdict(page)).toContainText('In');
  // The void one stays in the report, and stays void.
  await page.getByRole('link', { name: /^Sign/ }).click();
  const rows = page.getByRole('row').filter({ hasText: 'Mains at the inverter' });
  await expect(rows.first()).toContainText('Repeated later');
  await expect(rows.last()).toContainText('In');
});

test('the plan shows every test with its state and verdict; it leads there with the keyboard', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=inv-fuse`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await reading(page, '9');
  await page.keyboard.press('e');
  const plan = page.getByRole('dialog', { name: 'The plan' });
  await expect(plan.getByRole('listitem')).toHaveCount(16);
  await expect(plan.getByRole('button', { name: /Inverter fuse F1/ })).toContainText('Waits');
  await expect(plan.getByRole('button', { name: /Compressor windings.*open/ })).toContainText(
    'open',
  );
  expect(await found(page, 'the plan')).toEqual([]);
  await plan.getByRole('button', { name: /Compressor windings.*open/ }).focus();
  await page.keyboard.press('Enter');
  await heading(page, 'Compressor windings');
});

test('a joint reseated: no part, and proven by what was bad', async ({ page, newJob }) => {
  const id = await newJob('chiller');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?at=${encodeURIComponent('link-ohms-2@2')}`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await press(page, 'a');
  await page.keyboard.press('l');
  await reading(page, '0.2');
  await reading(page, '85');
  await page.goto(`/jobs/${id}/measure?at=${encodeURIComponent('link-ohms-2@2')}`);
  await expect(verdict(page)).toContainText('Out: high');

  await page.getByRole('link', { name: /^Decide/ }).click();
  await heading(page, /driver 2 link|driver link/i);
  await page.getByRole('checkbox', { name: 'Replace: Driver link harness 2' }).uncheck();
  await page.getByRole('checkbox', { name: 'Reseated: Re-terminate link 2 at the hinge' }).check();
  expect(await found(page, 'Decide with a repair ticked')).toEqual([]);
  // A new harness is expected to cost less than a joint that may come back: who reseats it says why.
  await page.getByLabel(/Why this\?/).fill('No harness on the van.');
  await page.getByRole('button', { name: /^Decide: Reseated/ }).click();
  await heading(page, 'Mend it');
  expect(await found(page, 'Mend')).toEqual([]);
  await press(page, '1');
  await heading(page, 'All of it is done');
  await page.keyboard.press('Enter');
  await heading(page, 'Not proven yet');
  expect(await found(page, 'Prove')).toEqual([]);
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await expect(page.getByText('It is another machine now.')).toBeVisible();
  await reading(page, '0.4');
  await page.getByRole('link', { name: /^Prove/ }).click();
  await heading(page, 'The repair is proven');
  await page.getByRole('button', { name: /^To Sign/ }).click();
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(report.getByRole('heading', { name: /^Reseated:/ })).toBeVisible();
  await expect(report).toContainText(
    'Measured again and good: Driver link, wire by wire, circuit 2, 2.',
  );
  await expect(report).toContainText('After the work: ');
});

test('figures that contradict each other: a slip, or it comes and goes; of another thing: compared', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=supply-short`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await page.keyboard.type('2');
  await page.keyboard.press('Enter');
  // Not 2 kΩ: as typed.
  await press(page, '2');
  await page.keyboard.press('r');
  await reading(page, '1.3k');
  const asked = page.getByRole('region', { name: 'Two figures contradict each other' });
  await expect(asked).toContainText('A moment ago it read 2 Ω.');
  expect(await found(page, 'a contradiction')).toEqual([]);
  await press(page, 'i');
  await expect(asked).toHaveCount(0);
  await page.getByRole('link', { name: /^Decide/ }).click();
  await expect(page.getByText('It comes and goes:')).toBeVisible();

  await page.goto(`/jobs/${id}/measure?test=cab-sensor`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await page.getByRole('button', { name: 'of this machine' }).click();
  const which = page.getByRole('dialog', { name: 'Of which thing is the figure?' });
  await which.getByLabel('Which part').selectOption({ label: 'Cabinet sensor' });
  expect(await found(page, 'which specimen')).toEqual([]);
  await which.getByRole('button', { name: 'The new part, before fitting' }).click();
  await reading(page, '19k');
  await expect(page.getByRole('list', { name: 'Compared' })).toContainText(
    /The new part, before fitting, Cabinet sensor: 19.kΩ, out: high/,
  );
  // It is no evidence, and it is not fitted.
  await page.getByRole('link', { name: /^Decide/ }).click();
  await page.getByRole('checkbox', { name: 'Replace: Cabinet sensor' }).check();
  await page.getByRole('checkbox', { name: 'Replace: Main board' }).uncheck();
  await page.getByRole('textbox', { name: /why/i }).fill('as ordered');
  await page.getByRole('button', { name: /^Decide: Cabinet sensor/ }).click();
  await page.getByRole('button', { name: /^It is in/ }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'The new part reads bad itself' }),
  ).toBeVisible();
});

test('everything good and nothing seen: nothing found bad, and sound is an ending', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=supply-short`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await reading(page, '1.3k');
  await page.goto(`/jobs/${id}/measure?test=mains-main`);
  await confirm(page, 'Precautions taken');
  await reading(page, '126');
  await page.getByRole('link', { name: /^Decide/ }).click();
  await heading(page, 'Nothing found bad');
  await page.getByRole('button', { name: 'Not seen' }).click();
  await expect(page.getByText('was looked for, and not seen.')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Sound: nothing found bad' }).check();
  await page.getByRole('checkbox', { name: 'Released for the next stage' }).check();
  await page.getByLabel('For what is it released?').fill('the night’s run');
  expect(await found(page, 'endings')).toEqual([]);
  await page.getByRole('button', { name: 'Decide: all 2' }).click();
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(
    report.getByRole('heading', {
      name: 'Sound: nothing found bad; Released for the next stage, for the night’s run',
    }),
  ).toBeVisible();
});

test('continuity by ear, and a figure that falls while one looks', async ({ page, newJob }) => {
  const id = await newJob('dryer');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=door`);
  const field = page.getByRole('textbox', { name: /^Reading/ });
  await field.waitFor();
  await expect(page.getByText('This meter sounds below 40')).toBeVisible();
  expect(await found(page, 'continuity by ear')).toEqual([]);
  // Silence first: an absence, which still owes its contact.
  await page.keyboard.press('q');
  await expect(field).toHaveValue('silence');
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toContainText('Open, or no contact');
  await page.keyboard.press('r');
  await page.keyboard.press('y');
  await expect(field).toHaveValue('tone');
  await press(page, 'Enter');

  await page.goto(`/jobs/${id}/measure?test=sensor-cold`);
  await field.waitFor();
  await press(page, 'a');
  await press(page, 'a');
  await page.keyboard.type('2');
  await page.getByRole('button', { name: 'climbs to' }).click();
  await page.keyboard.type('0.4 5s');
  await expect(page.getByText(/understood: falls, 2.Ω to 0.4.Ω in 5 s/)).toBeVisible();
  await press(page, 'Enter');
  await page.goto(`/jobs/${id}/measure?at=${encodeURIComponent('sensor-cold')}`);
  await expect(verdict(page)).toContainText(/Read 0.4.Ω, from 2.Ω in 5 s/);
});
