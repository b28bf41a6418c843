/** What was seen under the sink, as far as plumbing depends on it; what was not looked at is null. */
export interface PlumbingSite {
  supply: 'valve-half' | 'valve-three-eighths' | 'hose' | 'copper' | 'plastic' | null;
  drainMaterial: 'plastic' | 'brass' | 'steel' | null;
  drainRun: 'vertical' | 'horizontal' | null;
  /** Outside diameter of the waste pipe, m. */
  drainPipeM: number | null;
  disposal: boolean | null;
  dishwasher: boolean | null;
  airGap: boolean | null;
  counter: Counter | null;
  holeThere: boolean | null;
  drilling: 'yes' | 'ask' | 'no' | null;
  outlet: 'unswitched' | 'switched' | 'none' | null;
  frost: boolean | null;
}

export type Counter =
  | 'steel'
  | 'laminate'
  | 'wood'
  | 'composite'
  | 'quartz'
  | 'granite'
  | 'porcelain';

/** A site that nobody has looked at. */
export const unseenSite: PlumbingSite = {
  supply: null,
  drainMaterial: null,
  drainRun: null,
  drainPipeM: null,
  disposal: null,
  dishwasher: null,
  airGap: null,
  counter: null,
  holeThere: null,
  drilling: null,
  outlet: null,
  frost: null,
};
