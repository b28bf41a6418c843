import type { VerifyRecord } from '@katharos/job';
import type { Reader } from './reader.ts';

/** How far a laboratory's test for germs went. */
export function germTestSentence(
  { ordered, sampled, result, released }: NonNullable<VerifyRecord['germTest']>,
  reader: Reader,
): string {
  const said = [
    ...(ordered ? [`ordered ${reader.when(ordered.at, 'date')}`] : []),
    ...(sampled ? [`sampled ${reader.when(sampled.at, 'date')}`] : []),
    ...(result
      ? [`${result.found ? 'germs found' : 'no germs found'}, ${reader.when(result.at, 'date')}`]
      : []),
    ...(released ? [`released by ${released.by}, ${reader.when(released.at, 'date')}`] : []),
  ];
  return said.length > 0 ? said.join('; ') : 'not ordered';
}

/** A lamp's counter and alarm in words; empty where neither was looked at. */
export const lampSentence = (
  { hours, alarm }: NonNullable<VerifyRecord['lampLook']>,
  reader: Reader,
): string =>
  [
    ...(hours === undefined ? [] : [`${reader.number(hours, 0)} h on its counter`]),
    ...(alarm ? [alarm === 'quiet' ? 'alarm quiet' : 'alarm sounds'] : []),
  ].join(', ');
