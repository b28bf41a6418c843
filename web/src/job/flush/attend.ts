import { useEffect } from 'react';

/** Keeps the screen on while somebody stands beside a step that runs. */
export function useWakeLock(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let isGone = false;
    const hold = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (held) => {
          if (isGone) void held.release();
          else lock = held;
        },
        // A battery that is nearly empty may refuse it.
        () => undefined,
      );
    };
    hold();
    // The browser lets go of it whenever the page is hidden.
    document.addEventListener('visibilitychange', hold);
    return () => {
      isGone = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [wanted]);
}

export const canSpeak = (): boolean => 'speechSynthesis' in window;

/** Reads a text out, or falls silent where it is being read. */
export function speak(sentences: readonly string[]): void {
  const { speechSynthesis: voice } = window;
  const wasSpeaking = voice.speaking;
  voice.cancel();
  if (wasSpeaking) return;
  const words = new SpeechSynthesisUtterance(sentences.join(' '));
  words.lang = 'en';
  voice.speak(words);
}
