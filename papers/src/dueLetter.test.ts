import { describe, expect, test } from '@jest/globals';
import { dueReasons, servicedKinds } from '@katharos/core';
import { usualFirmSettings } from '@katharos/job';
import { dueLetterOf, type DueLetterSource } from './dueLetter.ts';

const source: DueLetterSource = {
  firm: { name: 'Fell Water', settings: { ...usualFirmSettings, phone: '01632 960123' } },
  name: 'Odo Marsh',
  on: '2026-05-12',
  today: '2026-03-01',
  dues: [
    { kind: 'carbon', because: 'disinfectant' },
    { kind: 'carbon', because: 'disinfectant' },
    { kind: 'membrane', because: 'salt-passage' },
  ],
  page: 'https://firm.example/home/secret',
};
const letter = (change: Partial<DueLetterSource> = {}) => dueLetterOf({ ...source, ...change });

describe('a letter to a household', () => {
  test('says what is due and when, why, whom to call and where its page is, each once', () => {
    const { subject, text } = letter();
    expect(subject).toBe('Your drinking water system is due for service in May 2026');
    expect(text).toContain('Odo Marsh,');
    expect(text).toContain('What we would do: carbon filter and membrane.');
    expect(text.match(/carbon has taken up/gi)).toHaveLength(1);
    expect(text).toContain('More salt comes through the membrane');
    expect(text).toContain('01632 960123');
    expect(text.match(/home\/secret/g)).toHaveLength(1);
    expect(text.endsWith('Fell Water')).toBe(true);
  });

  test('says that it is late where it is, and from when', () => {
    const { subject, text } = letter({ today: '2026-08-01' });
    expect(subject).toMatch(/overdue/);
    expect(text).toContain('has been due for service since May 2026');
  });

  test('asks for an answer where there is no telephone, and names no page where there is none', () => {
    const { text } = letter({
      firm: { name: 'Fell Water', settings: usualFirmSettings },
      page: null,
    });
    expect(text).toContain('Please answer this letter');
    expect(text).not.toContain('http');
  });

  test('finds words for whatever can be due, and never a gap', () => {
    for (const kind of servicedKinds) {
      for (const because of dueReasons) {
        const { subject, text } = letter({ dues: [{ kind, because }] });
        expect(`${subject}${text}`).not.toMatch(/undefined|null|NaN| {2}|\.\./);
      }
    }
  });
});
