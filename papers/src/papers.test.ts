import { describe, expect, test } from '@jest/globals';
import {
  decisionOptions,
  decisionTopics,
  diagnose,
  expectedReadings,
  isUltravioletLine,
  partsOf,
  recommend,
  supplySettings,
  type UltravioletLine,
} from '@katharos/core';
import {
  usualFirmSettings,
  starterCatalogue,
  briefOf,
  examinationOf,
  type JobDocument,
  newJobDocument,
  stageOf,
} from '@katharos/job';
import { optionWords, readerOf } from '@katharos/words';
import { certificateOf } from './certificate.ts';
import { proposalOf } from './proposal.ts';

const reading = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });
const firm = { name: 'Fell Water', settings: usualFirmSettings };

function chosen(): JobDocument {
  const document = newJobDocument('Odo Marsh', '2 Ford End');
  document.survey.readings = {
    feedTds: reading(420, 'ppm'),
    pressure: reading(4, 'bar'),
    highestPressure: reading(7, 'bar'),
    temperature: reading(13, 'C'),
    demand: reading(12, 'L/day'),
  };
  const brief = briefOf(document.survey, starterCatalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  const { design } = recommend(brief.value.task)!.best;
  document.system = { design, chosenAt: '2026-03-01T09:00:00.000Z', chosenBy: 'Odo', agreed: null };
  return document;
}
const proposal = (document: JobDocument, settings = usualFirmSettings) =>
  proposalOf({ number: 7, document, catalogue: starterCatalogue, firm: { ...firm, settings } });

describe('a proposal', () => {
  test('is none before a system is chosen', () => {
    expect(proposal(newJobDocument('x'))).toBeUndefined();
  });

  test('adds up: lines to the sum, sum and tax to what is to be paid', () => {
    const made = proposal(chosen(), {
      ...usualFirmSettings,
      installationPrice: 300,
      taxShare: 0.19,
    })!;
    const amount = (text: string) => Number(text.replace(/[^\d.]/g, ''));
    const net = made.prices.reduce((sum, { price }) => sum + amount(price), 0);
    expect(amount(made.totals.net)).toBeCloseTo(net, 2);
    expect(amount(made.totals.tax)).toBeCloseTo(0.19 * net, 1);
    expect(amount(made.totals.gross)).toBeCloseTo(1.19 * net, 1);
    expect(made.prices.at(-1)).toMatchObject({ price: '€300.00' });
    expect(made.unpriced).toEqual([]);
  });

  test('speaks plainly, of what was decided and agreed, too', () => {
    const document = chosen();
    document.size.overruled['leak-stop'] = {
      option: 'none',
      reason: 'There is a floor drain.',
      at: '2026-03-01T09:00:00.000Z',
      by: 'Odo',
    };
    document.system!.agreed = { at: '2026-03-02T09:00:00.000Z', by: 'Odo' };
    const made = proposal(document)!;
    const text = [...made.found, ...made.proposed, ...made.figures.flat(), ...made.decided].join(
      ' ',
    );
    expect(text).not.toMatch(/undefined|NaN|–|\[object/);
    expect(text).toMatch(/regulator holds the pressure at 4.10 bar/);
    expect(text).not.toMatch(/leak stop closes/);
    expect(text).toMatch(/There is a floor drain/);
    expect(made.prices.map(({ name }) => name).join()).not.toMatch(/leak stop/i);
    expect(made.agreed).toMatch(/2026-03-02/);
  });

  test('says what of its figures nobody has measured, and nothing where all was', () => {
    const document = chosen();
    const said = () => proposal(document)!.found.find((text) => text.startsWith('Not measured'));
    expect(said()).toMatch(/usual: the hardness and the largest draw\. What we propose/);
    delete document.survey.readings.pressure;
    expect(said()).toMatch(/the hardness, the pressure and the largest draw/);
    document.survey.readings = {
      ...document.survey.readings,
      pressure: reading(4, 'bar'),
      hardness: reading(200, 'mg/L CaCO3'),
      largestDraw: reading(2, 'L'),
    };
    expect(said()).toBeUndefined();
  });

  test('says what the system falls short of, and that a lamp is missing where the supply is unsafe', () => {
    const document = chosen();
    const said = () => proposal(document)!.proposed.join(' ');
    expect(said()).not.toMatch(/does not meet everything/);
    document.survey.safe = 'no';
    expect(said()).toMatch(
      /does not meet everything .*the supply is not safe and nothing treats it/,
    );
    expect(proposal(document)!.found.join(' ')).toMatch(/Your supply is not safe to drink/);
  });

  test('prices what was decided on against scale', () => {
    const document = chosen();
    const names = () =>
      proposal(document)!
        .prices.map(({ name }) => name)
        .join();
    expect(names()).not.toMatch(/inhibitor/);
    const word = { reason: 'Hard water', at: '2026-03-01T09:00:00.000Z', by: 'Odo' };
    document.size.overruled.scaling = { option: 'inhibit', ...word };
    expect(names()).toMatch(/scale inhibitor/);
    document.size.overruled.scaling = { option: 'soften', ...word };
    expect(names()).toMatch(/softener/);
  });

  test('claims no disinfectant that nobody asked about', () => {
    const document = chosen();
    document.survey.disinfectant = 'unknown';
    document.survey.source = 'mains';
    expect(proposal(document)!.found.join(' ')).toMatch(/may carry chlorine or chloramine/);
  });

  test('is set in the reader’s units', () => {
    const made = proposal(chosen(), { ...usualFirmSettings, units: 'us' })!;
    expect(made.found.join()).toMatch(/psi/);
    expect(made.found.join()).not.toMatch(/ bar/);
  });
});

describe('the certificate of a membrane', () => {
  const verified = (): JobDocument => {
    const document = chosen();
    const { design } = document.system!;
    if (isUltravioletLine(design)) throw new Error('it has a membrane');
    document.verify.readings = {
      feedTds: reading(420, 'ppm'),
      productTds: reading(1, 'ppm'),
      temperature: reading(13, 'C'),
      pressure: reading(3.9, 'bar'),
    };
    const expected = expectedReadings(design, {
      tdsMgL: 420,
      temperatureC: 13,
      pressureBar: 3.9,
    });
    if (!expected.ok) throw new Error(expected.failure.code);
    const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = expected.value;
    document.verify.readings.productTds = reading(permeateTdsMgL, 'ppm');
    document.verify.readings.productFlow = reading(permeateFlowLPerH, 'L/h');
    document.verify.readings.drainFlow = reading(concentrateFlowLPerH, 'L/h');
    document.verify.leaks = { filled: 'dry', pressure: 'dry', tankFull: 'dry' };
    document.verify.shutoffTest = 'passed';
    document.survey.source = 'mains';
    document.survey.disinfectant = 'none';
    return document;
  };
  const certificate = (document: JobDocument) => {
    const weighed = diagnose(examinationOf(document)!);
    const diagnosis = weighed.ok ? weighed.value : null;
    return certificateOf({ number: 7, document, firm, diagnosis })!;
  };

  test('is good where all was checked and found so, and names what was not checked', () => {
    const document = verified();
    expect(certificate(document)).toMatchObject({
      grade: 'good',
      title: 'Certificate of verification: reverse osmosis system',
    });
    expect(certificate(document).sentences.join()).not.toMatch(/Not yet checked|Not measured/);
    delete document.verify.readings.drainFlow;
    expect(certificate(document).sentences[0]).toBe('Not measured: the drain flow.');
    expect(certificate(document).grade).toBe('good');
  });

  test('is a record of readings while anything is owed, in its title, its headline and its first line', () => {
    const document = verified();
    document.verify.leaks = { pressure: 'dry' };
    document.survey.source = 'well';
    const record = certificate(document);
    expect(record.grade).toBeNull();
    expect(record.title).toMatch(/^Record of readings/);
    expect(record.result).toMatch(/^Record of readings: /);
    expect(record.sentences[0]).toBe(
      'Not yet checked: leaks when filled, leaks with the tank full and germs, by a laboratory. Nobody drinks before that is done.',
    );
  });

  test('says nothing of probabilities: it is read by whoever lives there', () => {
    expect(certificate(verified()).sentences.join()).not.toMatch(/likely from|\d % likely/);
  });

  test('with free chlorine alone owes total chlorine where chloramine may be in the supply', () => {
    const document = verified();
    document.survey.disinfectant = 'chloramine';
    document.verify.readings.chlorineAfterCarbon = reading(0, 'mg/L');
    expect(certificate(document).sentences[0]).toMatch(/total chlorine after the carbon/);
    document.verify.noted = { totalChlorine: reading(0.02, 'mg/L') };
    expect(certificate(document).grade).toBe('good');
    document.verify.noted = { totalChlorine: reading(0.4, 'mg/L') };
    expect(certificate(document).grade).toBe('not-accepted');
  });

  test.each<[string, (document: JobDocument) => void, RegExp]>([
    ['a leak', ({ verify }) => (verify.leaks!.pressure = 'leak'), /A joint leaks/],
    ['a drain that runs on', ({ verify }) => (verify.shutoffTest = 'failed'), /does not stop/],
    [
      'a seventh of its product',
      ({ verify }) => (verify.readings.productFlow!.value /= 7),
      /The readings show a fault/,
    ],
  ])('is never good over %s: it says that it is not accepted, and why', (_what, change, why) => {
    const document = verified();
    change(document);
    expect(certificate(document).grade).toBe('not-accepted');
    expect(certificate(document).result).toMatch(/^Not accepted/);
    expect(certificate(document).sentences[0]).toMatch(why);
  });

  test('carries what was noted besides', () => {
    const document = verified();
    document.verify.noted = { restartPressure: reading(1.2, 'bar') };
    expect(certificate(document).tables[0]!.rows).toContainEqual([
      'Pressure at which it starts again',
      '1.2 bar',
    ]);
  });

  test('says who accepted it in spite of a remark; nobody can in spite of a fault', () => {
    const document = verified();
    const accepted = { reason: 'They sell the house', at: '2026-03-02T10:00:00Z', by: 'Wren' };
    document.verify.accepted = accepted;
    expect(certificate(document).sentences.join()).not.toMatch(/all the same/);
    const strict = { ...firm, settings: { ...firm.settings, standards: { productTdsMgL: 5 } } };
    const marginal = certificateOf({
      number: 7,
      document,
      firm: strict,
      diagnosis: (() => {
        const weighed = diagnose(examinationOf(document)!);
        return weighed.ok ? weighed.value : null;
      })(),
    })!;
    expect(marginal.grade).toBe('marginal');
    expect(marginal.sentences).toContain(
      'Accepted all the same by Wren, 02/03/2026: They sell the house.',
    );
    document.verify.shutoffTest = 'failed';
    expect(certificate(document).grade).toBe('not-accepted');
    expect(certificate(document).sentences.join()).not.toMatch(/all the same/);
  });
});

describe('a lamp without a membrane', () => {
  const lit = (): { document: JobDocument; line: UltravioletLine } => {
    const document = chosen();
    const { design } = document.system!;
    if (isUltravioletLine(design)) throw new Error('it has a membrane');
    const { prefilters, tap, line } = design;
    const lamp = partsOf(starterCatalogue, 'lamp')[0]!;
    const own: UltravioletLine = { kind: 'ultraviolet-line', prefilters, lamp, tap, line };
    document.system!.design = own;
    document.survey.source = 'mains';
    document.survey.disinfectant = 'none';
    document.survey.readings.hardness = reading(10, 'mg/L CaCO3');
    document.survey.details = {
      iron: reading(0.01, 'mg/L'),
      manganese: reading(0.01, 'mg/L'),
      transmittance: reading(95, '%'),
    };
    const tick = { at: '2026-03-02T10:00:00Z', by: 'Wren' };
    document.verify.leaks = { filled: 'dry', pressure: 'dry' };
    document.verify.lampLook = { alarm: 'quiet', ...tick };
    document.verify.germTest = { sampled: tick, result: { found: false, ...tick } };
    return { document, line: own };
  };

  test('is certified by its dose at the measured flow, never by dissolved solids', () => {
    const { document } = lit();
    expect(certificateOf({ number: 7, document, firm, diagnosis: null })).toBeUndefined();
    document.verify.readings.productFlow = reading(2, 'L/min');
    const slow = certificateOf({ number: 7, document, firm, diagnosis: null })!;
    expect(slow.grade).toBe('good');
    expect(slow.title).toMatch(/ultraviolet/);
    expect(slow.caveats.join()).toMatch(/proves no water safe/);
    document.verify.readings.productFlow = reading(9, 'L/min');
    expect(certificateOf({ number: 7, document, firm, diagnosis: null })!.grade).toBe(
      'not-accepted',
    );
    expect(stageOf(document).stage).toBe('keep');
  });

  test('that was added is certified by its dose and by the membrane ahead of it', () => {
    const { document, line } = lit();
    document.system!.design = { ...line, addedTo: 'tank-system', prefilters: [] };
    document.verify.readings = { productFlow: reading(2, 'L/min') };
    expect(certificateOf({ number: 7, document, firm, diagnosis: null })).toBeUndefined();
    expect(stageOf(document).stage).not.toBe('keep');
    document.verify.readings.feedTds = reading(400, 'ppm');
    document.verify.readings.productTds = reading(24, 'ppm');
    const good = certificateOf({ number: 7, document, firm, diagnosis: null })!;
    expect(good.grade).toBe('good');
    expect(stageOf(document).stage).toBe('keep');
    expect(good.title).toMatch(/added/);
    expect(good.sentences.join()).toMatch(/holds back 94 %/);
    const system = good.tables.find(({ heading }) => heading === 'System')!;
    expect(system.rows.map(([label]) => label)).toEqual(['Ultraviolet']);
    document.verify.readings.productTds = reading(120, 'ppm');
    const worn = certificateOf({ number: 7, document, firm, diagnosis: null })!;
    expect(worn.grade).toBe('not-accepted');
    expect(worn.sentences.join()).toMatch(/mend it before/);
    document.verify.readings.productTds = reading(24, 'ppm');
    document.verify.readings.productFlow = reading(9, 'L/min');
    expect(certificateOf({ number: 7, document, firm, diagnosis: null })!.grade).toBe(
      'not-accepted',
    );
  });

  test('that was added is proposed with what was measured, and priced without a tap or a filter', () => {
    const { document, line } = lit();
    document.system!.design = { ...line, addedTo: 'tank-system', prefilters: [] };
    document.survey.details.existingFlow = reading(90, 'L/h');
    document.survey.details.existingTds = reading(24, 'ppm');
    const made = proposal(document)!;
    expect(made.title).toMatch(/you have/);
    expect(made.figures.map(([, value]) => value)).toEqual(
      expect.arrayContaining(['90.0 L/h', '24 mg/L']),
    );
    const names = made.prices.map(({ name }) => name).join();
    expect(names).toContain(line.lamp.name);
    expect(names).toMatch(/Union/);
    expect(names).not.toMatch(/tap|saddle|regulator/i);
    expect(made.unpriced).toEqual([]);
  });

  test('is proposed without a word about a membrane', () => {
    const made = proposal(lit().document)!;
    expect([made.title, ...made.proposed].join()).not.toMatch(/membrane|osmosis/);
    expect(made.figures).toEqual([]);
  });
});

test('every way to decide has words of its own, and schools belong to codes that exist', () => {
  const document = chosen();
  const { design } = document.system!;
  if (isUltravioletLine(design)) throw new Error('it has a membrane');
  const reader = readerOf({ units: 'metric' });
  for (const topic of decisionTopics) {
    const options = decisionOptions(topic, design, supplySettings(5), starterCatalogue);
    const words = options.map((option) => optionWords(topic, option, reader));
    expect(new Set(words).size).toBe(words.length);
    for (const text of words) expect(text).toMatch(/^[A-Z]/);
  }
});
