import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEFAULT_TEMPLATE, tileOrder } from '../../../core/export/index.ts';
import { keepSettings, readSettings } from './exportSettings.ts';

const kept = new Map<string, string>();
beforeEach(() => {
  kept.clear();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  });
});
afterEach(() => void vi.unstubAllGlobals());

const usual = { orders: [tileOrder({ kind: 'density', dpi: 300 })], template: DEFAULT_TEMPLATE };

describe('the settings of an export', () => {
  it('are what they were when a file was last asked for', () => {
    expect(readSettings()).toEqual(usual);
    const settings = { orders: [tileOrder({ kind: 'pixels', width: 512 })], template: '{name}' };
    keepSettings(settings);
    expect(readSettings()).toEqual(settings);
  });

  it.each(['null', '{', '{"orders":[],"template":"{name}"}', '{"orders":[{"contents":"moon"}],"template":"{name}"}'])(
    'are the usual ones where what is kept cannot be read: %s',
    (text) => {
      kept.set('hevrel-export', text);
      expect(readSettings()).toEqual(usual);
    },
  );
});
