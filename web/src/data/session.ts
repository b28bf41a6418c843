import { api } from './api.ts';
import { useAppSelector } from './store.ts';

const selectSession = api.endpoints.session.select();

/** Who is signed in and for which firm, as the shell asked; a selector, so that every field of a page may ask at no cost. */
export const useSession = () => useAppSelector((state) => selectSession(state).data);
