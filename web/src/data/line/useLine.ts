import { useEffect } from 'react';
import { store } from '../store.ts';
import { connect } from './connect.ts';

/**
 * Joins this page to the line to the server, for as long as it stands and somebody is signed in.
 * It comes with the first code of the application: a page that stands without it would keep nothing.
 */
export function useLine(userId: string | undefined): void {
  useEffect(() => (userId ? connect(store, userId) : undefined), [userId]);
}
