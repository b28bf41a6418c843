import Bowser from 'bowser';

/** A browser by what it says of itself, as people call it. */
export function deviceName(agent: string): string {
  if (!agent) return 'A browser that says nothing of itself';
  const { browser, os } = Bowser.parse(agent);
  const names = [browser.name, os.name].filter(Boolean);
  return names.length > 0 ? names.join(' on ') : agent;
}
