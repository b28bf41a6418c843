import {
  type DecisionTopic,
  decisionOptions,
  type DecisionOption,
  type InstalledSystem,
  isUltravioletLine,
} from '@katharos/core';
import { useIssue } from '../../papers/useIssue.ts';
import { useJob } from './useJob.ts';
import { useSizing } from './sizingContext.ts';
import { useCallback } from 'react';

/** Choosing, agreeing and deciding otherwise, each as one step that undo takes back. */
export function useChosenSystem() {
  const { jobId, document, edit, stamp } = useJob();
  const issue = useIssue(jobId);
  const { brief, best, catalogue } = useSizing();
  const settings = brief?.ok ? brief.value.settings : null;
  const { system } = document;

  const choose = useCallback(
    (design: InstalledSystem) => {
      const { at, by } = stamp();
      edit(() => ({ system: { design, chosenAt: at, chosenBy: by, agreed: null } }));
    },
    [edit, stamp],
  );
  const drop = useCallback(() => edit(() => ({ system: null })), [edit]);
  const agree = useCallback(
    (on: boolean) => {
      edit((current) => ({
        system: current.system && { ...current.system, agreed: on ? stamp() : null },
      }));
      // What was agreed on is a record from this moment.
      if (on) void issue('proposal');
    },
    [edit, stamp, issue],
  );
  const overrule = useCallback(
    (topic: DecisionTopic, option: DecisionOption, reason: string) =>
      edit((current) => ({
        size: {
          ...current.size,
          overruled: {
            ...current.size.overruled,
            [topic]: { option: option.key, reason, ...stamp() },
          },
        },
        system: current.system && { ...current.system, design: option.design },
      })),
    [edit, stamp],
  );
  const restore = useCallback(
    (topic: DecisionTopic) =>
      edit((current) => {
        const { [topic]: _old, ...overruled } = current.size.overruled;
        const held = current.system;
        if (!held || isUltravioletLine(held.design) || !best || !settings) {
          return { size: { ...current.size, overruled } };
        }
        // What the proposal has for this topic goes into the design as it stands otherwise.
        const proposed = decisionOptions(topic, best, settings, catalogue).find((o) => o.inUse);
        const back = decisionOptions(topic, held.design, settings, catalogue).find(
          (option) => option.key === proposed?.key,
        );
        return {
          size: { ...current.size, overruled },
          system: back ? { ...held, design: back.design } : held,
        };
      }),
    [edit, best, settings, catalogue],
  );
  return { system, agreed: system?.agreed ?? null, choose, drop, agree, overrule, restore };
}
