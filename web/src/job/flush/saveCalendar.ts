import { type CalendarSource, flushCalendar } from '@katharos/papers';

/** Hands the times to the browser's own way of saving a file. */
export function saveCalendar(source: CalendarSource): void {
  const link = document.createElement('a');
  const file = new Blob([flushCalendar(source)], { type: 'text/calendar' });
  link.href = URL.createObjectURL(file);
  link.download = 'flushing.ics';
  link.click();
  // Some browsers read it a moment later.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
