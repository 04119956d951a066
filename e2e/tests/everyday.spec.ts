/** The side paths of a day: another plate, notes, a hand-over, withdrawing, night, no network. */
import {
  confirm,
  expect,
  opened,
  press,
  provenDead,
  reading,
  rollCount,
  sayLeft,
  test,
} from '../support/test';

const FRIDGE_JOB = '01930000-0000-7000-8000-000000000031';

test('a plate that differs is noted, and what is being typed survives a reload', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/arrive`);
  await page.getByRole('button', { name: 'It differs' }).click();
  await page.getByLabel('What does the plate say?').fill('UF-440i/2, 220 V');
  await page.getByLabel(/What changed lately/).fill('Storm on Saturday, then');
  await page.reload();
  await expect(page.getByLabel('What does the plate say?')).toHaveValue('UF-440i/2, 220 V');
  await expect(page.getByLabel(/What changed lately/)).toHaveValue('Storm on Saturday, then');
  await page.getByRole('button', { name: /^Note the difference/ }).click();
  await expect(page.getByText('The plate differs. UF-440i/2, 220 V')).toBeVisible();
  await page.getByLabel(/What changed lately/).fill('Storm on Saturday, then warm.');
  await page.getByLabel(/What changed lately/).press('Enter');
  await expect(
    page.getByRole('region', { name: 'Seen and heard' }).getByRole('listitem'),
  ).toContainText('Storm on Saturday, then warm.');
  await expect(page.getByLabel(/What changed lately/)).toHaveValue('');
});

test('an unknown code is kept as read and moves no suspect; no code is an answer too', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/read`);
  const first = page
    .getByRole('list', { name: /^Suspects/ })
    .getByRole('listitem')
    .first();
  const before = await first.innerText();
  await page.getByRole('textbox', { name: 'Code' }).fill('99');
  await expect(page.getByText('is not on this sheet.')).toBeVisible();
  await press(page, 'Enter');
  await expect(page.getByRole('region', { name: 'Code 99' })).toContainText('Not on this sheet');
  expect(await first.innerText()).toBe(before);
  await page.getByRole('button', { name: 'No code shown' }).click();
  await expect.poll(() => rollCount(page)).toBe(3);
});

test('where nothing is accused no part is proposed, and one that is chosen takes a reason', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/decide`);
  const headline = page.getByRole('heading', { level: 1 });
  await expect(headline).toHaveText('Nothing measured yet');
  const choose = page.getByRole('button', { name: /^Choose what to do/ });
  await expect(choose).toBeDisabled();
  await expect(page.getByRole('checkbox', { checked: true })).toHaveCount(0);
  const before = await opened(page);
  await page.keyboard.press('Enter');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=cab-sensor`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await page
    .getByRole('button', { name: /CN7 out/ })
    .first()
    .click();
  await expect(page.getByText(/✓ CN7 out/)).toBeVisible();
  await reading(page, '5.2k');
  await page.goto(`/jobs/${id}/decide`);
  await expect(headline).toHaveText('Nothing found bad');
  await expect(choose).toBeDisabled();
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await expect(page.getByText(/^Decided/)).toHaveCount(0);
  expect(await rollCount(page)).toBeGreaterThan(before);
  await page.getByRole('checkbox', { name: 'Replace: Compressor' }).check();
  await expect(page.getByRole('button', { name: 'Decide: Compressor' })).toBeDisabled();
  await page.getByLabel('No finding accuses it. Why this part?').fill('It screams.');
  await page.getByRole('button', { name: 'Decide: Compressor' }).click();
  await page.getByRole('link', { name: 'Sign', exact: true }).click();
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(report).toContainText('No finding accuses a part; reason given: It screams.');
});

test('another suspect than the first takes a reason, which the report prints', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=cab-sensor`);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await page
    .getByRole('button', { name: /CN7 out/ })
    .first()
    .click();
  await expect(page.getByText(/✓ CN7 out/)).toBeVisible();
  await reading(page, '9.8k');
  await page.goto(`/jobs/${id}/decide`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('cabinet sensor');
  await page.getByRole('checkbox', { name: 'Replace: Cabinet sensor' }).uncheck();
  await page.getByRole('checkbox', { name: 'Replace: Compressor' }).check();
  await expect(page.getByRole('button', { name: 'Decide: Compressor' })).toBeDisabled();
  await page.getByLabel('Why not cabinet sensor first?').fill('It screams like the last one did.');
  await page.getByRole('button', { name: 'Decide: Compressor' }).click();
  await page.getByRole('link', { name: 'Sign', exact: true }).click();
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(report).toContainText('Replace: Compressor');
  await expect(report).toContainText(
    'Not the first suspect; reason given: It screams like the last one did.',
  );
});

test('stopping and handing over is a result; a signed job can be opened again', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/decide`);
  await page.getByRole('checkbox', { name: 'Stop here and hand over' }).check();
  await expect(page.getByRole('button', { name: /^Decide: Stop here/ })).toBeDisabled();
  await page.getByLabel('To whom?').fill('Ana Reis, gas');
  await page.getByLabel('Why stop here?').fill('Smell of gas from next door.');
  await page.getByRole('button', { name: /^Decide: Stop here/ }).click();
  await sayLeft(page);
  await expect(page.getByRole('button', { name: 'Sign and close' })).toBeDisabled();
  await page.getByLabel('Technician').fill('Rui Prado');
  await page.getByRole('button', { name: 'Sign and close' }).click();
  await expect(page.getByText(/^Signed \d/)).toBeVisible();
  const report = page.getByRole('article', { name: 'Service report' });
  await expect(report).toContainText('Stop here and hand over, to Ana Reis, gas');
  await expect(report).toContainText('Rui Prado');

  await page.goto(`/jobs/${id}/arrive`);
  await page.getByRole('button', { name: /^Plate matches/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'This job is signed.' })).toBeVisible();
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await page.getByRole('button', { name: 'Withdraw: Signed by Rui Prado' }).click();
  const why = page.getByRole('dialog', { name: 'Withdraw the signature: why?' });
  await why.getByRole('button', { name: 'signed too early' }).click();
  await expect(page.getByText('Withdrew an entry: signed too early')).toBeVisible();
  await page.getByRole('button', { name: /^Plate matches/ }).click();
  // One press: it goes on by itself.
  await expect(page.getByRole('heading', { name: 'What does the display show?' })).toBeVisible();
  await page.getByRole('link', { name: /^Arrive/ }).click();
  await expect(page.getByText('✓ The plate on the unit matches.')).toBeVisible();
});

test('withdrawing a pair’s reading in the roll takes the proof of dead away', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob();
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/safe`);
  await page.getByRole('tab', { name: /^Roll/ }).click();
  await page.getByRole('button', { name: /^Withdraw: Bus on DC volts: 2\.8/ }).click();
  await expect(page.getByRole('status', { name: /^Energy state: NOT PROVEN/ })).toBeVisible();
  await page.goto(`/jobs/${id}/measure?test=inv-fuse`);
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: 'Dead is not proven, 3 of 4 pairs. Next: Bus on DC volts, below' }),
  ).toBeVisible();
});

test('a live test as found asks for the precautions once, and not again', async ({
  page,
  newJob,
}) => {
  const id = await newJob();
  await page.goto(`/jobs/${id}/measure?test=mains-main`);
  await expect(page.getByText('One hand, insulated probes, nothing metal worn.')).toBeVisible();
  await confirm(page, 'Precautions taken');
  await reading(page, '0');
  // Nothing there accuses only once the contact is proven.
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Nothing there');
  await page.keyboard.press('c');
  await press(page, '4');
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Out: nothing there');
  await page.goto(`/jobs/${id}/measure?test=rail-5`);
  await expect(page.getByRole('textbox', { name: /^Reading/ })).toBeVisible();
  await reading(page, '-0.1');
  // Its supply failed: neither pass nor fail.
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText(
    'Void“Mains at the main board” failed, and feeds this.',
  );
});

test('day and night are kept, and follow the system until somebody chooses', async ({ page }) => {
  const theme = () => page.evaluate(() => document.documentElement.dataset.theme);
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/');
  expect(await theme()).toBe('night');
  await page.getByRole('button', { name: /^Light: by system/ }).click();
  expect(await theme()).toBe('day');
  await page.reload();
  expect(await theme()).toBe('day');
});

test.describe('with the service worker', () => {
  test.use({ serviceWorkers: 'allow' });

  test('after Today was open once, a visit that was never opened is there without network', async ({
    page,
    context,
  }) => {
    await page.goto('/');
    await expect(page.getByRole('region', { name: 'Next visit' })).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready);
    const kept = () =>
      page.evaluate(
        () =>
          new Promise<number>((done) => {
            const asking = indexedDB.open('jeitinho');
            asking.onsuccess = () => {
              const count = asking.result.transaction('jobs').objectStore('jobs').count();
              count.onsuccess = () => done(count.result);
            };
          }),
      );
    // All of the week: the demo has fifteen open visits.
    await expect.poll(kept).toBeGreaterThan(12);
    await context.setOffline(true);
    await page.getByRole('link', { name: /^Start this visit/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Circuit 2 down');
    await expect(page.getByText(/^all kept here, away/).filter({ visible: true })).toBeVisible();
    await press(page, 'Enter');
    await expect(page.getByRole('heading', { name: 'What does the display show?' })).toBeVisible();
    await page.goto('/');
    await expect(page.getByText(/^Kept on this device: /)).toBeVisible();
    await context.setOffline(false);
  });

  test('after one visit the app opens without network, with what was last seen', async ({
    page,
    context,
  }) => {
    await page.goto('/');
    await expect(page.getByText('Process chiller').first()).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.goto(`/jobs/${FRIDGE_JOB}/arrive`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await opened(page);
    await context.setOffline(true);
    await page.goto('/');
    await expect(page.getByText('Process chiller').first()).toBeVisible();
    await page.goto(`/jobs/${FRIDGE_JOB}/arrive`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Warm inside');
    await press(page, 'Enter');
    await expect(
      page.getByText('kept here, 1 to send', { exact: true }).filter({ visible: true }),
    ).toBeVisible();
    await context.setOffline(false);
    await expect(
      page.getByText('all kept', { exact: true }).filter({ visible: true }),
    ).toBeVisible();
  });
});
