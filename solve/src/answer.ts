import { checkInput, failureSentence } from '@katharos/words';
import { solveKinds, type SolveRequest, solveRequestSchema } from './request.ts';
import {
  calciteContact,
  certify,
  concentrateLsi,
  diagnose,
  directFlow,
  fillTank,
  type Given,
  normalise,
  operatingPoint,
  type OperatingPoint,
  type Outcome,
  permeatePh,
  readingCodes,
  simulateFault,
  tapFlow,
  trend,
  washoutPlan,
} from '@katharos/core';

/** An answer to one line: the solved fields, or an error that names the field at fault. */
export type Answer = { id?: unknown } & (
  | Record<string, unknown>
  | { error: { code: string; path: string; message: string } }
);

const refuse = (id: unknown, code: string, path: string, message: string): Answer => ({
  ...(id === undefined ? {} : { id }),
  error: { code, path, message },
});

/** Answers one line of text. Never throws for what a line says; the next line is answered whatever this one held. */
export function answerLine(line: string): Answer {
  let parsed: unknown;
  try {
    parsed = JSON.parse(line);
  } catch (error) {
    return refuse(
      null,
      'malformed-json',
      '',
      `This line is not JSON: ${(error as Error).message}.`,
    );
  }
  if (typeof parsed !== 'object' || parsed === null || Array.isArray(parsed)) {
    return refuse(
      null,
      'not-an-object',
      '',
      'A request is a JSON object with "kind" and its fields.',
    );
  }
  return answer(parsed);
}

/** Answers a request; one wrapped as `{"id", "request"}`, as the solved cases are kept, is unwrapped. */
export function answer(line: object): Answer {
  const wrapped = 'request' in line && typeof line.request === 'object' && line.request !== null;
  const { id: outerId } = line as { id?: unknown };
  const { id: innerId, ...request } = (wrapped ? (line as { request: object }).request : line) as {
    id?: unknown;
    kind?: unknown;
  };
  const id = outerId ?? innerId;
  if (!solveKinds.includes(request.kind as SolveRequest['kind'])) {
    const kinds = solveKinds.join(', ');
    return refuse(id, 'unknown-kind', 'kind', `"kind" must be one of ${kinds}.`);
  }
  const checked = checkInput(solveRequestSchema, request);
  if (!checked.ok) {
    const { code, path, sentence } = checked.faults[0];
    return refuse(id, code.replaceAll('_', '-'), path, sentence);
  }
  const outcome = solve(checked.value);
  if (!outcome.ok) {
    const { code, path } = outcome.failure;
    return refuse(id, code, path, failureSentence(outcome.failure));
  }
  return { ...(id === undefined ? {} : { id }), ...outcome.value };
}

function solve(request: SolveRequest): Outcome<Record<string, unknown>> {
  switch (request.kind) {
    case 'operating-point':
      return withoutWork(operatingPoint(request));
    case 'direct-flow':
      return withoutWork(directFlow(request));
    case 'tank-fill':
      return asRecord(fillTank(request));
    case 'tap-flow':
      return asRecord(tapFlow(request));
    case 'permeate-ph':
      return asRecord(permeatePh(request.feed, request.saltPassage));
    case 'concentrate-lsi':
      return asRecord(concentrateLsi(request.feed, request.recovery, request.saltPassage));
    case 'calcite-contact':
      return asRecord(calciteContact(request.water, request.media, request.flowLPerH));
    case 'flush-plan':
      return asRecord(washoutPlan(request));
    case 'simulate-fault':
      return asRecord(simulateFault({ ...request, severity: request.severity ?? undefined }));
    case 'diagnose':
      return diagnosis(request);
    case 'trend':
      return asRecord(trend({ ...request, instruments: defined(request.instruments ?? {}) }));
    case 'certify':
      return { ok: true, value: { ...certify(request) } };
    case 'normalise':
      return asRecord(normalise(request.measured, request.reference));
  }
}

function diagnosis({
  readings,
  ...asked
}: Extract<SolveRequest, { kind: 'diagnose' }>): Outcome<Record<string, unknown>> {
  const given = readingCodes.flatMap((code): Given[] => {
    const seen = readings[code];
    if (seen === undefined) return [];
    return typeof seen === 'object' && seen !== null
      ? [{ code, seen: seen.value, uncertainty: seen.standardUncertainty }]
      : [{ code, seen }];
  });
  const outcome = diagnose({ ...asked, given, instruments: defined(asked.instruments ?? {}) });
  if (!outcome.ok) return outcome;
  const { causes, next } = outcome.value;
  return { ok: true, value: { causes, next } };
}

/** An object without what is undefined in it, so that it can be laid over defaults. */
const defined = <T extends object>(given: T) =>
  Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]?: Exclude<T[K], undefined>;
  };

const asRecord = (outcome: Outcome<object>): Outcome<Record<string, unknown>> =>
  outcome.ok ? { ok: true, value: { ...outcome.value } } : outcome;

/** The number of marches is the solver's own affair, not part of the documented answer. */
function withoutWork(outcome: Outcome<OperatingPoint>): Outcome<Record<string, unknown>> {
  if (!outcome.ok) return outcome;
  const { marches: _marches, ...value } = outcome.value;
  return { ok: true, value };
}
