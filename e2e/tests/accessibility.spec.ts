/** axe on every screen, by day and by night, on the wide screen and on the phone. */
import { CHILLER_HISTORY } from '../support/chiller-history';
import { faintByAxe, found } from '../support/axe';
import { faint } from '../support/faint';
import { cleaner, WIDE } from '../support/clean';
import { confirm, expect, press, proveDead, provenDead, reading, test } from '../support/test';

const SIGNED = '01930000-0000-7000-8000-000000000034';

test.describe('every screen', () => {
  test.use({ colorScheme: 'light', viewport: WIDE });

  test('axe finds nothing on any screen', async ({ page, newJob }) => {
    await page.clock.install();
    const clean = cleaner(page);
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
    await expect(page.getByText('Process chiller').first()).toBeVisible();
    await clean('Today', { coloured: true });
    await page.getByRole('button', { name: 'New visit' }).click();
    await expect(page.getByLabel('What the customer says')).toBeVisible();
    await clean('New visit');
    const id = await newJob();
    for (const stage of ['arrive', 'read', 'safe', 'measure', 'decide', 'sign']) {
      await page.goto(`/jobs/${id}/${stage}`);
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      await clean(stage);
    }
    await page.goto(`/jobs/${SIGNED}/sign`);
    await expect(page.getByRole('article', { name: 'Service report' })).toBeVisible();
    await clean('report', { coloured: true });
    await provenDead(page, id);
    await page.goto(`/jobs/${id}/measure?test=igbt-n`);
    await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
    await reading(page, '0.452');
    await reading(page, '0.1');
    await clean('measure with readings', { coloured: true });
    await page.getByRole('tab', { name: /^Roll/ }).click();
    await clean('roll');
    await page.keyboard.press('Escape');
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys and words' })).toBeVisible();
    await clean('keys');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog', { name: 'Find anything' })).toBeVisible();
    await clean('find');
    await page.keyboard.type('windings');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Compressor windings' })).toBeVisible();
    await press(page, 'a');
    await clean('windings');
  });

  test('axe finds nothing on sheets, meters and the Reckoner', async ({ page, newJob }) => {
    const clean = cleaner(page);
    const open = async (path: string, heading: RegExp) => {
      await page.goto(path);
      await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible();
      await clean(path);
    };
    await open('/sheets', /Service sheets/);
    await open('/sheets/norveda-nx3', /Norveda NX3/);
    await page.getByRole('button', { name: 'Compressor stuck' }).click();
    await clean('a fault of a sheet');
    await open('/sheets/tarumbe-uf440i/compare?from=1&to=2', /What changed/);
    await open('/sheets/lenharte-wf80/edit', /Editing/);
    for (const name of ['Boards', 'Tests', 'Sequences', 'Faults', 'As text']) {
      await page
        .getByRole('navigation', { name: 'Sections of the sheet' })
        .getByRole('button', { name })
        .click();
      const items = page
        .getByRole('region', { name })
        .locator('button[aria-expanded]:not([aria-haspopup])');
      if ((await items.count()) > 0) await items.first().click();
      await clean(`edit ${name}`);
    }
    await page.goto('/sheets/quick');
    await page
      .getByLabel('Paste the rows here')
      .fill('Connector\tPins\tExpected\nCN1\t1-2\t5 V\nCN1\t3\t5 V');
    await expect(page.getByText('1 problem')).toBeVisible();
    await clean('quick sheet');
    await open('/reckoner/saturation', /Saturation pressure/);
    await expect(page.locator('canvas')).toBeVisible();
    await clean('Reckoner with its picture', { coloured: true });
    await open('/meters', /Meters/);
    await page.getByRole('button', { name: /^Edit Clamp/ }).click();
    await clean('a meter');
    const id = await newJob();
    await page.goto(`/jobs/${id}/measure?test=rail-5`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.getByRole('button', { name: /^Meter in hand/ }).click();
    await expect(page.getByRole('dialog').getByRole('button', { name: /^Clamp/ })).toBeVisible();
    await clean('which meter');
  });

  test('axe finds nothing on what is found in full, a stored history, plans and the shop', async ({
    page,
    newJob,
  }) => {
    const clean = cleaner(page);
    const id = await newJob('chiller');
    await page.goto(`/jobs/${id}/history`);
    await page.getByLabel('Paste it as it is printed; any layout').fill(CHILLER_HISTORY);
    await expect(page.getByRole('button', { name: 'Keep these 6 entries' })).toBeVisible();
    await clean('a history to be kept');
    await page.getByRole('button', { name: 'Keep these 6 entries' }).click();
    await expect(page.getByRole('group', { name: 'Time line' })).toBeVisible();
    await clean('a stored history', { coloured: true });
    await page.goto(`/jobs/${id}/suspects`);
    await expect(page.getByRole('table')).toBeVisible();
    await clean('suspects in full', { coloured: true });
    await page.goto(`/jobs/${id}/decide`);
    await page.getByText('At what this would change').click();
    await expect(page.getByRole('list', { name: /hangs on$/ })).toBeVisible();
    await clean('plans', { coloured: true });
    await page.goto('/shop');
    await expect(page.getByLabel('An hour of work')).toBeVisible();
    await clean('the shop');
  });

  test('axe finds nothing on the door, hands, people, devices, keeping and the trail', async ({
    page,
    context,
  }) => {
    const clean = cleaner(page);
    await page.goto('/people');
    await expect(page.getByText('▲ Gas work, ended 2026-03-31')).toBeVisible();
    await page.getByRole('button', { name: 'Devices Davi Moura' }).click();
    await expect(page.getByRole('list', { name: 'Devices' })).toBeVisible();
    await clean('people');
    await page.getByRole('button', { name: 'Change Rute Sabiá' }).click();
    await page.getByRole('button', { name: 'Add a licence' }).click();
    await clean('a person changed');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Davi Moura is working; change hands' }).click();
    await page.getByText('Somebody else', { exact: true }).click();
    await clean('whose hands');
    await page.keyboard.press('Escape');
    await page.goto('/me');
    await expect(page.getByRole('list', { name: 'Devices' })).toBeVisible();
    await clean('one’s own');
    await page.goto('/keeping');
    await expect(page.getByRole('button', { name: 'Make one now' })).toBeVisible();
    await clean('keeping');
    await page.goto('/trail');
    await expect(page.getByRole('region', { name: 'Trail of who' })).toContainText('signed in');
    await clean('the trail');
    await context.clearCookies();
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Who is at the machine?' })).toBeVisible();
    await page.getByText('Somebody who is not made up').click();
    await clean('the door', { coloured: true });
  });

  test('axe finds nothing on customers, units and the week', async ({ page }) => {
    const clean = cleaner(page);
    const open = async (path: string, heading: string) => {
      await page.goto(path);
      await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible();
    };
    const dialog = page.getByRole('dialog');
    await open('/week', 'Week');
    await expect(page.getByRole('button', { name: /Process chiller/ }).first()).toBeVisible();
    await clean('week', { coloured: true });
    await page
      .getByRole('button', { name: /Process chiller/ })
      .first()
      .click();
    await expect(dialog).toBeVisible();
    await clean('a visit of the week');
    await open('/customers', 'Customers');
    await expect(page.getByText('Pousada do Lume')).toBeVisible();
    await clean('customers');
    await page.getByText('Pousada do Lume').click();
    await expect(page.getByRole('region', { name: /pool/ })).toBeVisible();
    await clean('a customer');
    await page.getByRole('button', { name: 'New unit' }).first().click();
    await clean('a new unit');
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: /^Boiler/ }).click();
    await expect(page.getByRole('heading', { name: 'Boiler' })).toBeVisible();
    await expect(page.getByRole('link', { name: /^Service sheet: Termalva/ })).toBeVisible();
    await clean('a unit');
    await page.getByRole('button', { name: 'Merge a double' }).click();
    await expect(dialog).toBeVisible();
    await clean('merging');
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Label' }).click();
    await expect(page.getByRole('img', { name: /^QR code/ })).toBeVisible();
    await clean('a label');
    await open('/customers/import', 'Bring in a list');
    await page.getByLabel('Paste the rows here').fill('Customer;Maker;Model;Unit\nA;B;C;D\n;B;C;D');
    await expect(page.getByText(/needs its customer/)).toBeVisible();
    await clean('a list');
  });

  test('axe finds nothing while making safe and measuring', async ({ page, newJob }) => {
    await page.clock.install();
    const clean = cleaner(page);
    const rooftop = await newJob('rooftop');
    const at = async (step: string, fresh = '05:00') => {
      await page.goto(`/jobs/${rooftop}/${step}`);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.clock.fastForward(fresh);
    };
    await at('measure?test=test-lamps', '00:01');
    await expect(page.getByLabel('Who stands in reach and can switch off?')).toBeVisible();
    await clean('live gate');
    await page.goto(`/jobs/${rooftop}/safe`);
    await expect(page.getByRole('heading', { name: 'Isolate and lock' })).toBeVisible();
    await clean('isolate');
    await confirm(page, 'Isolated and locked');
    await expect(page.getByRole('heading', { name: /^Prove the meter/ })).toBeVisible();
    await clean('the meter on a source');
    await proveDead(page, { mainsOnly: true });
    await clean('a pair under its cover');
    await press(page, 'a');
    const bus = async (volts: string) => {
      await page.getByLabel('Bus, V').fill(volts);
      const keep = page.getByRole('button', { name: /^Keep/ }).filter({ visible: true });
      await expect(keep).toBeEnabled();
      await page.getByLabel('Bus, V').press('Enter');
      // Kept: the field is empty, or the next step has come.
      await expect(page.locator(`input[value="${volts}"]`)).toHaveCount(0);
    };
    await bus('312');
    await page.clock.fastForward('00:40');
    await bus('190');
    await expect(page.getByRole('region', { name: 'Clocks' })).toBeVisible();
    await clean('the bus falling');
    await page.clock.fastForward('08:00');
    await bus('189.5');
    await expect(page.getByText('It does not fall as it should.')).toBeVisible();
    await page.keyboard.press('x');
    await expect(page.getByRole('dialog', { name: 'Stop here' })).toBeVisible();
    await clean('stop here');
    await page.keyboard.press('Escape');
    await proveDead(page, { store: '2.4' });
    await clean('dead and proven', { coloured: true });
    await at('measure?at=igbt%40U-P', '00:01');
    await page
      .getByRole('button', { name: /U, V, W off/ })
      .first()
      .click();
    await page.getByRole('textbox', { name: /^Reading/ }).fill('OL');
    await page.getByRole('textbox', { name: /^Reading/ }).press('Enter');
    await expect(page.getByRole('region', { name: 'Contact owed' })).toBeVisible();
    await clean('contact owed');
    await page.getByRole('button', { name: 'Contact is proven' }).click();
    await clean('how contact was proven');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Judge otherwise' }).click();
    await expect(page.getByRole('dialog', { name: 'Judge otherwise: why?' })).toBeVisible();
    await clean('judge otherwise');
    await page.keyboard.press('Escape');
    // Another placement: while contact is owed, the phone asks for it where the picture is taken.
    await page.goto(`/jobs/${rooftop}/measure?at=igbt%40N-V`);
    await page.getByRole('textbox', { name: /^Reading/ }).waitFor();
    for (const [open, dialog] of [
      ['Start a clock', 'Start a clock'],
      ['Spoken prompts: off', 'Spoken prompts'],
      ['Photo', 'Photograph'],
    ] as const) {
      await page.getByRole('button', { name: open, exact: true }).click();
      await expect(page.getByRole('dialog', { name: dialog })).toBeVisible();
      await clean(dialog);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
    const dryer = await newJob('dryer');
    await page.goto(`/jobs/${dryer}/measure?test=light`);
    await confirm(page, 'Precautions taken');
    await page.getByRole('button', { name: 'Connector', exact: true }).click();
    await expect(page.getByRole('img', { name: /seen from the pin side/ })).toBeVisible();
    await clean('a connector alone');
    const boiler = await newJob('boiler');
    await page.goto(`/jobs/${boiler}/measure?test=attempts`);
    await page
      .getByRole('button', { name: /^Begun/ })
      .first()
      .waitFor();
    for (let i = 0; i < 3; i += 1) {
      await page.getByRole('button', { name: /^Begun/ }).click();
      await expect(page.getByText(`${i + 1} of 3`)).toBeVisible();
    }
    await clean('attempts');
    await page.goto(`/jobs/${boiler}/measure?test=flame-current`);
    await confirm(page, 'Precautions taken');
    await expect(page.getByRole('region', { name: 'burning' })).toBeVisible();
    await clean('a state that is not entered');
    await page
      .getByRole('button', { name: /^Entered now/ })
      .first()
      .click();
    await page.getByRole('textbox', { name: 'burner rate in percent' }).fill('20');
    await page.getByLabel('Figure now').fill('3.1u');
    await page.getByLabel('Figure now').press('Enter');
    await expect(page.getByRole('img', { name: /^Track of/ })).toBeVisible();
    await clean('a track');
  });
});

test('what is too faint to read is found, where axe’s own rule finds it', async ({ page }) => {
  const box = (ground: string, words: string) => `<div style="background:${ground}">${words}</div>`;
  const line = (style: string, words: string) => `<p style="${style}">${words}</p>`;
  await page.setContent(`<main>
    ${line('color: #777', 'grey on white')}
    ${line('color: #767676', 'a darker grey')}
    ${line('color: #888; font-size: 24px', 'large')}
    ${line('color: #888; font-size: 19px; font-weight: 700', 'heavy')}
    ${line('color: #999; font-size: 24px', 'large and too faint')}
    ${line('color: oklch(0.7 0 0)', 'by another notation')}
    ${box('#222', line('color: #fff', 'white on dark') + line('color: #555', 'dark on dark'))}
    ${box('#222', box('#fff', line('color: #222', 'a light box in a dark one')))}
    ${box('rgb(0 0 0 / 0.5)', line('color: #000', 'on half a shadow') + line('color: #aaa', 'faint there'))}
    ${line('color: #000; opacity: 0.5', 'half away')}
    ${line('color: #000; opacity: 0.8', 'a little away')}
    ${line('color: #eee; display: none', 'not there')}
    <label>Field <input value="typed" style="color: #999; background: #fff" /></label>
    <button disabled style="color: #ccc; background: #fff">not to be pressed</button>
  </main>`);
  const theirs = await faintByAxe(page, 'a page');
  const ours = await faint(page, 'a page');
  const words = ours.map((each) => /“(.*?)”/.exec(each)?.[1]);
  expect(words).toEqual([
    ...['grey on white', 'large and too faint', 'by another notation', 'dark on dark'],
    ...['faint there', 'half away', 'typed'],
  ]);
  expect(theirs.join().split(',').length).toBe(ours.length);
});

for (const colorScheme of ['light', 'dark'] as const)
  test.describe(`${colorScheme}, small`, () => {
    test.use({ colorScheme, viewport: { width: 390, height: 844 } });

    test('the page of the API reads well', async ({ page }) => {
      await page.goto('/api/v1');
      await expect(page.getByRole('heading', { name: 'POST /jobs/{id}/entries' })).toBeVisible();
      await page.getByRole('link', { name: 'Job', exact: true }).first().click();
      const shape = page.locator('#shape-Job');
      await expect(shape.getByText('Job', { exact: true })).toBeInViewport();
      await shape.getByText('Job', { exact: true }).click();
      await expect(shape.getByText('"complaint"')).toBeVisible();
      expect(await found(page, 'the API')).toEqual([]);
      const sideways = await page.evaluate(
        () => document.documentElement.scrollWidth > document.documentElement.clientWidth,
      );
      expect(sideways).toBe(false);
    });
  });
