import {
  type Ageing,
  type Body,
  type Cabinet,
  causesOf,
  type DaysInTheHouse,
  type DecisionOption,
  type Diagnosis,
  diagnosing,
  type Examination,
  expectedOf,
  type ExpectedReadings,
  type FaultCode,
  type FeedWater,
  type FillFinding,
  fillFinding,
  type Household,
  type InSteps,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
  judge,
  type JudgedDesign,
  liveSampledDays,
  missingRoom,
  type Obstacle,
  type OpenQuestion,
  optionConsequences,
  type Outcome,
  type Part,
  type Practice,
  practisedSystem,
  type PractisedSystem,
  type RankedCause,
  type ReadingWorth,
  recommending,
  type Recommendation,
  type Requirements,
  type SamplePoint,
  type SeenSign,
  type SizingTask,
  type SizingWaters,
  succeed,
  supplyOf,
  type SystemDesign,
  type TestedSystem,
  type Expectation,
  trendExpectations,
  type TrendPicture,
  trendPicture,
  type WayOut,
  waysOut,
  weighingReadings,
} from '@katharos/core';
import { historyOf, type Kept, keptOf } from '@katharos/job';

/** Days lived, with what the chart of them needs. */
export interface LivedDays extends DaysInTheHouse {
  /** Usable water of the full tank, and level at which production starts again, L; null without a tank. */
  tank: { fullL: number; reopenL: number } | null;
}

/** An installed system, and its trend as it can be drawn. */
export interface KeptShown {
  kept: Kept;
  picture: TrendPicture | null;
  /** How the months in which limits are met were expected, visit by visit. */
  expectations: Record<'saltPassage' | 'flow', Expectation[]> | null;
}

/** By how much a system does not fit, and every way out tried. */
export interface NoFit {
  room: Record<keyof Cabinet, number | null>;
  ways: WayOut[];
}

/** All that is known of a system after its readings. */
export interface Examined {
  diagnosis: Diagnosis;
  expected: ExpectedReadings;
}

/** What is judged together, in waters and by requirements. */
interface Judging {
  waters: SizingWaters;
  requirements: Requirements;
}

/** All that is too long for the interface's thread: one input each, and one answer; what takes longer gives it in steps. */
export const tasks = {
  recommend: function* (task: SizingTask): InSteps<Recommendation | null> {
    return (yield* recommending(task)) ?? null;
  },

  consequences: ({
    options,
    waters,
    requirements,
  }: Judging & { options: Pick<DecisionOption, 'design' | 'settings'>[] }): JudgedDesign[] =>
    optionConsequences(options, waters, requirements),

  judgeAll: ({ designs, waters, requirements }: Judging & { designs: SystemDesign[] }) =>
    designs.map((design): JudgedDesign => judge(design, waters, requirements)),

  /** Eight weeks of a household. */
  liveDays: ({
    design,
    water,
    ageing,
    household,
  }: {
    design: SystemDesign;
    water: FeedWater;
    ageing: Ageing;
    household: Household;
  }): Outcome<LivedDays> => {
    const supply = supplyOf(design, water, ageing);
    if (!supply.ok) return supply;
    const { value } = supply;
    return succeed({
      ...liveSampledDays(value, household),
      tank: value.kind === 'tank' ? { fullL: value.fullL, reopenL: value.reopenL } : null,
    });
  },

  /** A few hundred possible surveys. */
  readingWorth: (question: OpenQuestion): InSteps<ReadingWorth> => weighingReadings(question),

  /** What is likely behind a sign that a step is not right. */
  causes: ({
    design,
    water,
    sign,
  }: {
    design: SystemDesign | null;
    water: FeedWater;
    sign: SeenSign;
  }): RankedCause[] => causesOf(design, water, sign),

  /** What explains how long fills took, over what was computed. */
  fills: ({
    design,
    water,
    ratios,
  }: {
    design: SystemDesign;
    water: FeedWater;
    ratios: number[];
  }): (FillFinding | null)[] => ratios.map((ratio) => fillFinding(design, water, ratio)),

  /** What is behind a verification's readings, and what a sound system would show. */
  examine: function* (examination: Examination): InSteps<Examined | null> {
    const expected = expectedOf(examination);
    const diagnosis = yield* diagnosing(examination);
    return expected.ok && diagnosis.ok
      ? { diagnosis: diagnosis.value, expected: expected.value }
      : null;
  },

  /** How an installed system stands on a day: its trend, what is due, the next visit. */
  kept: ({
    document,
    settings,
    today,
  }: {
    document: Parameters<typeof keptOf>[0];
    settings: Parameters<typeof keptOf>[1];
    today: string;
  }): KeptShown | null => {
    const kept = keptOf(document, settings, today);
    if (!kept) return null;
    const history = historyOf(document, undefined, settings);
    const picture = history && trendPicture({ ...history, asOf: today });
    const expected = history && trendExpectations(history);
    return {
      kept,
      picture: picture?.ok ? picture.value : null,
      expectations: expected?.ok ? expected.value : null,
    };
  },

  /** What simulated devices find at a job's system. */
  practise: ({
    system,
    samplePoint,
    practice,
    mended,
  }: {
    system: TestedSystem;
    samplePoint: SamplePoint;
    practice: Practice;
    mended: FaultCode[];
  }): Outcome<PractisedSystem> => practisedSystem(system, samplePoint, practice, mended),

  noFit: ({
    bodies,
    cabinet,
    obstacles,
    system,
    leakStop,
    catalogue,
    waters,
    requirements,
  }: Judging & {
    bodies: readonly Body[];
    cabinet: Cabinet;
    obstacles: readonly Obstacle[];
    system: InstalledSystem;
    leakStop: boolean;
    catalogue: readonly Part[];
  }): NoFit => ({
    room: missingRoom(bodies, cabinet, obstacles),
    ways: isAddedLamp(system)
      ? []
      : isUltravioletLine(system)
        ? [{ kind: 'remote' }]
        : waysOut(system, leakStop, cabinet, obstacles, catalogue, waters, requirements),
  }),
};

export type Tasks = typeof tasks;
export type TaskName = keyof Tasks;
export type TaskInput<K extends TaskName> = Parameters<Tasks[K]>[0];
export type TaskAnswer<K extends TaskName> =
  ReturnType<Tasks[K]> extends InSteps<infer T> ? T : ReturnType<Tasks[K]>;
