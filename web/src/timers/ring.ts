/** How a timer makes itself heard: sound, a shake of the phone, a notification. */

let context: AudioContext | undefined;

/** Browsers let a page sound and notify only after somebody touched it: asked for when a timer is started. */
export function askToNotify(): void {
  try {
    context ??= new AudioContext();
    void context.resume();
  } catch {
    // No sound here; the rest is tried.
  }
  if ('Notification' in window && Notification.permission === 'default') {
    void Notification.requestPermission();
  }
}

const noteS = 0.22;
/** Two notes, the second higher, three times. */
const tune = [660, 880, 0, 660, 880, 0, 660, 880];

function sound(): void {
  try {
    context ??= new AudioContext();
    void context.resume();
    const { currentTime: now, destination } = context;
    tune.forEach((hertz, i) => {
      if (hertz === 0) return;
      const note = context!.createOscillator();
      const volume = context!.createGain();
      note.frequency.value = hertz;
      volume.gain.setValueAtTime(0.4, now + i * noteS);
      volume.gain.exponentialRampToValueAtTime(0.01, now + (i + 1) * noteS);
      note.connect(volume).connect(destination);
      note.start(now + i * noteS);
      note.stop(now + (i + 1) * noteS);
    });
  } catch {
    // A browser without sound.
  }
}

/** Says that a time is up in every way that the device has. @param tag one of its kind at a time */
export function ring(tag: string, title: string, body: string): void {
  sound();
  if ('vibrate' in navigator) navigator.vibrate([300, 150, 300, 150, 300]);
  void notifyOutside(tag, title, body);
}

async function notifyOutside(tag: string, title: string, body: string): Promise<void> {
  if (!('Notification' in window) || Notification.permission !== 'granted') return;
  const options = { body, tag, icon: '/mark-192.png' };
  const worker = await navigator.serviceWorker?.getRegistration();
  // A phone only shows what the service worker shows.
  if (worker) await worker.showNotification(title, options);
  else new Notification(title, options);
}
