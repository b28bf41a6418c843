import { flushTimes } from '../../base/practice.ts';
import type { Serviced, ServicedKind } from '../../keeping/due/serviced.ts';
import type { SystemDesign } from '../../system/design.ts';
import type { FaultCode } from '../diagnosis/fault.ts';
import { isSealed } from '../flush/flushPlan.ts';
import { mendingAct } from './mendPlan.ts';
import { type Act, type ServiceFacts, servicePlan } from './servicePlan.ts';
import type { Closing, ServiceStep } from './serviceStep.ts';

/** What each opens, and minutes that have to run afterwards: until it is clear, black at first. Defaults of practice. */
const changes: Record<ServicedKind, Omit<Act, 'step' | 'lamp'>> = {
  sediment: { opens: 'unit', runsMin: flushTimes.prefilter, drains: false, puts: 'prefilter' },
  carbon: { opens: 'unit', runsMin: 2 * flushTimes.prefilter, drains: false, puts: 'prefilter' },
  membrane: { opens: 'unit', runsMin: flushTimes.openTap, drains: true, puts: 'membrane' },
  'post-filter': { opens: 'unit', runsMin: flushTimes.prefilter, drains: false },
  mineral: { opens: 'unit', runsMin: flushTimes.prefilter, drains: false },
  lamp: { opens: 'unit', runsMin: flushTimes.simpleStep, drains: false },
  regulator: { opens: 'nothing', runsMin: 0, drains: false },
  'leak-stop': { opens: 'nothing', runsMin: 0, drains: false },
  'tank-air': { opens: 'tank', runsMin: 0, drains: false },
  sanitising: { opens: 'unit', runsMin: flushTimes.openTap, drains: true, disinfects: true },
  'germ-test': { opens: 'nothing', runsMin: 0, drains: false, atEnd: true },
};

/** In the order of the water; housings that are sanitised are sanitised before anything new is in them. */
const order: readonly ServicedKind[] = [
  'sanitising',
  'sediment',
  'carbon',
  'membrane',
  'post-filter',
  'mineral',
  'lamp',
  'tank-air',
  'germ-test',
  'regulator',
  'leak-stop',
];

/** How what holds it is opened on this very system. */
function closingOf(design: SystemDesign, kind: ServicedKind): Closing {
  switch (kind) {
    case 'sediment':
    case 'carbon':
      return design.unit?.closing ?? 'housing';
    case 'membrane':
      return isSealed(design) ? (design.unit?.closing ?? 'quarter-turn') : 'vessel';
    case 'post-filter':
    case 'mineral':
      return 'inline';
    case 'lamp':
      return 'reactor';
    case 'sanitising':
      return design.unit?.closing ?? 'housing';
    case 'tank-air':
    case 'germ-test':
    case 'regulator':
    case 'leak-stop':
      return 'none';
  }
}

/** The steps of a visit: all that is to be changed and mended, in one opening. */
export const changeOutPlan = (
  design: SystemDesign,
  what: readonly Pick<Serviced, 'id' | 'kind'>[],
  faults: readonly FaultCode[] = [],
  facts?: ServiceFacts,
): ServiceStep[] => {
  const placeOf = (id: string, kind: ServicedKind): number | null =>
    what.filter((one) => one.kind === kind).length > 1 ? Number(id.replace(/\D/g, '')) : null;
  return servicePlan(
    design,
    [
      ...faults.map(mendingAct),
      ...[...what]
        .sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind))
        .map(({ id, kind }): Act => ({
          ...changes[kind],
          ...(kind === 'lamp' ? { lamp: true as const } : {}),
          step: {
            code: 'change',
            data: { what: kind, id, closing: closingOf(design, kind), place: placeOf(id, kind) },
          },
        })),
    ],
    facts,
  );
};

/** What a change opens, for whoever walks the states. */
export const opensOf = (kind: ServicedKind): Act['opens'] => changes[kind].opens;
