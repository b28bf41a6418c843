import type { WrittenPlace } from './writtenPlace.ts';

/** Written by `npm run schema` from the document's schema; nobody changes it by hand. */
export const documentPlaces: WrittenPlace = {
  fields: {
    customer: {
      fields: {
        name: {},
        address: {},
        phone: {},
        email: {
          optional: true,
        },
        note: {},
      },
    },
    survey: {
      fields: {
        readings: {
          fields: {
            feedTds: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            pressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            temperature: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            demand: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            coldest: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            warmest: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            lowestPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            highestPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            hardness: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            alkalinity: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            pH: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            largestDraw: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            lineLength: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            rise: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
          },
        },
        details: {
          fields: {
            disinfectant: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            iron: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            manganese: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            sulfide: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            turbidity: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            transmittance: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            staticPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            cabinetWidth: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            cabinetHeight: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            cabinetDepth: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            drainPipe: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            straightPipe: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            spoutToBowl: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            outletDistance: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            doorWidth: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            doorHeight: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            fridgeLine: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            fridgeRise: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            iceLine: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            iceRise: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            secondTapLine: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            secondTapRise: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            machineLine: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            machineRise: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            branchPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            existingFlow: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            existingTds: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
          },
        },
        source: {},
        disinfectant: {},
        safe: {},
        outlet: {},
        tankRoom: {
          optional: true,
        },
        minerals: {
          optional: true,
        },
        site: {
          fields: {
            supplyKind: {
              optional: true,
            },
            drainMaterial: {
              optional: true,
            },
            drainRun: {
              optional: true,
            },
            disposal: {
              optional: true,
            },
            dishwasher: {
              optional: true,
            },
            airGap: {
              optional: true,
            },
            counter: {
              optional: true,
            },
            tapHole: {
              optional: true,
            },
            drilling: {
              optional: true,
            },
            frost: {
              optional: true,
            },
            existing: {
              optional: true,
            },
          },
        },
        household: {
          fields: {
            people: {},
            drinkingL: {},
            hotDrinks: {},
            meals: {},
            potL: {},
            pets: {},
            plantsL: {},
            guestChance: {},
            day: {
              optional: true,
            },
          },
          optional: true,
        },
        meterScale: {
          optional: true,
        },
        laboratory: {
          isWhole: true,
          optional: true,
        },
      },
    },
    system: {
      isWhole: true,
      fields: {
        chosenBy: {
          isPerson: true,
        },
        agreed: {
          isWhole: true,
          fields: {
            by: {
              isPerson: true,
            },
          },
        },
      },
    },
    size: {
      fields: {
        weights: {
          each: {
            optional: true,
          },
        },
        limits: {
          each: {
            optional: true,
          },
        },
        overruled: {
          each: {
            isWhole: true,
            fields: {
              by: {
                isPerson: true,
              },
            },
            optional: true,
          },
        },
        compared: {},
      },
    },
    plumb: {
      fields: {
        routes: {
          each: {
            isWhole: true,
            optional: true,
          },
        },
        ticks: {
          each: {
            isWhole: true,
            fields: {
              by: {
                isPerson: true,
              },
            },
            optional: true,
          },
        },
        feed: {
          optional: true,
        },
        drain: {
          isWhole: true,
          optional: true,
        },
        colours: {
          each: {
            optional: true,
          },
          optional: true,
        },
        coils: {
          optional: true,
        },
        sizes: {
          each: {
            optional: true,
          },
          optional: true,
        },
        nextCupboard: {
          isWhole: true,
          optional: true,
        },
        remote: {
          isWhole: true,
          optional: true,
        },
        obstacles: {
          optional: true,
        },
        placements: {
          each: {
            isWhole: true,
            optional: true,
          },
          optional: true,
        },
        done: {
          each: {
            isWhole: true,
            fields: {
              by: {
                isPerson: true,
              },
            },
            optional: true,
          },
          optional: true,
        },
        notes: {
          each: {
            optional: true,
          },
          optional: true,
        },
        order: {
          optional: true,
        },
      },
    },
    flush: {
      fields: {
        steps: {
          each: {
            fields: {
              startedAt: {},
              done: {
                isWhole: true,
                fields: {
                  by: {
                    isPerson: true,
                  },
                },
              },
              minutes: {
                optional: true,
              },
              seen: {
                isWhole: true,
                optional: true,
              },
              reason: {
                optional: true,
              },
              endedUnseen: {
                optional: true,
              },
            },
            optional: true,
          },
        },
        readings: {
          each: {
            isWhole: true,
            fields: {
              by: {
                isPerson: true,
              },
            },
            optional: true,
          },
          optional: true,
        },
        troubles: {
          each: {
            isWhole: true,
            fields: {
              by: {
                isPerson: true,
              },
              mended: {
                fields: {
                  by: {
                    isPerson: true,
                  },
                },
              },
            },
            optional: true,
          },
          optional: true,
        },
        notes: {
          each: {
            optional: true,
          },
          optional: true,
        },
        lead: {
          isWhole: true,
          optional: true,
          fields: {
            by: {
              isPerson: true,
            },
          },
        },
        sanitise: {
          optional: true,
        },
        plan: {
          isWhole: true,
          optional: true,
        },
      },
    },
    verify: {
      fields: {
        readings: {
          fields: {
            feedTds: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            productTds: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            temperature: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            pressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            productFlow: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            drainFlow: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            staticPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            membranePressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            tankFullPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            tankEmptyPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            deliveredVolume: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            tapFlowFull: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            tapFlowAfterTwo: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            chlorineAfterCarbon: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            productHardness: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            productPh: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            fillTime: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            productTdsRepeat: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            drainFlowTubeOff: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            productFlowTubeOff: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            meterCheck: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            tankPressureDrop: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
          },
        },
        noted: {
          fields: {
            pumpDischarge: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            pumpCutout: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            drainStill: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            drainDrips: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            restartPressure: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            productCounter: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
          },
          optional: true,
        },
        looks: {
          each: {
            isWhole: true,
            fields: {
              by: {
                isPerson: true,
              },
            },
            optional: true,
          },
          optional: true,
        },
        samplePoint: {
          optional: true,
        },
        instruments: {
          each: {
            isWhole: true,
            optional: true,
          },
          optional: true,
        },
        complaints: {
          each: {
            isWhole: true,
            fields: {
              by: {
                isPerson: true,
              },
            },
            optional: true,
          },
          optional: true,
        },
        accepted: {
          isWhole: true,
          optional: true,
          fields: {
            by: {
              isPerson: true,
            },
          },
        },
        germTest: {
          isWhole: true,
          optional: true,
          fields: {
            ordered: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            sampled: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            result: {
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
            released: {
              isWhole: true,
              optional: true,
              fields: {
                by: {
                  isPerson: true,
                },
              },
            },
          },
        },
        lampLook: {
          isWhole: true,
          optional: true,
          fields: {
            by: {
              isPerson: true,
            },
          },
        },
        mending: {
          isWhole: true,
          optional: true,
          fields: {
            done: {
              each: {
                isWhole: true,
                optional: true,
                fields: {
                  by: {
                    isPerson: true,
                  },
                },
              },
            },
            by: {
              isPerson: true,
            },
          },
        },
        earlier: {
          each: {
            isWhole: true,
            fields: {
              readings: {
                fields: {
                  feedTds: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productTds: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  temperature: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productFlow: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainFlow: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  staticPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  membranePressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankFullPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankEmptyPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  deliveredVolume: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tapFlowFull: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tapFlowAfterTwo: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  chlorineAfterCarbon: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productHardness: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productPh: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  fillTime: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productTdsRepeat: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainFlowTubeOff: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productFlowTubeOff: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  meterCheck: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankPressureDrop: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                },
              },
              looks: {
                optional: true,
                each: {
                  isWhole: true,
                  optional: true,
                  fields: {
                    by: {
                      isPerson: true,
                    },
                  },
                },
              },
              noted: {
                optional: true,
                fields: {
                  pumpDischarge: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pumpCutout: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainStill: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainDrips: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  restartPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productCounter: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                },
              },
              complaints: {
                optional: true,
                each: {
                  isWhole: true,
                  optional: true,
                  fields: {
                    by: {
                      isPerson: true,
                    },
                  },
                },
              },
              by: {
                isPerson: true,
              },
            },
            optional: true,
          },
          optional: true,
        },
        shutoffTest: {},
        shutoffSimulated: {
          optional: true,
        },
        leakCheck: {},
        note: {},
      },
    },
    keep: {
      fields: {
        issued: {
          isWhole: true,
          fields: {
            by: {
              isPerson: true,
            },
          },
        },
        remark: {},
      },
    },
    service: {
      fields: {
        since: {
          optional: true,
        },
        visits: {
          each: {
            fields: {
              kind: {},
              at: {},
              by: {
                isPerson: true,
              },
              readings: {
                fields: {
                  feedTds: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productTds: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  temperature: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productFlow: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainFlow: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  staticPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  membranePressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankFullPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankEmptyPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  deliveredVolume: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tapFlowFull: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tapFlowAfterTwo: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  chlorineAfterCarbon: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productHardness: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productPh: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  fillTime: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productTdsRepeat: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainFlowTubeOff: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productFlowTubeOff: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  meterCheck: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankPressureDrop: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pumpDischarge: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pumpCutout: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainStill: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainDrips: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  restartPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productCounter: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                },
              },
              after: {
                fields: {
                  feedTds: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productTds: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  temperature: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productFlow: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainFlow: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  staticPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  membranePressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankFullPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankEmptyPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  deliveredVolume: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tapFlowFull: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tapFlowAfterTwo: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  chlorineAfterCarbon: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productHardness: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productPh: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  fillTime: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productTdsRepeat: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainFlowTubeOff: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productFlowTubeOff: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  meterCheck: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  tankPressureDrop: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pumpDischarge: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  pumpCutout: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainStill: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  drainDrips: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  restartPressure: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                  productCounter: {
                    isWhole: true,
                    optional: true,
                    fields: {
                      by: {
                        isPerson: true,
                      },
                    },
                  },
                },
                optional: true,
              },
              seen: {
                each: {
                  isWhole: true,
                  fields: {
                    by: {
                      isPerson: true,
                    },
                  },
                  optional: true,
                },
                optional: true,
              },
              complaints: {
                each: {
                  isWhole: true,
                  fields: {
                    by: {
                      isPerson: true,
                    },
                  },
                  optional: true,
                },
                optional: true,
              },
              faults: {
                isWhole: true,
                optional: true,
              },
              lampHours: {
                optional: true,
              },
              planned: {
                isWhole: true,
                optional: true,
              },
              done: {
                each: {
                  isWhole: true,
                  fields: {
                    by: {
                      isPerson: true,
                    },
                  },
                  optional: true,
                },
                optional: true,
              },
              begun: {
                each: {
                  optional: true,
                },
                optional: true,
              },
              changed: {
                each: {
                  isWhole: true,
                  fields: {
                    by: {
                      isPerson: true,
                    },
                  },
                  optional: true,
                },
                optional: true,
              },
              note: {},
            },
            optional: true,
          },
          optional: true,
        },
      },
      optional: true,
    },
  },
};
