import { placeOfReading } from '@katharos/job';
import type { ReadingCode } from '@katharos/core';
import { LookField } from './LookField.tsx';
import { ShutoffTest } from './Checks.tsx';
import { VerifyReading } from './VerifyReading.tsx';

/** Where a reading is entered, whatever it is: a figure, a look, the shut-off test. */
export function ReadingEntry({ code }: { code: ReadingCode }) {
  const place = placeOfReading(code);
  if ('figure' in place) return <VerifyReading name={place.figure} />;
  return 'look' in place ? <LookField look={place.look} /> : <ShutoffTest />;
}
