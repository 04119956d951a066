/** Figures worked out, units switched for all at once; meters written, and refused where they would not do. */
import { confirm, expect, opened, press, provenDead, reading, test } from '../support/test';
import { fetch } from '../support/signed-in';

const WALL_SPLIT = '01930000-0000-7000-8000-000000000129';
const PLASMA = '01930000-0000-7000-8000-000000000132';

async function jobOn(url: string, unitId: string): Promise<string> {
  const response = await fetch(`${url}/api/v1/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ unitId, complaint: 'test' }),
  });
  return ((await response.json()) as { id: string }).id;
}

test('superheat by the dew line, in kPa and °C or in psi and °F, with its uncertainty', async ({
  page,
}) => {
  await page.goto('/reckoner/superheat');
  const answer = page.getByRole('status', { name: 'Answer' });
  await expect(answer).toContainText('6.1\u2009K ±1.2');
  await page.getByRole('button', { name: 'psi' }).click();
  await page.getByRole('button', { name: '°F' }).click();
  await expect(page.getByLabel('Suction pressure, gauge', { exact: true })).toHaveValue('116.0302');
  await expect(page.getByLabel('Suction pipe', { exact: true })).toHaveValue('50');
  await expect(answer).toContainText('11.0\u2009°F ±2.2');
  await page.getByLabel('Suction pipe', { exact: true }).fill('68');
  await expect(answer).toContainText('29.0\u2009°F');
  await expect(
    page.getByRole('img', { name: /Superheat.* against Suction pressure/ }),
  ).toBeVisible();
  // The units hold on the next formula, the figures after a reload.
  await page.getByRole('link', { name: 'NTC: ohms from temperature' }).click();
  await expect(page.getByLabel('Temperature', { exact: true })).toHaveValue('39.2');
  await page.goto('/reckoner/superheat');
  await expect(page.getByLabel('Suction pipe', { exact: true })).toHaveValue('68');
});

test('nonsense and figures out of reach are said, and nothing typed is lost', async ({ page }) => {
  await page.goto('/reckoner/saturation');
  const field = page.getByLabel('Temperature', { exact: true });
  await field.fill('warm');
  await expect(page.getByText('“warm” is no figure yet.')).toBeVisible();
  await field.fill('90');
  await expect(page.getByText(/No answer: R-410A is answered for/)).toBeVisible();
  await field.fill('0');
  await expect(page.getByRole('status', { name: 'Answer' })).toContainText('Dew (vapour), gauge');
  await expect(field).toHaveValue('0');
});

test('a formula is found from anywhere', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('warranty');
  // What the records have comes later, below: what is there is not moved from under the finger.
  await expect(page.getByRole('group', { name: 'In the records' })).toBeVisible();
  const formula = page.getByRole('option').first();
  await expect(formula).toHaveText(/Warranty end/);
  await formula.click();
  await expect(page.getByRole('status', { name: 'Answer' })).toContainText('2026-03-14');
});

test('a meter is written, checked, taken in hand and removed', async ({ page }) => {
  await page.goto('/meters');
  await expect(page.getByText('✓ in hand when a job opens')).toBeVisible();
  await page.getByRole('button', { name: 'New meter' }).click();
  await page.getByLabel('name', { exact: true }).fill('Van meter');
  await page.getByLabel('volts', { exact: true }).fill('');
  await expect(page.getByRole('button', { name: 'Mend first, then save' })).toBeDisabled();
  await page.getByLabel('volts', { exact: true }).fill('600');
  await page.getByRole('button', { name: 'Save the meter' }).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Van meter' }).first();
  await expect(row).toContainText('CAT III, 600 V');
  await row.getByRole('button', { name: 'Edit Van meter' }).click();
  await page.getByRole('button', { name: 'Remove this meter' }).click();
  await expect(page.getByText('Van meter')).toBeHidden();
});

test('a meter that would not survive is refused with the way out; another is taken in hand', async ({
  page,
  jeitinho,
}) => {
  const id = await jobOn(jeitinho.url, WALL_SPLIT);
  await page.goto(`/jobs/${id}/measure?test=bus`);
  await opened(page);
  await page.getByRole('button', { name: /^Meter in hand/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Reference thermometer/ })
    .click();
  await page.getByRole('button', { name: /^Meter in hand/ }).click();
  await expect(
    page.getByRole('dialog').getByRole('button', { name: /^Pocket meter/ }),
  ).toContainText('not for live work on this unit');
  await page.keyboard.press('Escape');
  await confirm(page, 'Precautions taken');
  // The bench meter stays with the job and is the one that is used.
  await reading(page, '311');
  await expect(page.getByRole('status', { name: 'Verdict' }).first()).toContainText('In');
});

test('a function that no meter of the job has is refused before anything is typed', async ({
  page,
  jeitinho,
}) => {
  await page.clock.install();
  const id = await jobOn(jeitinho.url, '01930000-0000-7000-8000-000000000022');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=insulation`);
  await expect(
    page.getByRole('alert').filter({ hasText: 'with the electronics plugged in it ends them' }),
  ).toBeVisible();
  await press(page, 'a');
  await expect(page.getByRole('region', { name: 'Meter not fit' })).toContainText(
    'has no insulation function',
  );
  await page.getByRole('button', { name: 'Take another meter' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Insulation tester/ })
    .click();
  await expect(page.getByRole('region', { name: 'Meter not fit' })).toBeHidden();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
  await reading(page, '24M');
  await expect(page.getByRole('status', { name: 'Verdict' }).first()).toContainText('In');
});

test('a label’s figure, a group’s verdict and a series, on one old display', async ({
  page,
  jeitinho,
}) => {
  const id = await jobOn(jeitinho.url, PLASMA);
  await page.goto(`/jobs/${id}/measure?test=relay-on`);
  await confirm(page, 'Precautions taken');
  await confirm(page, 'Entered now');
  await reading(page, '4.9');
  await page.goto(`/jobs/${id}/measure?test=vs`);
  await expect(page.getByText('First: Vs printed on the set’s own sticker')).toBeVisible();
  await page.getByLabel(/First: Vs printed/).fill('205');
  await page.getByRole('button', { name: 'Keep', exact: true }).first().click();
  await expect(page.getByText('Vs printed on the set’s own sticker: 205')).toBeVisible();
  await reading(page, '195');
  await expect(page.getByRole('status', { name: 'Verdict' }).first()).toContainText('Out: low');
  // With and without the Y board.
  await page.goto(`/jobs/${id}/measure?test=vs-load`);
  await reading(page, '60');
  await reading(page, '204');
  await expect(page.getByRole('status', { name: 'Taken together' })).toContainText(
    'the Y board at S3 drags it down',
  );
  // Steady over ten seconds: figures stamped as they are kept.
  await page.clock.install();
  await page.goto(`/jobs/${id}/measure?test=standby-5`);
  await page
    .getByRole('button', { name: /^Entered now/ })
    .first()
    .click();
  const figure = page.getByLabel('Figure now');
  for (const volts of ['5.02', '5.31', '4.97', '5.05']) {
    await figure.fill(volts);
    await figure.press('Enter');
    await page.clock.fastForward('00:04');
  }
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('Out: unsteady');
  await expect(page.getByRole('img', { name: /^Track of 4 figures/ })).toBeVisible();
  await page.reload();
  await expect(page.getByText('4 figures. Each one is stamped')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this series' }).click();
  await expect(page.getByRole('status', { name: 'Verdict' })).toContainText(
    /4 figures in 1[2-4] s/,
  );
});
