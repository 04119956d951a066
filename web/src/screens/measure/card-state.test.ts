import { measured, provenDead, smallSheet } from '../../../../core/test/small-sheet';
import { foldJob, type Taken } from '@jeitinho/core/job';
import {
  AT_REST,
  CARD_KEYS,
  cardReducer,
  keysAt,
  primaryAct,
  type CardSituation,
} from './card-state';

const REST: CardSituation = {
  over: { kind: 'nothing' },
  refusal: undefined,
  asksForLive: false,
  ready: true,
  empty: true,
  owesGiven: false,
  offered: undefined,
  done: false,
  enters: false,
  takesFigures: true,
  ohms: false,
  hasPrevious: true,
  told: undefined,
};
const refusal = (code: 'dead-not-proven' | 'meter-unfit' | 'precautions-owed') => ({
  code,
  message: '',
});
const line = { fn: 'V=', value: 5, unit: 'V', flags: ['stable'] } as never;

function found(value: number): Taken {
  const log = provenDead();
  log.add('reading', measured('diode', 'U', value, 'diode'));
  return foldJob(smallSheet, log.entries).current.get('diode@U')!;
}

describe('what lies over the card', () => {
  test('one thing at a time, and closing leaves the card as it was', () => {
    const repeating = cardReducer(AT_REST, { kind: 'repeat', observable: 'diode@U' });
    const skipping = cardReducer(repeating, { kind: 'open', over: { kind: 'skip' } });
    const pasting = cardReducer(skipping, { kind: 'open', over: { kind: 'paste', text: '1' } });
    expect(pasting).toEqual({ over: { kind: 'paste', text: '1' }, repeating: 'diode@U' });
    expect(cardReducer(pasting, { kind: 'closed' })).toEqual(repeating);
  });
  test('a finding that was kept ends the taking again', () => {
    const repeating = cardReducer(AT_REST, { kind: 'repeat', observable: 'rail' });
    expect(cardReducer(repeating, { kind: 'kept' })).toEqual(AT_REST);
  });
});

describe('Enter', () => {
  test.each<[string, Partial<CardSituation>, ReturnType<typeof primaryAct>]>([
    ['leads to proving it dead', { refusal: refusal('dead-not-proven') }, 'make-safe'],
    ['leads to the meters', { refusal: refusal('meter-unfit') }, 'choose-meter'],
    [
      'confirms the precautions',
      { refusal: refusal('precautions-owed'), asksForLive: true },
      'confirm-live',
    ],
    [
      'confirms nothing in its first moment',
      { refusal: refusal('precautions-owed'), asksForLive: true, ready: false },
      'nothing',
    ],
    ['keeps what is typed', { empty: false }, 'keep-typed'],
    [
      'keeps what is typed before what the meter shows',
      { empty: false, offered: line },
      'keep-typed',
    ],
    ['keeps what the meter shows', { offered: line }, 'keep-offered'],
    ['goes on from what was read', { done: true }, 'go-on'],
    ['does nothing on an open card', {}, 'nothing'],
    [
      'does nothing while the leads are zeroed',
      { empty: false, over: { kind: 'zero' } },
      'nothing',
    ],
  ])('%s', (_, at, act) => {
    expect(primaryAct({ ...REST, ...at })).toBe(act);
  });
});

describe('keys', () => {
  test('none is taken from somebody who types, zeroes the leads or owes a figure', () => {
    for (const at of [{ empty: false }, { over: { kind: 'zero' } as const }, { owesGiven: true }])
      expect([...keysAt({ ...REST, ...at })]).toEqual([]);
  });
  test('what speaks of a finding wants one; contact only where it is owed', () => {
    expect([...keysAt(REST)]).toEqual(['s', 'b', 'n', 'z', 'g', 'o']);
    expect(keysAt({ ...REST, told: found(0.45) }).has('c')).toBe(false);
    const open = found(0.0001);
    expect([...keysAt({ ...REST, told: open, ohms: true })]).toEqual(
      CARD_KEYS.filter(
        (key) => key !== 'c' || (open.kind === 'reading' && open.judgement.contactOwed),
      ),
    );
  });
  test('a series takes no single figures', () => {
    const keys = keysAt({ ...REST, takesFigures: false });
    expect([keys.has('g'), keys.has('o')]).toEqual([false, false]);
  });
});
