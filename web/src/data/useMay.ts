import { may, type Right } from '@katharos/contract';
import { useSession } from './session.ts';

/** Whether who is signed in may do something that not everybody may. The server decides; this is so that nobody is asked in vain. */
export function useMay(right: Right): boolean {
  const session = useSession();
  return session !== undefined && may(session.user.role, right);
}
