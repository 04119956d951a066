/** Words of a sheet that no other story speaks, each on the machine that has it, to the verdict it yields. */
import { found } from '../support/axe';
import { expect, kept, opened, press, provenDead, reading, test, type Page } from '../support/test';

const suspects = (page: Page) => page.getByRole('complementary').getByRole('listitem');
const verdict = (page: Page) => page.getByRole('status', { name: 'Verdict' });
const together = (page: Page) => page.getByRole('status', { name: 'Taken together' });

/** The unit is live, in this state, since so many seconds. */
const live = (page: Page, job: string, state: string, seconds: number) =>
  kept(page, job, seconds, [
    ['licence', { held: true, who: 'Davi Moura' }],
    ['energised', { precautions: true, second: 'Rui' }],
    ['window', { state }],
  ]);

async function figures(page: Page, job: string, test: string, values: readonly string[]) {
  await page.goto(`/jobs/${job}/measure?test=${test}`);
  for (const value of values) await reading(page, value);
}

/** A series by hand: so much time between two figures, and none in typing them. */
async function series(
  page: Page,
  job: string,
  test: string,
  values: readonly string[],
  every: string,
) {
  await page.goto(`/jobs/${job}/measure?test=${test}`);
  const figure = page.getByLabel('Figure now');
  await figure.waitFor();
  await page.clock.pauseAt((await page.evaluate(() => Date.now())) + 2000);
  for (const value of values) {
    await figure.fill(value);
    await figure.press('Enter');
    await expect(figure).toHaveValue('');
    await page.clock.fastForward(every);
  }
  await page.clock.resume();
}

test('the pool’s heat pump stands: a capacitor by its own print, a fuse asked about only where it follows', async ({
  page,
  newJob,
}) => {
  const id = await newJob('poolPump');
  await provenDead(page, id);

  await test.step('label with its own ±, and on one side', async () => {
    await page.goto(`/jobs/${id}/measure?test=capacitor`);
    await page.getByLabel(/^First: µF printed/).fill('45u ±5%');
    await page.getByRole('button', { name: 'Keep', exact: true }).first().click();
    await expect(page.getByText('42.75 to 47.25 µF').first()).toBeVisible();
  });

  const plan = page.getByRole('dialog', { name: 'The plan' });
  const fuse = plan.getByRole('button', { name: /^\d+ Fuse and transformer/ });
  await test.step('a follow-up is asked only where it follows', async () => {
    await page.getByRole('button', { name: /^Plan: test/ }).click();
    await expect(plan.getByRole('button', { name: /^\d+ Contactor coil/ })).toBeVisible();
    await expect(fuse).toContainText('a follow-up, not asked so far');
    const dark = await newJob('poolPump');
    await live(page, dark, 'standby', 60);
    await kept(page, dark, 30, [['answer', { test: 'display', answer: 'dark' }]]);
    await page.goto(`/jobs/${dark}/measure?test=mains`);
    await page.getByRole('button', { name: /^Plan: test/ }).click();
    await expect(fuse).toContainText('open');
    await expect(fuse).not.toContainText('a follow-up');
  });
});

test('the pool’s heat pump runs: a start by its peak, gauges that must differ, a plate that is a limit', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('poolPump');
  await kept(page, id, 200, [['access', { access: 'lid' }]]);
  await live(page, id, 'demand', 60);

  await test.step('an absence before its time says nothing', async () => {
    await figures(page, id, 'mains', ['221']);
    await figures(page, id, 'coil-volts', ['0']);
    await expect(page.getByText(/begins only after 180 s/).first()).toBeVisible();
    await page.clock.fastForward('03:00');
    await figures(page, id, 'coil-volts', ['221']);
    await expect(verdict(page)).toContainText('In');
  });

  await test.step('the highest of the watch is judged', async () => {
    await figures(page, id, 'contactor', ['221', '220']);
    await page.goto(`/jobs/${id}/measure?test=start-amps`);
    await page.getByRole('button', { name: /^Take another meter/ }).click();
    await page
      .getByRole('dialog', { name: 'Which meter is in hand?' })
      .getByRole('button', { name: /^Clamp meter/ })
      .click();
    await series(page, id, 'start-amps', ['0', '12', '38', '9.1', '9'], '00:02');
    await page.getByRole('button', { name: 'Keep this series' }).click();
    await expect(verdict(page)).toContainText('Its peak is 38');
    await expect(page.getByText(/peak 25 to 60.A in 6.s/).first()).toBeVisible();
  });

  await test.step('two gauges that show the same on a running compressor', async () => {
    await page.goto(`/jobs/${id}/measure?test=amps`);
    await page.getByLabel(/^First: Rated amps/).fill('9');
    await page.getByRole('button', { name: 'Keep', exact: true }).first().click();
    await reading(page, '6');
    await figures(page, id, 'pressures', ['6.2bar', '6.3bar']);
    await expect(together(page)).toContainText('10 kPa apart; 600 kPa at least is right');
    // Of one group only one can be: the other compressor fault would have drawn more.
    await expect(suspects(page).first()).toContainText('Compressor turns and does not pump');
    expect(await found(page, 'two gauges')).toEqual([]);
  });

  await test.step('a plate that is a limit on one side', async () => {
    await page.goto(`/jobs/${id}/measure?test=line-amps`);
    await page.getByLabel(/^First: Maximum amps/).fill('13');
    await page.getByRole('button', { name: 'Keep', exact: true }).first().click();
    await expect(page.getByText('at most 13').first()).toBeVisible();
    await reading(page, '8');
    await expect(verdict(page)).toContainText('In');
  });
});

test('the gym’s furnace: equal from the plug and from the joint, whatever it reads', async ({
  page,
  newJob,
}) => {
  const id = await newJob('furnace');
  await provenDead(page, id);
  await kept(page, id, 1, [['access', { access: 'p2-off' }]]);
  await figures(page, id, 'igniter', ['88']);
  await figures(page, id, 'igniter-joint', ['62']);
  const across = page.getByRole('status', { name: 'Taken together' });
  await expect(across).toContainText('The same from the plug and from the joint: out: not equal');
  await expect(across).toContainText('more than the meter’s own error');
  await expect(suspects(page).first()).toContainText('Igniter harness broken');
});

test('the cold room: a difference, a relay in two states, pulses counted, a start that has its delay', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('coldRoom');
  await kept(page, id, 70, [
    ['access', { access: 'cover' }],
    ['variant', { asked: 'generation', answer: 'a supply of its own, no transformer' }],
  ]);
  await live(page, id, 'standby', 60);
  await figures(page, id, 'mains', ['221']);
  await figures(page, id, 'relay-rest', ['0.3']);

  await test.step('the same place, open at rest and closed when called', async () => {
    await kept(page, id, 0, [['window', { state: 'cooling' }]]);
    await figures(page, id, 'relay', ['90']);
    await expect(together(page)).toContainText('It does not close');
    await figures(page, id, 'relay', ['221']);
    await expect(together(page)).toContainText('It opens and it closes');
  });

  await test.step('a difference has limits of its own', async () => {
    await figures(page, id, 'by-hand', ['2', '-6']);
    await expect(page.getByText('gauge set').first()).toBeVisible();
    await expect(together(page)).toContainText('The difference is 8');
    await expect(together(page)).toContainText('4 to 12 K is right');
  });

  await test.step('a delay is no fault', async () => {
    await series(page, id, 'start-delay', ['0', '0', '221', '221'], '00:06');
    await expect(verdict(page)).toContainText('8 to 18 s is right');
    await expect(verdict(page)).toContainText('In');
    await page.getByRole('button', { name: 'Start over' }).click();
  });

  await test.step('pulses are counted, with their height and their longest gap', async () => {
    await kept(page, id, 0, [['window', { state: 'valve-test' }]]);
    await series(
      page,
      id,
      'valve-steps',
      Array.from({ length: 42 }, (_, i) => (i % 5 < 2 ? '8.4' : '0.1')),
      '00:01',
    );
    await expect(verdict(page)).toContainText('In');
  });
});

test('the deck oven: a lost leg by name, and a thermostat that acts late', async ({
  page,
  newJob,
}) => {
  await page.clock.install();
  const id = await newJob('oven');
  await live(page, id, 'standby', 60);
  await figures(page, id, 'legs', ['127', '40', '87']);
  await expect(suspects(page).first()).toContainText('Second leg lost');
  await kept(page, id, 0, [['window', { state: 'heating' }]]);
  await series(page, id, 'cuts-out', ['180', '205', '222'], '00:20');
  await page.getByRole('button', { name: /the relays click off/ }).click();
  await page.getByLabel('Figure now').fill('231');
  await page.getByLabel('Figure now').press('Enter');
  await expect(verdict(page)).toContainText('190\u2009°C to 215\u2009°C is right');
});

test('what is in the hand, heard, or may be touched on either side', async ({ page, newJob }) => {
  await test.step('measured in the hand, whatever the machine is in', async () => {
    const id = await newJob('boiler');
    await figures(page, id, 'electrode-lead', ['0.8']);
    await expect(verdict(page)).toContainText('In');
  });

  await test.step('a tone is heard, or is not', async () => {
    const id = await newJob('dryer');
    await provenDead(page, id);
    await page.goto(`/jobs/${id}/measure?test=door`);
    await opened(page);
    await press(page, 'a');
    await press(page, 'a');
    await page.keyboard.press('y');
    await press(page, 'Enter');
    await expect(verdict(page)).toContainText('In');
    await page.goto(`/jobs/${id}/measure?at=${encodeURIComponent('loop@half')}`);
    await expect(page.getByText('the element breaks if it is pushed')).toBeVisible();
    await expect(page.getByText(/typically 110.Ω|110.Ω/).first()).toBeVisible();
  });

  await test.step('neutral or earth: which one it was is written down', async () => {
    const id = await newJob('heatPump');
    await kept(page, id, 30, [
      ['variant', { asked: 'fan', answer: 'electronic, a plug of its own' }],
    ]);
    await live(page, id, 'heating', 20);
    await page.goto(`/jobs/${id}/measure?test=fan-supply`);
    await expect(page.getByText('a slip shorts it to the fan’s frame')).toBeVisible();
    await page.getByRole('button', { name: /^or black on frame screw/ }).click();
    await expect(page.getByText('black on frame screw').first()).toBeVisible();
    await reading(page, '221');
    await page.getByRole('tab', { name: /^Roll/ }).click();
    await expect(page.getByText(/frame screw/).first()).toBeVisible();
  });

  await test.step('the side of an isolation, and the range to be set by hand', async () => {
    const id = await newJob('television');
    await page.goto(`/jobs/${id}/measure?test=psu-fuse`);
    await expect(page.getByText('Hot side: it hangs on the mains.')).toBeVisible();
    await kept(page, id, 1, [['variant', { asked: 'screen', answer: 'label begins with VP' }]]);
    await page.goto(`/jobs/${id}/measure?test=backlight`);
    await expect(page.getByText(/Set the meter to its 200\sV range/)).toBeVisible();
    await expect(page.getByText(/Usually 92\sV/)).toBeVisible();
  });
});

test('a sheet’s page says what its author wrote of codes, parts, symptoms and tries', async ({
  page,
}) => {
  const says = async (sheet: string, words: readonly (string | RegExp)[]) => {
    await page.goto(`/sheets/${sheet}`);
    await page.getByRole('table', { name: 'Every test with its places and limits' }).waitFor();
    for (const each of words) await expect(page.getByText(each).first()).toBeAttached();
  };
  await says('geadal-cr3', [
    'L-SH',
    /Outside unit off at its own switch/,
    /A warm room without a code/,
    /gauge set/,
  ]);
  await says('visorim-lt55', [
    /VS-PSU-55B/,
    /No longer to be had/,
    'Sound, but the screen is dark',
    /Power cycle/,
    /usually 92\sV/,
    /on the 200\sV range/,
  ]);
  await says('ventumbra-as08', [/VU-0821-G/, /Ventumbra Norte/, /24 months/]);
  await page.getByLabel('Which outside fan?').selectOption('electronic, a plug of its own');
  await expect(page.getByText('Only in a kit.')).toBeAttached();
  await says('norveda-nx3', [/firmware/]);
  await says('ondar-pb14', [/peak 25 to 60\sA/, 'Maximum amps on the nameplate']);
});
