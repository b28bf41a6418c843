import { v4 as newId } from 'uuid';
import type { Deed, DeedKind, Lane } from './deeds.ts';
import { keepDeeds } from './keptStore.ts';
import { serverNow } from '../serverClock.ts';
import { tellAll } from './messages.ts';

let tell: (userId: string) => void = () => undefined;
/** Whose deeds are kept; it is waited for until it is known for the first time who is signed in. */
let person = new Promise<string>((resolve) => (tell = resolve));

/**
 * Says whose deeds are kept from now on. A session that ends changes nothing: whoever is still at work on the page goes on being the one
 * who was, and what they do must not wait for a session to be stored.
 */
export function keepFor(userId: string): void {
  tell(userId);
  person = Promise.resolve(userId);
}

/** Keeps something that was done, and has it sent. What the browser will not keep is tried again, and said. */
export async function keep(lane: Lane, deed: DeedKind): Promise<void> {
  const kept: Deed = {
    ...deed,
    id: newId(),
    lane,
    at: new Date(serverNow()).toISOString(),
    userId: await person,
    form: 1,
  };
  for (let pause = 200; ; pause = Math.min(2 * pause, 5000)) {
    try {
      await keepDeeds([kept]);
      break;
    } catch {
      tellAll({ about: 'unkept', unkept: true });
      await new Promise((resolve) => setTimeout(resolve, pause));
    }
  }
  tellAll({ about: 'unkept', unkept: false });
  tellAll({ about: 'kept', lane });
}
