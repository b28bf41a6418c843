import type { WrittenPlace } from './writtenPlace.ts';

/** Written by `npm run schema` from the document's schema; nobody changes it by hand. */

const words = (text: string): string[] => text.split(' ');

const place1: WrittenPlace = {};
const place2: WrittenPlace = { optional: true };
const place3: WrittenPlace = { isPerson: true };
const place4: WrittenPlace = {
  isWhole: true,
  optional: true,
  fields: [{ of: words('by'), place: place3 }],
};
const place5: WrittenPlace = { isWhole: true, optional: true };
const place6: WrittenPlace = { isWhole: true, fields: [{ of: words('by'), place: place3 }] };
const place7: WrittenPlace = {
  isWhole: true,
  optional: true,
  fields: [{ of: words('by'), place: place3 }],
};
const place8: WrittenPlace = { each: place7 };
const place9: WrittenPlace = { optional: true, each: place2 };
const place10: WrittenPlace = { optional: true, each: place5 };
const place11: WrittenPlace = { optional: true, each: place7 };
const place12: WrittenPlace = {
  fields: [
    {
      of: words(
        'feedTds productTds temperature pressure productFlow drainFlow staticPressure membranePressure tankFullPressure tankEmptyPressure deliveredVolume tapFlowFull tapFlowAfterTwo chlorineAfterCarbon productHardness productPh fillTime productTdsRepeat drainFlowTubeOff productFlowTubeOff meterCheck tankPressureDrop',
      ),
      place: place4,
    },
  ],
};
export const documentPlaces: WrittenPlace = {
  fields: [
    {
      of: words('customer'),
      place: {
        fields: [
          { of: words('name address phone note'), place: place1 },
          { of: words('email'), place: place2 },
        ],
      },
    },
    {
      of: words('survey'),
      place: {
        fields: [
          {
            of: words('readings'),
            place: {
              fields: [
                {
                  of: words(
                    'feedTds pressure temperature demand coldest warmest lowestPressure highestPressure hardness alkalinity pH largestDraw lineLength rise',
                  ),
                  place: place4,
                },
              ],
            },
          },
          {
            of: words('details'),
            place: {
              fields: [
                {
                  of: words(
                    'disinfectant iron manganese sulfide turbidity transmittance staticPressure cabinetWidth cabinetHeight cabinetDepth drainPipe straightPipe spoutToBowl outletDistance doorWidth doorHeight fridgeLine fridgeRise iceLine iceRise secondTapLine secondTapRise machineLine machineRise branchPressure existingFlow existingTds',
                  ),
                  place: place4,
                },
              ],
            },
          },
          { of: words('source disinfectant safe outlet'), place: place1 },
          { of: words('tankRoom minerals meterScale'), place: place2 },
          { of: words('purposes laboratory'), place: place5 },
          {
            of: words('site'),
            place: {
              fields: [
                {
                  of: words(
                    'supplyKind drainMaterial drainRun disposal dishwasher airGap counter tapHole drilling frost existing',
                  ),
                  place: place2,
                },
              ],
            },
          },
          {
            of: words('household'),
            place: {
              optional: true,
              fields: [
                {
                  of: words('people drinkingL hotDrinks meals potL pets plantsL guestChance'),
                  place: place1,
                },
                { of: words('day'), place: place2 },
              ],
            },
          },
        ],
      },
    },
    {
      of: words('system'),
      place: {
        isWhole: true,
        fields: [
          { of: words('chosenBy'), place: place3 },
          { of: words('agreed'), place: place6 },
        ],
      },
    },
    {
      of: words('size'),
      place: {
        fields: [
          { of: words('weights limits'), place: { each: place2 } },
          { of: words('overruled'), place: place8 },
          { of: words('compared'), place: place1 },
        ],
      },
    },
    {
      of: words('plumb'),
      place: {
        fields: [
          { of: words('routes'), place: { each: place5 } },
          { of: words('ticks'), place: place8 },
          { of: words('feed coils obstacles order'), place: place2 },
          { of: words('drain nextCupboard remote'), place: place5 },
          { of: words('colours sizes notes'), place: place9 },
          { of: words('placements'), place: place10 },
          { of: words('done'), place: place11 },
        ],
      },
    },
    {
      of: words('flush'),
      place: {
        fields: [
          {
            of: words('steps'),
            place: {
              each: {
                optional: true,
                fields: [
                  { of: words('startedAt'), place: place1 },
                  { of: words('done'), place: place6 },
                  { of: words('minutes reason endedUnseen'), place: place2 },
                  { of: words('seen'), place: place5 },
                ],
              },
            },
          },
          { of: words('readings'), place: place11 },
          {
            of: words('troubles'),
            place: {
              optional: true,
              each: {
                isWhole: true,
                optional: true,
                fields: [
                  { of: words('by'), place: place3 },
                  { of: words('mended'), place: { fields: [{ of: words('by'), place: place3 }] } },
                ],
              },
            },
          },
          { of: words('notes'), place: place9 },
          { of: words('lead'), place: place4 },
          { of: words('sanitise visits'), place: place2 },
          { of: words('plan'), place: place5 },
        ],
      },
    },
    {
      of: words('verify'),
      place: {
        fields: [
          { of: words('readings'), place: place12 },
          {
            of: words('noted'),
            place: {
              optional: true,
              fields: [
                {
                  of: words(
                    'totalChlorine pumpDischarge pumpCutout drainStill drainDrips restartPressure productCounter',
                  ),
                  place: place4,
                },
              ],
            },
          },
          { of: words('looks complaints'), place: place11 },
          { of: words('samplePoint shutoffSimulated'), place: place2 },
          { of: words('instruments'), place: place10 },
          { of: words('accepted lampLook'), place: place4 },
          {
            of: words('germTest'),
            place: {
              isWhole: true,
              optional: true,
              fields: [
                { of: words('ordered sampled released'), place: place4 },
                {
                  of: words('result'),
                  place: { optional: true, fields: [{ of: words('by'), place: place3 }] },
                },
              ],
            },
          },
          {
            of: words('mending'),
            place: {
              isWhole: true,
              optional: true,
              fields: [
                { of: words('done'), place: { each: place4 } },
                { of: words('by'), place: place3 },
              ],
            },
          },
          {
            of: words('earlier'),
            place: {
              optional: true,
              each: {
                isWhole: true,
                optional: true,
                fields: [
                  { of: words('readings'), place: place12 },
                  { of: words('looks complaints'), place: { optional: true, each: place4 } },
                  {
                    of: words('noted'),
                    place: {
                      optional: true,
                      fields: [
                        {
                          of: words(
                            'totalChlorine pumpDischarge pumpCutout drainStill drainDrips restartPressure productCounter',
                          ),
                          place: place4,
                        },
                      ],
                    },
                  },
                  { of: words('by'), place: place3 },
                ],
              },
            },
          },
          { of: words('shutoffTest leakCheck note'), place: place1 },
          { of: words('leaks'), place: place9 },
          {
            of: words('ions'),
            place: {
              optional: true,
              fields: [{ of: words('nitrate arsenic lead fluoride pfas boron'), place: place4 }],
            },
          },
        ],
      },
    },
    {
      of: words('keep'),
      place: {
        fields: [
          { of: words('issued'), place: place6 },
          { of: words('remark'), place: place1 },
        ],
      },
    },
    {
      of: words('service'),
      place: {
        optional: true,
        fields: [
          { of: words('since'), place: place2 },
          {
            of: words('visits'),
            place: {
              optional: true,
              each: {
                optional: true,
                fields: [
                  { of: words('kind at note'), place: place1 },
                  { of: words('by'), place: place3 },
                  {
                    of: words('readings'),
                    place: {
                      fields: [
                        {
                          of: words(
                            'feedTds productTds temperature pressure productFlow drainFlow staticPressure membranePressure tankFullPressure tankEmptyPressure deliveredVolume tapFlowFull tapFlowAfterTwo chlorineAfterCarbon productHardness productPh fillTime productTdsRepeat drainFlowTubeOff productFlowTubeOff meterCheck tankPressureDrop totalChlorine pumpDischarge pumpCutout drainStill drainDrips restartPressure productCounter',
                          ),
                          place: place4,
                        },
                      ],
                    },
                  },
                  {
                    of: words('after'),
                    place: {
                      optional: true,
                      fields: [
                        {
                          of: words(
                            'feedTds productTds temperature pressure productFlow drainFlow staticPressure membranePressure tankFullPressure tankEmptyPressure deliveredVolume tapFlowFull tapFlowAfterTwo chlorineAfterCarbon productHardness productPh fillTime productTdsRepeat drainFlowTubeOff productFlowTubeOff meterCheck tankPressureDrop totalChlorine pumpDischarge pumpCutout drainStill drainDrips restartPressure productCounter',
                          ),
                          place: place4,
                        },
                      ],
                    },
                  },
                  { of: words('seen complaints done changed'), place: place11 },
                  { of: words('faults planned'), place: place5 },
                  { of: words('lampHours'), place: place2 },
                  { of: words('begun'), place: place9 },
                ],
              },
            },
          },
        ],
      },
    },
  ],
};
