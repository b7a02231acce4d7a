import { hostname } from 'node:os';
import { describe, expect, it } from 'vitest';
import { hostsFrom, isKnownHost } from './hosts.ts';

describe('the servers listen', () => {
  it('to this machine alone, unless they are told otherwise', () => {
    expect(hostsFrom({})).toEqual({ address: '127.0.0.1', names: new Set(['localhost']), warning: null });
    expect(hostsFrom({ HEATHMOOR_HOST: 'localhost' })).toMatchObject({ address: '127.0.0.1', warning: null });
    expect(hostsFrom({ HEATHMOOR_HOST: '::1' })).toMatchObject({ address: '::1', warning: null });
  });

  it('to others with a word about what that means', () => {
    const { address, names, warning } = hostsFrom({ HEATHMOOR_HOST: '0.0.0.0', HEATHMOOR_NAMES: 'Moor.example, ,pc' });
    expect(address).toBe('0.0.0.0');
    expect([...names]).toEqual(['localhost', 'moor.example', 'pc', hostname().toLowerCase(), '0.0.0.0']);
    expect(warning).toMatch(/^HEATHMOOR_HOST=0\.0\.0\.0: everybody who reaches this machine can open the application/);
  });
});

describe('a name', () => {
  const hosts = hostsFrom({
    HEATHMOOR_ORIGIN: 'https://Moor.example:8443',
    HEATHMOOR_PREVIEW_ORIGIN: 'https://preview.moor.example',
  });

  it.each([
    ['localhost', true],
    ['LOCALHOST', true],
    ['a.localhost', true],
    ['127.0.0.1', true],
    ['192.168.1.5', true],
    ['[::1]', true],
    ['moor.example', true],
    ['preview.moor.example', true],
    ['evil.example', false],
    ['localhost.evil.example', false],
    ['notlocalhost', false],
    ['', false],
  ])('%s is answered: %s', (name, is) => expect(isKnownHost(hosts, name)).toBe(is));

  it('that is none is none', () => {
    expect([...hostsFrom({ HEATHMOOR_ORIGIN: 'no origin' }).names]).toEqual(['localhost']);
  });
});
