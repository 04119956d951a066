/** What is worth most next: said beside the suspects, gone to by a press, and gone on by if one wants. */
import { found } from '../support/axe';
import { expect, kept, press, provenDead, reading, test, type Page } from '../support/test';

const box = (page: Page) => page.getByRole('region', { name: 'Worth most now' });
const title = (page: Page) => page.getByRole('heading', { level: 1 });

/** Proven dead, the igniter’s plug out, the mains test in hand. */
async function onMains(page: Page, id: string): Promise<void> {
  await provenDead(page, id);
  await kept(page, id, 1, [['access', { access: 'p2-off' }]]);
  await page.goto(`/jobs/${id}/measure?test=mains`);
}

test('the furnace: what is worth most, by its reason and its minutes, until measuring more is not worth it', async ({
  page,
  newJob,
}) => {
  await onMains(page, await newJob('furnace'));

  await test.step('said with its reason, and gone to by a press', async () => {
    await expect(box(page)).toContainText('Igniter, cold, 1 min');
    await expect(box(page)).toContainText('It tells “Igniter broken” from “Flame rod dirty”.');
    expect(await found(page, 'worth most')).toEqual([]);
    await box(page)
      .getByRole('link', { name: /^Igniter, cold/ })
      .click();
    await expect(title(page)).toHaveText('Igniter, cold');
  });

  await test.step('“Go on” goes by it, once that is chosen', async () => {
    await page.getByRole('button', { name: /^Plan: test/ }).click();
    const plan = page.getByRole('dialog', { name: 'The plan' });
    await expect(plan.getByRole('radio', { name: 'the sheet’s order' })).toBeChecked();
    await plan.getByRole('radio', { name: 'what is worth most' }).check();
    expect(await found(page, 'going on by worth')).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('textbox', { name: /^Reading/ }).focus();
    await page.keyboard.type('OL');
    await press(page, 'Enter');
    await page.keyboard.press('c');
    await press(page, '1');
    // Open at the plug: only the joint tells the igniter from its harness.
    await expect(page.getByText('worth most for its minutes')).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(title(page)).toHaveText('Igniter, from the midway joint');
  });

  await test.step('with one part to blame, measuring more is not worth it', async () => {
    await reading(page, '61');
    await expect(box(page)).toContainText('Measuring more is not worth it.');
    await expect(
      page.getByText('it would cost more than it could save', { exact: true }),
    ).toBeVisible();
    await box(page).getByRole('link', { name: 'Time to decide' }).click();
    await expect(page).toHaveURL(/\/decide$/);
  });
});

test('on a phone the drawer says it too, and closes behind whoever goes there', async ({
  page,
  newJob,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await newJob('television');
  await page.goto(`/jobs/${id}/measure?test=psu-fuse`);
  await page.getByRole('button', { name: /suspects/ }).click();
  const drawer = page.getByRole('dialog', { name: 'What could be wrong' });
  await drawer.getByRole('link', { name: /^Torch test/ }).click();
  await expect(title(page)).toHaveText('Torch test');
  await expect(drawer).toHaveCount(0);
});

test('one’s own way: a test wanted next, one not now, and another school; all kept over a reload', async ({
  page,
  newJob,
}) => {
  await onMains(page, await newJob('furnace'));

  await test.step('not now: the next best stands there, and the other in one line', async () => {
    await expect(box(page)).toContainText('Igniter, cold, 1 min');
    await box(page).getByRole('button', { name: 'Not now: Igniter, cold' }).click();
    await expect(box(page).getByRole('link', { name: /^Igniter, cold/ })).toHaveCount(0);
    await page.reload();
    await box(page).getByRole('button', { name: 'Take up again: Igniter, cold' }).click();
    await expect(box(page)).toContainText('Igniter, cold, 1 min');
  });

  const plan = page.getByRole('dialog', { name: 'The plan' });
  await test.step('wanted next: it goes before what is worth more, by the sheet’s order too', async () => {
    await page.getByRole('button', { name: /^Plan: test/ }).click();
    await plan.getByRole('button', { name: 'Flame rod lead next' }).click();
    expect(await found(page, 'the plan with its own ways')).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(box(page)).toContainText('You want it next');
    await expect(page.getByText('you want it next', { exact: true })).toBeVisible();
  });

  await test.step('by another school it says which', async () => {
    await page.getByRole('button', { name: /^Plan: test/ }).click();
    await plan.getByRole('button', { name: 'Flame rod lead next' }).click();
    await plan.getByRole('radio', { name: 'the quickest first' }).check();
    await page.keyboard.press('Escape');
    const quickest = page.getByRole('region', { name: 'Quickest now' });
    await expect(quickest).toContainText('Igniter, cold, 1 min');
    await expect(quickest).toContainText('Next best: Flame rod lead, 1 min');
  });
});
