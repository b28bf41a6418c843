import type { AddedLamp } from '../../system/ultravioletLine.ts';
import { sizeOfBore } from '../places/tubeSize.ts';
import { permissionSteps, siteCautions } from './houseSteps.ts';
import { lampStep } from './unitSteps.ts';
import type { WorkFacts } from './workFacts.ts';
import type { StepDraft } from './workStep.ts';

/** The line is cut once: two ends, a union on each, and a clip where a union holds the tube that was there. */
const cutEnds = 2;

/** Steps of adding a lamp to a system that is there: prove it, shut it off, mount the lamp, open its product line. */
export function addedLampSteps(
  { site }: WorkFacts,
  { lamp, line, addedTo }: AddedLamp,
): StepDraft[] {
  const wide = sizeOfBore(line.innerDiameterMm) === '3/8"' ? '-wide' : '';
  const tank = addedTo === 'tank-system' ? 1 : 0;
  const mounted = lampStep(lamp.id);
  return [
    ...permissionSteps(site),
    { code: 'prove-existing', tools: ['tds-meter', 'measuring-jug'] },
    {
      code: 'lay-out',
      after: ['prove-existing'],
      tools: ['tape-measure', 'marker', 'lamp'],
      cautions: siteCautions(site),
      data: { added: 1 },
    },
    { code: 'isolate-existing', after: ['prove-existing'], data: { tank } },
    {
      code: 'relieve-pressure',
      after: ['isolate-existing'],
      tools: ['bucket', 'towel'],
      data: { product: 1 },
    },
    {
      ...mounted,
      after: [...(mounted.after ?? []), 'ask-permission'],
      tools: [...(mounted.tools ?? []), 'spirit-level'],
      cautions: [...(mounted.cautions ?? []), 'behind-the-wall', 'clearance-lamp'],
    },
    {
      code: 'cut-product-line',
      after: ['relieve-pressure', 'mount-lamp'],
      tools: ['tube-cutter', 'towel'],
      parts: [
        { key: `union${wide}`, quantity: cutEnds },
        { key: `lock-clip${wide}`, quantity: cutEnds },
      ],
      cautions: ['no-metal-pipe'],
      data: { tank },
    },
  ];
}
