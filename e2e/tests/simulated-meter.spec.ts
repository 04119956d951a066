/** The simulated meter and machine: a whole job without a typed reading, and what can go wrong on it. */
import { found } from '../support/axe';
import { cable as feed, pullCable, standInPort } from '../support/serial';
import {
  confirm,
  expect,
  opened,
  press,
  proveBySheet,
  rollCount,
  sayLeft,
  test,
  type Page,
} from '../support/test';

/** Drawn by this seed on the café's fridge: a shorted winding in the compressor. */
const WINDING = 24;

const meter = (page: Page) => page.getByRole('region', { name: 'Connected meter' });
const digits = (page: Page) => page.getByRole('status', { name: 'The meter shows' });
const heading = (page: Page, name: string | RegExp) =>
  expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();

async function connect(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Connect a meter' }).click();
  await page.getByRole('button', { name: 'Simulated meter and machine' }).click();
  await expect(meter(page)).toBeVisible();
}

/** Every pair, with every figure off the simulated meter: leads down, dial over, Enter. */
async function proveDeadWithMeter(page: Page): Promise<void> {
  await confirm(page, 'Isolated and locked');
  const card = page.getByRole('main').getByRole('heading', { level: 2 });
  for (let i = 0; i < 40; i += 1) {
    const title = await card.innerText();
    if (title.startsWith('Dead, and proven')) return;
    if (await page.getByRole('region', { name: 'Open first' }).isVisible()) {
      await press(page, 'a');
      continue;
    }
    if (await page.getByRole('timer', { name: 'Time still to wait' }).isVisible()) {
      await page.clock.fastForward('01:00');
      continue;
    }
    if (!(await meter(page).isVisible())) await connect(page);
    const dial = page.getByRole('button', { name: /^Dial to/ });
    await page.getByRole('button', { name: /^Touch / }).click();
    // Turned only where it stands wrong.
    await expect(meter(page)).not.toContainText('No figures come');
    if (await dial.isVisible()) await dial.click();
    const keep = page.getByRole('button', { name: /^Keep [\d.]/ }).filter({ visible: true });
    // The figure of the step before may still stand there: what is kept must be of these points.
    const [low = 0, high = 1] = title.startsWith('Prove the meter') ? await mustShow(page) : [];
    const volts = async () => {
      const [, figure, unit] = /Keep ([\d.]+)\s(m?V)/.exec(await keep.innerText()) ?? [];
      const value = Number(figure) / (unit === 'mV' ? 1000 : 1);
      return value >= low && value <= high;
    };
    await expect.poll(volts).toBe(true);
    await expect(keep).toBeEnabled();
    await press(page, 'Enter');
  }
  throw new Error('not dead after forty steps');
}

/** What the known source must show, volts. */
async function mustShow(page: Page): Promise<number[]> {
  const words = await page.getByText(/^It must show/).innerText();
  return words
    .match(/[\d.]+/g)!
    .slice(0, 2)
    .map(Number);
}

/** Does something that is written down, and waits until it is: what follows leaves the page. */
async function written(page: Page, act: () => Promise<void>): Promise<void> {
  const before = await opened(page);
  await act();
  await expect.poll(() => rollCount(page)).toBeGreaterThan(before);
}

/** Waits until auto-hold has taken so many more figures. */
async function held(page: Page, more: number): Promise<void> {
  const before = await rollCount(page);
  await expect.poll(() => rollCount(page)).toBeGreaterThanOrEqual(before + more);
}

test('a job from Arrive to Sign with the simulated meter and auto-hold; the right part mends it', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const job = await newJob('fridge', { seed: WINDING });
  await page.goto(`/jobs/${job}/arrive`);
  await press(page, 'Enter');
  await page.goto(`/jobs/${job}/safe`);
  await proveDeadWithMeter(page);

  await test.step('what the eyes find, the simulated machine says', async () => {
    await page.goto(`/jobs/${job}/measure?at=board-looks`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    if (
      !(await meter(page).isVisible()) &&
      (await page.getByRole('button', { name: 'Connect a meter' }).isVisible())
    )
      await connect(page);
  });

  await test.step('bridge and windings, held one after the other', async () => {
    await page.goto(`/jobs/${job}/measure?at=${encodeURIComponent('igbt-n@U')}`);
    await press(page, 'a');
    await connect(page);
    await page.getByRole('checkbox', { name: 'Leads follow the card' }).check();
    await page.getByRole('checkbox', { name: 'Auto-hold' }).check();
    // Three forward drops below, three above, three windings: nine figures, no key pressed.
    await held(page, 9);
    await heading(page, 'Winding to frame');
  });

  await test.step('open to the frame reads OL like thin air: Enter keeps it', async () => {
    await expect(digits(page)).toHaveText('OL');
    await expect(
      page.getByRole('button', { name: 'Keep OL' }).filter({ visible: true }),
    ).toBeEnabled();
    await press(page, 'Enter');
    await expect(page.getByRole('status', { name: 'Verdict' })).toContainText('In');
  });

  await test.step('the suspect leads; another part fitted first mends nothing', async () => {
    await page.goto(`/jobs/${job}/decide`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('compressor');
    await page.getByRole('checkbox', { name: 'Replace: Compressor' }).uncheck();
    await page.getByRole('checkbox', { name: 'Replace: Inverter board' }).check();
    await page.getByRole('textbox', { name: /^Why not/ }).fill('It was in the van.');
    await written(page, () =>
      page.getByRole('button', { name: /^Decide: Inverter board/ }).click(),
    );
    await heading(page, 'Mend it');
    await page.getByRole('checkbox', { name: /^On trial/ }).check();
    await written(page, () => page.getByRole('button', { name: /^It is in/ }).click());
    await page.getByRole('button', { name: /^To Prove/ }).click();
    await heading(page, 'Not proven yet');
    await expect(page.getByRole('list', { name: 'What was bad' })).toContainText('to read again');
    await again(page, job);
    await heading(page, 'The new part did not help');
    await expect(page.getByRole('list', { name: 'What was bad' })).toContainText('still bad');
  });

  await test.step('the old board goes back in; the evidence judges what else it is', async () => {
    await page.getByRole('link', { name: 'put the old one back' }).click();
    await written(page, () => page.getByRole('button', { name: 'The old one is back in' }).click());
    await expect(page.getByRole('region', { name: 'On trial' })).toBeHidden();
    await page.getByRole('link', { name: /^Decide/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('compressor');
  });

  await test.step('the compressor fitted, the same readings are good', async () => {
    await page.getByRole('checkbox', { name: 'Replace: Inverter board' }).uncheck();
    await page.getByRole('checkbox', { name: 'Replace: Compressor' }).check();
    await written(page, () => page.getByRole('button', { name: /^Decide: Compressor/ }).click());
    // The compressor is fitted by somebody who holds the licence.
    await written(page, () =>
      page.getByRole('button', { name: 'We hold what this job needs' }).click(),
    );
    await written(page, () => page.getByRole('button', { name: /^It is in/ }).click());
    await again(page, job);
    await heading(page, 'Not proven yet');
    await proveBySheet(page, 'Prove it cold');
    await heading(page, 'The repair is proven');
  });

  await test.step('the report says so', async () => {
    await page.goto(`/jobs/${job}/sign`);
    await expect(page.getByText('Everything that was bad before is good now.')).toBeVisible();
    await expect(page.getByText('nothing was fitted or proven')).toBeHidden();
    await page
      .getByRole('textbox', { name: /technician/i })
      .first()
      .fill('Davi Moura');
    await sayLeft(page);
    await page.getByRole('button', { name: /^Sign and close/ }).click();
    await expect(
      page
        .getByText(/^Signed /)
        .filter({ visible: true })
        .first(),
    ).toBeVisible();
  });
});

/** The three windings once more, by repeating each with the leads following. */
async function again(page: Page, job: string): Promise<void> {
  for (const point of ['UV', 'VW', 'WU']) {
    await page.goto(`/jobs/${job}/measure?at=${encodeURIComponent(`windings@${point}`)}`);
    await connect(page);
    // What the work has touched is asked for by itself; the rest is repeated.
    const before = page.getByText('It is another machine now.');
    await expect(page.getByRole('status', { name: 'Verdict' }).or(before).first()).toBeVisible();
    if (!(await before.isVisible())) await page.keyboard.press('r');
    await held(page, 1);
  }
  await page.goto(`/jobs/${job}/prove`);
}

test('dial, leads, mismatch, hazards and a lost line on the simulated meter', async ({
  page,
  newJob,
  context,
}) => {
  const job = await newJob('fridge', { seed: WINDING });
  await page.goto(`/jobs/${job}/measure?at=mains-main`);
  await confirm(page, 'Precautions taken');
  await press(page, 'a');
  await connect(page);

  await test.step('live digits where the leads lie; the card wants AC volts', async () => {
    await page.keyboard.press('d');
    await expect(digits(page)).toHaveText(/^12\d\.\d V$/);
    await expect(
      page.getByRole('button', { name: /^Keep 12\d/ }).filter({ visible: true }),
    ).toBeEnabled();
  });

  await test.step('readers find everything on it', async () => {
    expect(await found(page, 'the simulated meter')).toEqual([]);
  });

  await test.step('the wrong dial is told, and its figure is not offered', async () => {
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('V=');
    await expect(meter(page)).toContainText('The card wants AC volts, the meter is on DC volts.');
    await expect(page.getByRole('button', { name: /^Keep/ }).filter({ visible: true })).toHaveCount(
      0,
    );
  });

  await test.step('ohms on the live mains: told, the leads are off, nothing is recorded', async () => {
    const before = await rollCount(page);
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('ohm');
    await expect(meter(page).getByRole('alert')).toContainText(
      'Set it to volts, isolate, prove it dead.',
    );
    expect(await rollCount(page)).toBe(before);
    await page.getByRole('button', { name: 'Understood' }).click();
  });

  await test.step('amps across the mains blow the fuse; it is replaced', async () => {
    // The dial first: leads laid on the mains with the dial on ohms would be told and lifted again.
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('A~');
    await page.getByRole('button', { name: /^Touch the points/ }).click();
    await expect(meter(page).getByRole('alert')).toContainText('its fuse has blown');
    await page.getByRole('button', { name: 'Understood' }).click();
    await page.getByRole('button', { name: 'Replace the meter’s fuse' }).click();
    await expect(page.getByRole('button', { name: 'Replace the meter’s fuse' })).toBeHidden();
  });

  await test.step('taken by another window: told, and nothing stale is kept', async () => {
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('V~');
    await page.keyboard.press('d');
    await expect(digits(page)).toHaveText(/^12\d\.\d V$/);
    const other = await context.newPage();
    await other.goto(`/jobs/${job}/measure?at=mains-main`);
    await connect(other);
    await expect(meter(page)).toContainText('Another device has taken this meter.');
    await expect(
      page.getByRole('button', { name: /^Keep 12\d/ }).filter({ visible: true }),
    ).toHaveCount(0);
    await other.close();
    await page.getByRole('button', { name: 'Reconnect' }).click();
    await expect(digits(page)).toHaveText(/^12\d\.\d V$/);
  });

  await test.step('a wrong hold is one key to undo', async () => {
    await page.getByRole('button', { name: /^Lift the leads/ }).click();
    await page.getByRole('checkbox', { name: 'Auto-hold' }).check();
    const before = await rollCount(page);
    await page.getByRole('button', { name: /^Touch the points/ }).click();
    await expect.poll(() => rollCount(page)).toBe(before + 1);
    await press(page, 'z');
    await expect(
      page
        .getByRole('button', { name: 'Type the reading' })
        .or(page.getByRole('button', { name: /^Keep/ }))
        .filter({ visible: true })
        .first(),
    ).toBeVisible();
  });
});

test('a figure that means nothing is told and not kept; where nothing can be solved nothing is shown', async ({
  page,
  newJob,
}) => {
  const job = await newJob('fridge', { seed: WINDING });
  let failing = false;
  await page.routeWebSocket(/\/meter$/, (socket) => {
    const server = socket.connectToServer();
    server.onMessage((line) => {
      if (!failing) socket.send(line);
    });
    socket.onMessage((text) => {
      if (!failing) return server.send(text);
      socket.send(
        `${JSON.stringify({
          event: 'trouble',
          text: 'The simulated meter shows nothing here: its circuit could not be solved.',
        })}\n`,
      );
    });
  });
  await page.goto(`/jobs/${job}/measure?at=rail-5`);
  await confirm(page, 'Precautions taken');
  await press(page, 'a');
  await connect(page);
  await page.keyboard.press('d');
  await expect(digits(page)).toHaveText(/^[45]\.\d+ V$/);

  const keep = page.getByRole('button', { name: /^Keep/ }).filter({ visible: true });
  await test.step('ohms on a rail of 5 V: the figure with its warning, and no key that keeps it', async () => {
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('ohm');
    await expect(meter(page)).toContainText('Voltage stands between the tips');
    await expect(keep).toHaveCount(0);
  });

  await test.step('no solution: no digits, a sentence, nothing to keep', async () => {
    failing = true;
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('V=');
    await expect(meter(page)).toContainText('The simulated meter shows nothing here');
    await expect(digits(page)).toHaveText('– – –');
    await expect(keep).toHaveCount(0);
    const before = await rollCount(page);
    await page.keyboard.press('Enter');
    expect(await rollCount(page)).toBe(before);
  });

  await test.step('the leads moved, it measures again', async () => {
    failing = false;
    await page.getByRole('button', { name: /^Lift the leads/ }).click();
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('V=');
    await page.getByRole('button', { name: /^Touch the points/ }).click();
    await expect(digits(page)).toHaveText(/^[45]\.\d+ V$/);
    await expect(keep).toBeEnabled();
  });
});

test('a meter on the serial port: lines in pieces, noise, and a cable pulled out', async ({
  page,
  newJob,
}) => {
  await standInPort(page);
  const cable = (text: string) => feed(page, text);
  const job = await newJob('fridge');
  await page.goto(`/jobs/${job}/measure?at=mains-main`);
  await confirm(page, 'Precautions taken');
  await press(page, 'a');
  await page.getByRole('button', { name: 'Connect a meter' }).click();
  // No machine is simulated behind this job.
  await expect(page.getByRole('button', { name: 'Simulated meter and machine' })).toBeHidden();
  await page.getByRole('button', { name: 'Meter on the serial port' }).click();
  await expect(meter(page)).toContainText('No figures come');

  await cable('garbage\n{"t":1,"fn":"V~","val');
  await cable('ue":126.4,"unit":"V","flags":["auto"]}\n');
  await expect(digits(page)).toHaveText('126.4 V');
  await expect(meter(page)).toContainText('1 lines could not be read');
  await cable('{"t":0.5,"fn":"V~","value":3,"unit":"V"}\n');
  await expect(digits(page)).toHaveText('126.4 V');

  await test.step('a stream that stops is stale: its figure is not offered any more', async () => {
    await expect(digits(page)).toHaveText('– – –', { timeout: 5000 });
    await expect(page.getByRole('button', { name: /^Keep/ }).filter({ visible: true })).toHaveCount(
      0,
    );
  });

  await test.step('auto-hold takes the figure that stands, once, among a thousand lines', async () => {
    await page.getByRole('checkbox', { name: 'Auto-hold' }).check();
    const before = await rollCount(page);
    const lines = Array.from({ length: 1000 }, (_, i) =>
      JSON.stringify({
        t: 10 + i / 1000,
        fn: 'V~',
        value: 126 + (i % 3) / 100,
        unit: 'V',
        flags: [],
      }),
    ).join('\n');
    await cable(`${lines}\n`);
    await expect.poll(() => rollCount(page)).toBe(before + 1);
    await cable(`${lines.replaceAll('"t":1', '"t":2')}\n`);
    await page.waitForTimeout(500);
    expect(await rollCount(page)).toBe(before + 1);
  });

  await test.step('the cable out: told; typing goes on', async () => {
    await pullCable(page);
    await expect(meter(page)).toContainText('cable is out');
  });
});

test('a series writes itself off the meter, and stops when it is long enough', async ({
  page,
  newJob,
}) => {
  const job = await newJob('plasma', { seed: 3 });
  await page.goto(`/jobs/${job}/measure?test=standby-5`);
  await heading(page, '5 V standby, steady');
  await confirm(page, 'Precautions taken');
  await page.getByRole('button', { name: /Back off/ }).click();
  await connect(page);
  const track = page.getByRole('img', { name: /^Track of/ });
  const record = page.getByRole('button', { name: 'Record from the meter' });

  await test.step('nothing is written while the leads lie nowhere near', async () => {
    await expect(record).toBeHidden();
    await page.getByRole('button', { name: /^Touch the points/ }).click();
    await expect(digits(page)).toHaveText(/V$/);
    await record.click();
    await expect(page.getByRole('button', { name: 'Stop recording' })).toBeVisible();
    await expect(track).toHaveAccessibleName(/Track of [3-9] figures/);
  });

  await test.step('a wrong dial stops the figures, not the clock', async () => {
    await page.getByRole('combobox', { name: 'Dial of the simulated meter' }).selectOption('V~');
    await expect(page.getByText('nothing is being recorded')).toBeVisible();
    await page.getByRole('button', { name: 'Dial to DC volts' }).click();
    await expect(page.getByText('nothing is being recorded')).toBeHidden();
  });

  await test.step('long enough: it stops by itself, and is kept', async () => {
    await expect(page.getByRole('button', { name: 'Stop recording' })).toBeHidden();
    await expect(page.getByRole('status', { name: 'Verdict' })).not.toContainText('Not settled');
    const before = await rollCount(page);
    await page.getByRole('button', { name: 'Keep this series' }).click();
    await expect.poll(() => rollCount(page)).toBe(before + 1);
    await expect(page.getByRole('status', { name: 'Verdict' })).toContainText(/\d\d figures/);
  });
});
