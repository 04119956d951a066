/** The dairy's chiller: from its pasted history to the driver that is commanded and does not deliver. */
import { found } from '../support/axe';
import { CHILLER_HISTORY } from '../support/chiller-history';
import { cable, pullCable, standInPort } from '../support/serial';
import { expect, kept, test } from '../support/test';

test('the chiller: three circuits on one time line, what came first, and whom it makes suspect', async ({
  page,
  newJob,
}) => {
  const id = await newJob('chiller');
  await kept(page, id, 1, [['arrived', { plate: 'matches', note: '' }]]);
  await page.goto(`/jobs/${id}/read`);

  await test.step('said before anything resets it', async () => {
    await expect(page.getByText(/It keeps only 8 entries/)).toBeVisible();
    await page.getByRole('link', { name: 'Copy the stored history' }).click();
  });

  await test.step('pasted as it is printed, and read as it is', async () => {
    await page.getByLabel('Paste it as it is printed; any layout').fill(CHILLER_HISTORY);
    await expect(page.getByText('Read as columns: 6 entries, the newest on top.')).toBeVisible();
    await expect(page.getByLabel('Column 3, code')).toHaveValue('code');
    expect(await found(page, 'a history read')).toEqual([]);
    // What was guessed can be said otherwise, and back.
    await page.getByLabel('Column 3, code').selectOption('words');
    await expect(
      page.getByRole('button', { name: 'Say which column has the codes' }),
    ).toBeDisabled();
    await page.getByLabel('Column 3, code').selectOption('code');
    // Nothing typed is lost on a reload.
    await page.reload();
    await page.getByRole('button', { name: 'Keep these 6 entries' }).click();
  });

  await test.step('one time line: what came first, what followed, commanded against actual', async () => {
    const line = page.getByRole('group', { name: 'Time line' });
    await expect(line.getByRole('columnheader', { name: 'Circuit 2' })).toBeVisible();
    await expect(line.getByRole('cell', { name: /A12 Driver silent came first/ })).toHaveCount(2);
    await expect(line.getByRole('cell', { name: /A14 Driver current followed/ })).toBeVisible();
    await expect(line).toContainText('Commanded, and nothing follows');
    await expect(line).toContainText('it says nothing of today');
    expect(await found(page, 'the time line')).toEqual([]);
  });

  await test.step('the driver and its link lead, and it shows why', async () => {
    await page.getByRole('link', { name: 'Back to Read' }).click();
    await expect(page.getByRole('link', { name: 'Stored history, 6 entries' })).toBeVisible();
    await expect(page.getByRole('list', { name: /^Suspects/ })).toContainText('Driver 2');
    await page.goto(`/jobs/${id}/suspects`);
    await expect(
      page.getByRole('row', { name: /Code A12, Circuit 2, from the history/ }),
    ).toContainText(/(clearly|strongly) for/);
    // A consequence is no evidence.
    await expect(page.getByRole('row', { name: /A14/ })).toHaveCount(0);
  });
});

test('a history captured down the cable, line by line, until the cable is pulled', async ({
  page,
  newJob,
}) => {
  await standInPort(page);
  const id = await newJob('chiller');
  await page.goto(`/jobs/${id}/history`);
  await page.getByLabel('Speed of the port, baud').selectOption('19200');
  await page.getByRole('button', { name: 'Capture from the service port' }).click();
  await page.getByRole('button', { name: 'Stop capturing' }).waitFor();
  for (const piece of CHILLER_HISTORY.match(/[^]{1,60}/g) ?? []) await cable(page, piece);
  await expect(page.getByText('Read as columns: 6 entries, the newest on top.')).toBeVisible();
  await pullCable(page);
  await expect(page.getByText('The cable is out. What came until then stands here.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep these 6 entries' }).click();
  await expect(
    page.getByRole('heading', { name: /^6 entries, the service port at/ }),
  ).toBeVisible();
});
