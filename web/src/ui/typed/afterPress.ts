/** Whether a finger or a mouse button is down at the moment. */
let pressed = false;

if (typeof document !== 'undefined') {
  const note = (down: boolean) => () => {
    pressed = down;
  };
  document.addEventListener('pointerdown', note(true), true);
  document.addEventListener('pointerup', note(false), true);
  document.addEventListener('pointercancel', note(false), true);
}

/**
 * Does something at once, or, where a press made the box lose its focus, when that press ends: what is entered may move the page, and a
 * button must not slip away under the finger. It is done before the click itself.
 */
export function afterPress(act: () => void): void {
  if (!pressed) {
    act();
    return;
  }
  const listening = new AbortController();
  const done = () => {
    listening.abort();
    act();
  };
  const options = { capture: true, signal: listening.signal };
  document.addEventListener('pointerup', done, options);
  document.addEventListener('pointercancel', done, options);
}
