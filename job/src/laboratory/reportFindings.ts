import {
  type Analysis,
  type Analyte,
  type Dimension,
  type Ion,
  ionBalance,
  type IonBalance,
  ions,
  milliequivalents,
  mgCaCO3PerMeq,
  type SurveyKey,
  solidsOfIons,
  solidsPerConductivity,
} from '@katharos/core';
import type { DetailKey } from '../fields/fields.ts';
import type { ReportRow } from './readReport.ts';

/** What a report gives the survey: a reading under its key, in the core's unit. */
export interface ReportReading {
  target: { part: 'readings'; key: SurveyKey } | { part: 'details'; key: DetailKey };
  dimension: Dimension;
  value: number;
  unit: string;
  /** What it was made from, where it does not stand in the report itself. */
  from: Analyte[];
  /** All that it was made from was stated as below a limit. */
  below: boolean;
}

/** What a report says about itself. */
export interface ReportFindings {
  readings: ReportReading[];
  balance: IonBalance;
  /** Dissolved solids over conductivity, mg/L per uS/cm; null where one of them is missing. */
  solidsPerConductivity: { ratio: number; usual: boolean } | null;
  /** Solids that the ions sum up to against those listed, mg/L; null where a sum would not be complete. */
  solids: { summed: number; listed: number } | null;
  /** Germs were found: the water is not safe as it comes. */
  germs: boolean;
}

type Amounts = Partial<Record<Analyte, number>>;

/** Draws the conclusions from the lines that were taken. */
export function reportFindings(rows: readonly ReportRow[]): ReportFindings {
  const amounts: Amounts = {};
  const belowLimit = new Set<Analyte>();
  let germs = false;
  for (const { analyte, amount, below } of rows) {
    if (!analyte || amount === null) continue;
    if (analyte === 'coliforms') germs ||= amount > 0;
    else if (amounts[analyte] === undefined) {
      amounts[analyte] = amount;
      if (below && amount > 0) belowLimit.add(analyte);
    }
  }
  const given = Object.fromEntries(
    (Object.keys(ions) as Ion[])
      .filter((ion) => amounts[ion] !== undefined)
      .map((ion) => [ion, amounts[ion]!]),
  ) as Analysis['ions'];
  const analysis: Analysis = {
    ions: given,
    hardnessMgL: amounts.hardness,
    alkalinityMgL: amounts.alkalinity,
  };
  const balance = ionBalance(analysis);
  const { solids, conductivity } = amounts;
  const ratio = solids && conductivity ? solids / conductivity : null;
  const { min, max } = solidsPerConductivity;
  return {
    readings: readingsOf(amounts).map((reading) => ({
      ...reading,
      below: reading.from.every((analyte) => belowLimit.has(analyte)),
    })),
    balance,
    solidsPerConductivity: ratio ? { ratio, usual: ratio >= min && ratio <= max } : null,
    solids:
      solids && balance.missing.length === 0
        ? { summed: solidsOfIons(analysis), listed: solids }
        : null,
    germs,
  };
}

/** Factor of a NaCl scale meter, in which solids are reckoned where a report lists conductivity alone. */
const naclScale = 0.5;

function readingsOf(amounts: Amounts): Omit<ReportReading, 'below'>[] {
  const list: Omit<ReportReading, 'below'>[] = [];
  const reading = (
    key: SurveyKey,
    dimension: Dimension,
    unit: string,
    value: number | undefined,
    from: Analyte[],
  ) => {
    if (value !== undefined)
      list.push({ target: { part: 'readings', key }, dimension, value, unit, from });
  };
  const detail = (
    key: DetailKey,
    dimension: Dimension,
    unit: string,
    analyte: Analyte,
    factor = 1,
  ) => {
    const value = amounts[analyte];
    if (value !== undefined)
      list.push({
        target: { part: 'details', key },
        dimension,
        value: value * factor,
        unit,
        from: [analyte],
      });
  };
  if (amounts.solids !== undefined) reading('feedTds', 'tds', 'mg/L', amounts.solids, ['solids']);
  else if (amounts.conductivity !== undefined)
    reading('feedTds', 'tds', 'mg/L', naclScale * amounts.conductivity, ['conductivity']);
  const { calcium, magnesium } = amounts;
  if (amounts.hardness !== undefined)
    reading('hardness', 'hardness', 'mg/L CaCO3', amounts.hardness, ['hardness']);
  else if (calcium !== undefined && magnesium !== undefined) {
    const meq = milliequivalents('calcium', calcium) + milliequivalents('magnesium', magnesium);
    const from: Analyte[] = ['calcium', 'magnesium'];
    reading('hardness', 'hardness', 'mg/L CaCO3', meq * mgCaCO3PerMeq, from);
  }
  if (amounts.alkalinity !== undefined)
    reading('alkalinity', 'hardness', 'mg/L CaCO3', amounts.alkalinity, ['alkalinity']);
  else if (amounts.bicarbonate !== undefined) {
    const meq = milliequivalents('bicarbonate', amounts.bicarbonate);
    reading('alkalinity', 'hardness', 'mg/L CaCO3', meq * mgCaCO3PerMeq, ['bicarbonate']);
  }
  reading('pH', 'pH', 'pH', amounts.pH, ['pH']);
  detail('iron', 'concentration', 'mg/L', 'iron');
  detail('manganese', 'concentration', 'mg/L', 'manganese');
  detail('sulfide', 'concentration', 'mg/L', 'sulfide');
  detail('turbidity', 'turbidity', 'NTU', 'turbidity');
  detail('transmittance', 'share', '%', 'transmittance', 0.01);
  detail(
    'disinfectant',
    'concentration',
    'mg/L',
    amounts.chloramine === undefined ? 'chlorine' : 'chloramine',
  );
  return list;
}
