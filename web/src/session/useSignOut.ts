import { useNavigate } from 'react-router';
import { api } from '../data/api.ts';
import { endSession } from '../data/endSession.ts';
import { tellOthers } from '../data/line/messages.ts';
import { useAppDispatch } from '../data/store.ts';

/** A way to sign out, with or without a line. */
export function useSignOut(): () => Promise<void> {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  return async () => {
    await endSession();
    tellOthers({ about: 'session' });
    dispatch(api.util.resetApiState());
    await navigate('/sign-in');
  };
}
