import {
  type DecisionOption,
  judge,
  type JudgedDesign,
  optionConsequences,
  recommend,
  type Requirements,
  type SizingTask,
  type SizingWaters,
  type SystemDesign,
} from '@katharos/core';
import { expose } from 'comlink';

/** Sizing off the interface's thread. */
const sizing = {
  recommend: (task: SizingTask, onProgress: (share: number) => void) => recommend(task, onProgress),
  consequences: (
    options: Pick<DecisionOption, 'design' | 'settings'>[],
    waters: SizingWaters,
    requirements: Requirements,
  ): JudgedDesign[] => optionConsequences(options, waters, requirements),
  judgeAll: (
    designs: SystemDesign[],
    waters: SizingWaters,
    requirements: Requirements,
  ): JudgedDesign[] => designs.map((design) => judge(design, waters, requirements)),
};
export type SizingWorker = typeof sizing;
expose(sizing);
