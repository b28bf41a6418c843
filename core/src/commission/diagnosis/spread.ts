import { usualShutoffRatio } from '../../tank/bladderTank.ts';
import { boostTimes, strengthTimes } from './fault.ts';
import type { Scenario } from './scenario.ts';
import type { TestedSystem } from './testedSystem.ts';

/** How a sound system differs from what was built and surveyed: in the logarithm, standard deviations; temperature in degrees C. */
export const usualSpread = {
  elementFlow: 0.15,
  elementPassage: 0.25,
  supplyPressure: 0.08,
  feedTds: 0.1,
  temperature: 3,
  restrictor: 0.08,
  prefilter: 0.3,
  boost: 0.08,
  closing: 0.04,
  precharge: 0.12,
  postFilter: 0.25,
  tapKv: 0.1,
  minerals: 0.2,
} as const;

export type SpreadOf = keyof typeof usualSpread;

/** Water under a sink stays within this, degrees C. */
const temperatures = { least: 2, most: 38 };

/** What can differ on a system at all. */
export function spreadsOf(system: TestedSystem): SpreadOf[] {
  const absent: Partial<Record<SpreadOf, boolean>> = {
    prefilter: !system.prefilters,
    boost: !system.pump,
    precharge: !system.tank,
    postFilter: !system.tapLine.postFilter,
    minerals: !system.remineralisation,
  };
  return (Object.keys(usualSpread) as SpreadOf[]).filter((of) => !absent[of]);
}

/** A scenario off by so many standard deviations in each of its spreads. */
export function spreadBy(as: Scenario, by: Partial<Record<SpreadOf, number>>): Scenario {
  const times = (of: SpreadOf) => Math.exp(usualSpread[of] * (by[of] ?? 0));
  const { system } = as;
  const { membrane, restrictor, prefilters, shutoff, tank, tapLine } = system;
  const { postFilter } = tapLine;
  const feed = strengthTimes(system, times('feedTds'));
  const temperatureC = feed.temperatureC + usualSpread.temperature * (by.temperature ?? 0);
  return {
    ...as,
    dissolvedFactor: as.dissolvedFactor * times('minerals'),
    system: {
      ...system,
      feed: {
        ...feed,
        pressureBar: feed.pressureBar * times('supplyPressure'),
        temperatureC: Math.min(Math.max(temperatureC, temperatures.least), temperatures.most),
      },
      membrane: {
        ...membrane,
        flowFactor: (membrane.flowFactor ?? 1) * times('elementFlow'),
        saltPassageFactor: (membrane.saltPassageFactor ?? 1) * times('elementPassage'),
      },
      restrictor: { ...restrictor, flowMlMin: restrictor.flowMlMin * times('restrictor') },
      prefilters: prefilters && {
        ...prefilters,
        dropBar: prefilters.dropBar * times('prefilter'),
      },
      pump: boostTimes(system.pump, times('boost')),
      shutoff:
        shutoff.kind === 'hydraulic'
          ? { ...shutoff, ratio: (shutoff.ratio ?? usualShutoffRatio) * times('closing') }
          : { ...shutoff, cutoutBar: shutoff.cutoutBar * times('closing') },
      tank: tank && { ...tank, prechargeBar: tank.prechargeBar * times('precharge') },
      tapLine: {
        ...tapLine,
        tapKv: tapLine.tapKv * times('tapKv'),
        postFilter: postFilter && {
          ...postFilter,
          dropBar: postFilter.dropBar * times('postFilter'),
        },
      },
    },
  };
}
