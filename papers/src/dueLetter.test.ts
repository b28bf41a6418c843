import { describe, expect, test } from '@jest/globals';
import { dueReasons, servicedKinds } from '@katharos/core';
import { newJobDocument, usualFirmSettings } from '@katharos/job';
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
  document: newJobDocument('Odo Marsh'),
  page: 'https://firm.example/home/secret',
};
const letter = (change: Partial<DueLetterSource> = {}) => dueLetterOf({ ...source, ...change });

describe('a letter to a household', () => {
  test('says what is due and when, why, whom to call and where its page is, each once', () => {
    const { subject, text } = letter();
    expect(subject).toBe('Your drinking water system is due for service in May 2026');
    expect(text).toContain('Odo Marsh,');
    expect(text).toContain('What we would do: carbon filter and membrane.');
    expect(text.match(/the carbon is due/gi)).toHaveLength(1);
    expect(text).toContain('More salt comes through the membrane');
    expect(text).toContain('01632 960123');
    expect(text.match(/home\/secret/g)).toHaveLength(1);
    expect(text.endsWith('Fell Water')).toBe(true);
  });

  test('says that it is late where it is, and from when', () => {
    // What was due in April is overdue in December, however the visit is planned.
    const { subject, text } = letter({ today: '2026-12-02' });
    expect(subject).toMatch(/overdue/);
    expect(text).toContain('has been due for service since May 2026');
  });

  test('reports as a fact only what was measured', () => {
    for (const because of ['scaling', 'disinfectant', 'dissolved'] as const) {
      const { text } = letter({ dues: [{ kind: 'membrane', because }] });
      expect(text).toMatch(/may settle|is due/);
      expect(text).not.toMatch(/is settling|is used up|has taken up/);
    }
  });

  test('says to whom nobody answers for the water what keeps it from being drunk', () => {
    const document = newJobDocument('Odo Marsh');
    document.survey.source = 'well';
    expect(letter({ document }).text).toMatch(/Nobody has tested your supply for germs/);
    document.survey.safe = 'yes';
    expect(letter({ document }).text).not.toMatch(/germs/);
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
