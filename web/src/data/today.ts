import dayjs from 'dayjs';
import { serverNow } from './serverClock.ts';

/** Today where this device is, as an ISO date. */
export const today = (): string => dayjs(serverNow()).format('YYYY-MM-DD');
