import { type CalendarSource, flushCalendar } from '@katharos/papers';
import { saveFile } from '../../ui/saveFile.ts';

export const saveCalendar = (source: CalendarSource): void =>
  saveFile(flushCalendar(source), 'text/calendar', 'flushing.ics');
