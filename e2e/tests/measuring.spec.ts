/** Make safe and Measure on the demo's own units, by keyboard alone. */
import {
  bridgeDead,
  confirm,
  expect,
  press,
  proveDead,
  provenDead,
  reading,
  rollCount,
  test,
  type Page,
} from '../support/test';

test.use({ viewport: { width: 1280, height: 800 } });

/** Tabs to a control and presses Enter on it. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 80; i += 1) {
    await page.keyboard.press('Tab');
    const focused = await page.evaluate(() => {
      const element = document.activeElement as HTMLElement | null;
      return element?.getAttribute('aria-label') ?? element?.innerText ?? '';
    });
    if (name.test(focused)) return;
  }
  throw new Error(`no way by Tab to ${name}`);
}

async function find(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.keyboard.type(words);
  await page.keyboard.press('Enter');
}

const heading = (page: Page, name: string) =>
  expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
const verdict = (page: Page) => page.getByRole('status', { name: 'Verdict' });

test('the inn’s rooftop unit: LIVE to DEAD, the whole bridge, the insulation', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('rooftop');
  await page.goto(`/jobs/${id}/safe`);
  await heading(page, 'Prove it dead, pair by pair');

  await test.step('what stays charged, and who may do it', async () => {
    await expect(
      page.getByRole('row', { name: /Bus capacitors.*Inverter board.*620.*420.J/ }),
    ).toBeVisible();
    await tabTo(page, /We hold what this job needs/);
    await press(page, 'Enter');
    await expect(page.getByText('✓ held by Davi Moura')).toBeVisible();
    await page.getByRole('heading', { level: 1 }).click();
    await proveDead(page, { mainsOnly: true });
    // Under its cover until that is off.
    await press(page, 'a');
  });

  await test.step('two readings foretell when it may be unplugged and when measured', async () => {
    await page.clock.fastForward('02:00');
    await reading(page, '312');
    const falls = page.getByRole('region', { name: 'How it falls' });
    await expect(falls.getByText(/unplug below/)).toBeVisible();
    await page.clock.fastForward('00:40');
    await reading(page, '190');
    // τ = 40/ln(312/190) = 80.7 s: 60 V after 93 s, 24 V after 167 s.
    await expect(falls.getByRole('listitem').first()).toContainText(/1:[23]\d\s*unplug/);
    await expect(falls.getByRole('listitem').last()).toContainText(/2:4\d\s*work on it dead/);
    await expect(page.getByText('by your readings')).toBeVisible();
    await expect(page.getByRole('region', { name: 'Clocks' })).toContainText(
      'Wait: Bus and 1 more',
    );
    await proveDead(page, { store: '2.1' });
    await heading(page, 'Dead, and proven');
  });

  await test.step('the bridge: twelve readings, twelve Enters, one verdict', async () => {
    await find(page, 'Inverter transistors');
    await heading(page, 'Inverter transistors, twelve readings');
    await expect(page.getByRole('button', { name: /U, V, W off.*also for/ })).toBeVisible();
    await press(page, 'a');
    const figures = ['.452', '.449', '.455', '.45', '.447', '.453', 'o', 'o', 'o', 'o', 'o', 'o'];
    for (const figure of figures) await reading(page, figure);
    const together = page.getByRole('status', { name: 'Taken together' });
    await expect(together).toContainText(/: in/);
    await expect(together).toContainText('6 drops agree, 6 block.');
    await expect(page.getByRole('row').filter({ hasText: /In$/ })).toHaveCount(12);
  });

  await test.step('the insulation wants another meter, and then speaks', async () => {
    await find(page, 'Winding insulation');
    await heading(page, 'Winding insulation');
    await expect(page.getByRole('region', { name: 'Meter not fit' })).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog', { name: 'Which meter is in hand?' })).toBeVisible();
    await tabTo(page, /^Insulation tester/);
    await press(page, 'Enter');
    await reading(page, '220M');
    await expect(verdict(page)).toContainText('In');
  });
});

test('a shorted leg is told at the first reading; a lost contact accuses nothing', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  await bridgeDead(page, await newJob('rooftop'));

  await test.step('nothing there: the card stays, and asks for the contact', async () => {
    await reading(page, 'o');
    await expect(verdict(page)).toContainText('Open, or no contact');
    await expect(page.getByRole('region', { name: 'Contact owed' })).toBeVisible();
    await page.keyboard.press('c');
    await expect(page.getByRole('dialog', { name: 'How was contact proven?' })).toBeVisible();
    await press(page, '2');
    await expect(verdict(page)).toContainText('Out: open');
    await expect(verdict(page)).toContainText('Contact: scraped to bare metal.');
  });

  await test.step('repeat before you believe', async () => {
    await expect(page.getByRole('region', { name: 'Repeat before you believe' })).toBeVisible();
    await page.keyboard.press('r');
    await reading(page, '0.02');
    // Told while the probes move on; one key goes back to it.
    await expect(verdict(page)).toContainText('Point U upper: Out: shorted');
    await page.keyboard.press('r');
    await reading(page, '0.021');
    await expect(page.getByText('Read 2 times with the same result.')).toBeVisible();
    await expect(page.getByRole('status', { name: 'Taken together' })).toContainText(
      /Shorted at U-P.*Told after 1 of 12/,
    );
  });

  await test.step('overruled with a reason, and void with a reason', async () => {
    await page.keyboard.press('j');
    await expect(page.getByRole('dialog', { name: 'Judge otherwise: why?' })).toBeVisible();
    await page.keyboard.type('the snubber is across it');
    await press(page, 'Enter');
    await expect(
      page.getByText('overruled, taken as good: the snubber is across it'),
    ).toBeVisible();
    await page.keyboard.press('v');
    await tabTo(page, /^probe slipped/);
    await press(page, 'Enter');
    await expect(verdict(page)).toContainText('Void');
    await expect(verdict(page)).toContainText('Probe slipped');
  });
});

test('the dryer: before and after the flame, each against its own limits', async ({
  page,
  newJob,
}) => {
  const id = await newJob('dryer');
  await page.goto(`/jobs/${id}/measure?test=light`);
  await heading(page, 'Ignition, before and after');
  await confirm(page, 'Precautions taken');
  await press(page, 'a');
  await confirm(page, 'Entered now');
  const phase = page.getByRole('list', { name: 'Phases' }).locator('[aria-current="step"]');
  await expect(phase).toHaveText('before the sensor opens');
  await reading(page, '126');
  await reading(page, '0.2');
  await expect(phase).toHaveText('sensor open');
  await reading(page, '0.4');
  await reading(page, '98');
  for (const [point, limit] of [
    ['126', 'In'],
    ['98', 'In'],
  ] as const)
    await expect(
      page
        .getByRole('row')
        .filter({ hasText: `${point}` })
        .first(),
    ).toContainText(limit);
  await expect(page.getByRole('row').filter({ hasText: /In$/ })).toHaveCount(4);
  await expect(page.getByText('radiant sensor opens').first()).toBeVisible();
});

test('the boiler: the flame current as a track, kept through a dead battery', async ({
  page,
  context,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('boiler');
  await provenDead(page, id);
  await page.goto(`/jobs/${id}/measure?test=flame-current`);
  await heading(page, 'Flame current against burner rate');
  await press(page, 'a');
  await confirm(page, 'Precautions taken');

  const figure = async (rate: string, current: string) => {
    await page.keyboard.press('Shift+Tab');
    await page.keyboard.press('Control+a');
    await page.keyboard.type(rate);
    await page.keyboard.press('Tab');
    await page.keyboard.type(current);
    await page.keyboard.press('Enter');
  };
  const track = () => page.getByRole('img', { name: /^Track of/ });
  await expect(page.getByLabel('Figure now')).toBeFocused();
  for (const [rate, current] of [
    ['20', '3.1u'],
    ['40', '4.4u'],
    ['60', '6.2u'],
  ] as const) {
    await figure(rate, current);
    await page.clock.fastForward('00:08');
  }
  await expect(track()).toHaveAccessibleName(/Track of 3 figures over (1[6-9]|2\d) s: 3\.1.µA/);

  // The battery dies: the page is gone without a word.
  await page.close();
  const again = await context.newPage();
  await again.goto(`/jobs/${id}/measure?test=flame-current`);
  await expect(again.getByRole('img', { name: /^Track of 3 figures/ })).toBeVisible();
  await again.getByRole('textbox', { name: 'burner rate in percent' }).fill('80');
  await again.getByLabel('Figure now').fill('7.9u');
  await again.keyboard.press('Enter');
  await again.getByRole('textbox', { name: 'burner rate in percent' }).fill('100');
  await again.getByLabel('Figure now').fill('9.2u');
  await again.keyboard.press('Enter');
  await expect(verdict(again)).toContainText('In');
  const before = await rollCount(again);
  await tabTo(again, /^Keep this series/);
  await again.keyboard.press('Enter');
  await expect.poll(() => rollCount(again)).toBeGreaterThan(before);
  await expect(verdict(again)).toContainText('5 figures');
});
