import type { JobBrief } from '@katharos/job';
import { type Reader } from '@katharos/words';
import type { Assessment, SystemDesign } from '@katharos/core';
import type { Explanation } from '../../ui/Figure.tsx';

/** For each figure of a sized system: its equation in words, where it comes from, and the numbers that went in. */
export function explainFigures(
  design: SystemDesign,
  today: Assessment,
  brief: JobBrief,
  reader: Reader,
): Record<
  'production' | 'worst' | 'tds' | 'rejection' | 'fill' | 'drain' | 'shutoff' | 'tap',
  Explanation
> {
  const { running, water } = today;
  const { worst } = brief.task.waters;
  const feed: Explanation['inputs'] = [
    ['Feed', reader.say('tds', water.tdsMgL)],
    ['Supply', reader.say('pressure', water.pressureBar)],
    ['Water', reader.say('temperature', water.temperatureC)],
  ];
  const driving: Explanation['inputs'] = [
    ['At the membrane', reader.say('pressure', running.membranePressureBar)],
    ['Product side', reader.say('pressure', running.permeateBackPressureBar)],
    ['Net driving pressure', reader.say('pressure', today.netDrivingPressureBar)],
  ];
  const model =
    'Solution-diffusion with concentration polarisation along a spiral element; osmotic pressure and net driving pressure by ASTM D4516.';
  return {
    production: {
      equation: today.fill
        ? 'Usable volume over the time of a fill: the flow falls as the tank pushes back, so it is the integral of dV/Q over the tank’s pressure.'
        : 'Product flow at the open tap, for a day.',
      source: model,
      inputs: [...feed, ...driving],
    },
    worst: {
      equation:
        'The same in the coldest water at the lowest pressure, with a fifth of the membrane’s flow lost and half as much salt passage again.',
      source: `${model} Ageing is a default.`,
      inputs: [
        ['Supply', reader.say('pressure', worst.pressureBar)],
        ['Water', reader.say('temperature', worst.temperatureC)],
      ],
    },
    tds: {
      equation:
        'Salt that diffused through over water that was pushed through, mixed over a whole fill. Before any mineral cartridge.',
      source: model,
      inputs: [...feed, ['Recovery running', reader.percent(running.recovery)]],
    },
    rejection: {
      equation: '1 − product TDS / feed TDS.',
      source: `${model} The element’s permeances come from its rating.`,
      inputs: [
        ['Product', reader.say('tds', today.productTdsMgL)],
        ['Feed', reader.say('tds', water.tdsMgL)],
        ['Rated', reader.percent(design.membrane.rating.ratedRejection, 1)],
      ],
    },
    fill: {
      equation:
        'Integral of dV/Q from the empty tank to the shut-off; the tank’s air is compressed at constant temperature.',
      source:
        'Boyle’s law for the air cushion; product flow from the operating point at each pressure.',
      inputs: [
        ['Precharge', design.tank ? reader.say('pressure', design.tank.prechargeBar) : 'no tank'],
        ['Flow at the start', reader.say('flow', running.permeateFlowLPerH)],
        ['Usable', reader.say('volume', today.usableVolumeL)],
      ],
    },
    drain: {
      equation: 'Concentrate through the restrictor, Q = k √P, over the whole fill.',
      source: 'Orifice equation from the restrictor’s rating.',
      inputs: [
        ['Concentrate', reader.say('flow', running.concentrateFlowLPerH)],
        ['Product at the start', reader.say('flow', running.permeateFlowLPerH)],
        ['Recovery running', reader.percent(running.recovery)],
      ],
    },
    shutoff: {
      equation: design.pump
        ? 'The pump’s switch opens at its cut-out.'
        : 'The four-port valve closes at its ratio times the supply pressure, if production can reach that; it is stalled where the flow has fallen to a thousandth.',
      source: 'The valve’s or switch’s own data; production from the operating point.',
      inputs: driving,
    },
    tap: {
      equation: 'Tank pressure, half drawn down, spent on tube, post filter, rise and tap.',
      source:
        'Darcy-Weisbach with Churchill’s friction factor (1977); filter linear in flow and viscosity.',
      inputs: [
        [
          'Tube',
          `${reader.say('length', design.line.lengthM)} of ${reader.number(design.line.innerDiameterMm, 1)} mm bore`,
        ],
        ['Rise', reader.say('length', design.line.riseM)],
        ['Tank full', reader.say('tapFlow', today.tapFullLPerMin)],
      ],
    },
  };
}
