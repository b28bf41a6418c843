import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';

/** How the page appears, and the other way. */
export function useAppearance() {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light');
  const other = scheme === 'light' ? ('dark' as const) : ('light' as const);
  return { scheme, other, change: () => setColorScheme(other) };
}
