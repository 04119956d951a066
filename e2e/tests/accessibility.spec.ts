/** axe on every screen, by day and by night, at tablet and phone size. */
import AxeBuilder from '@axe-core/playwright';
import { expect, press, proveDead, reading, test } from '../support/test';

const SIGNED = '01930000-0000-7000-8000-000000000034';

for (const [name, colorScheme, viewport] of [
  ['by day', 'light', { width: 1280, height: 800 }],
  ['by night', 'dark', { width: 1280, height: 800 }],
  ['on a phone', 'light', { width: 390, height: 844 }],
] as const) {
  test.describe(name, () => {
    test.use({ colorScheme, viewport });

    test('axe finds nothing on any screen', async ({ page, newJob }) => {
      test.setTimeout(300_000);
      await page.clock.install();
      const clean = async (where: string) => {
        const { violations } = await new AxeBuilder({ page }).analyze();
        const told = violations.map(
          (v) => `${where}: ${v.id} at ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`,
        );
        expect(told).toEqual([]);
      };
      const phone = viewport.width < 1024;
      await page.goto('/');
      await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
      await expect(page.getByText('Process chiller')).toBeVisible();
      await clean('Today');
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
      await clean('report');
      if (phone) return;
      await page.goto(`/jobs/${id}/safe`);
      await proveDead(page);
      await page.goto(`/jobs/${id}/measure?test=igbt-n`);
      await reading(page, '0.452');
      await reading(page, '0.1');
      await clean('measure with readings');
      await page.getByRole('tab', { name: /^Roll/ }).click();
      await clean('roll');
      await page.keyboard.press('Escape');
      await page.getByRole('heading', { level: 1 }).click();
      await page.keyboard.press('?');
      await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
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
      test.setTimeout(300_000);
      const clean = async (where: string) => {
        const { violations } = await new AxeBuilder({ page }).analyze();
        const told = violations.map(
          (v) => `${where}: ${v.id} at ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`,
        );
        expect(told).toEqual([]);
      };
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
        const items = page.getByRole('region', { name }).locator('button[aria-expanded]');
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
      await clean('Reckoner with its picture');
      await open('/meters', /Meters/);
      await page.getByRole('button', { name: /^Edit Clamp/ }).click();
      await clean('a meter');
      const id = await newJob();
      await page.goto(`/jobs/${id}/measure?test=rail-5`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      if (viewport.width < 1024) return;
      await page.getByRole('button', { name: /^Meter in hand/ }).click();
      await expect(page.getByRole('dialog').getByRole('button', { name: /^Clamp/ })).toBeVisible();
      await clean('which meter');
    });
  });
}
