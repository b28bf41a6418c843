const keptAs = 'katharos:rung';
/** More than any day has. */
const most = 60;

/** Whether a timer is to ring now: true once for each in this browser, however many of its tabs watch it. */
export function rang(key: string): boolean {
  try {
    const before = JSON.parse(localStorage.getItem(keptAs) ?? '[]') as string[];
    if (before.includes(key)) return false;
    localStorage.setItem(keptAs, JSON.stringify([...before, key].slice(-most)));
    return true;
  } catch {
    if (here.has(key)) return false;
    here.add(key);
    return true;
  }
}

/** Where the browser keeps nothing. */
const here = new Set<string>();
