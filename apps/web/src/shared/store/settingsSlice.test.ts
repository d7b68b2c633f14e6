import { beforeEach, expect, test } from '@jest/globals';
import { defaultUnits } from '@zivvo/words';
import {
  letterKeysSwitched,
  personChosen,
  rememberSettings,
  settingsSlice,
  unitsChosen,
  type Settings,
} from './settingsSlice.ts';

const { reducer } = settingsSlice;
const fresh = (): Settings => reducer(undefined, { type: 'start' });
beforeEach(() => localStorage.clear());

test('a new reader has the usual units, no name and letter keys', () => {
  expect(fresh()).toEqual({ units: defaultUnits, personId: null, areLetterKeysOn: true });
});

test('what was chosen is there at the next visit', () => {
  let settings = reducer(fresh(), unitsChosen({ length: 'mm' }));
  settings = reducer(settings, personChosen('p1'));
  settings = reducer(settings, letterKeysSwitched(false));
  rememberSettings(settings);
  expect(fresh()).toEqual({ units: { ...defaultUnits, length: 'mm' }, personId: 'p1', areLetterKeysOn: false });
});

test.each(['not json', '[]', '{"units":{"length":"mm"}}', '{"units":null}', 'null', '7'])(
  '%s in the browser does no harm',
  (stored) => {
    localStorage.setItem('zivvo.settings', stored);
    const settings = fresh();
    expect(settings.areLetterKeysOn).toBe(true);
    expect(settings.units.force).toBe(defaultUnits.force);
  },
);

test('a browser that refuses storage is not a fault', () => {
  const refuse = (): never => {
    throw new DOMException('no', 'QuotaExceededError');
  };
  const own = Storage.prototype.setItem;
  Storage.prototype.setItem = refuse;
  try {
    expect(() => rememberSettings(fresh())).not.toThrow();
  } finally {
    Storage.prototype.setItem = own;
  }
});
