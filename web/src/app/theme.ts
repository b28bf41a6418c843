import { createTheme, type CSSVariablesResolver, type MantineColorsTuple } from '@mantine/core';

/** The one place for the look: colours, type and spacing. Components name roles, never colours. */

/** Deep hill-lake water; shade 7 on white and shade 3 on the dark ground keep 4.5 to 1. */
const tarn: MantineColorsTuple = [
  '#e9f7f9',
  '#d3eaee',
  '#a5d5dd',
  '#75bfcb',
  '#4dacbc',
  '#349fb1',
  '#1f7f90',
  '#146576',
  '#0f4c5c',
  '#0a3843',
];
/** Salt, warnings and the eye's second stop: fired copper. */
const copper: MantineColorsTuple = [
  '#fff3e4',
  '#fbe4cc',
  '#f3c799',
  '#eca862',
  '#e68d36',
  '#e27d1a',
  '#b85f0a',
  '#974c05',
  '#773a02',
  '#5a2a00',
];

/** Greys of the dark appearance, tinted like its ground. */
const dark: MantineColorsTuple = [
  '#e6f1f2',
  '#c4d6da',
  '#a9bec4',
  '#8aa3ab',
  '#3f5b66',
  '#2c454f',
  '#1b333c',
  '#13272f',
  '#0c1c22',
  '#07141a',
];

export const theme = createTheme({
  colors: { tarn, copper, dark },
  primaryColor: 'tarn',
  primaryShade: { light: 7, dark: 7 },
  fontFamily: "'Archivo Variable', system-ui, sans-serif",
  headings: { fontFamily: "'Archivo Variable', system-ui, sans-serif", fontWeight: '650' },
  defaultRadius: 'md',
  cursorType: 'pointer',
  respectReducedMotion: true,
  focusRing: 'auto',
  components: {
    // Its head is no banner: a page has one, and a dialog is not it.
    Modal: { defaultProps: { attributes: { header: { role: 'presentation' } } } },
    // Its cross has no word of its own, and its second line stands on the page's colours rather than on grey ones.
    Notification: {
      defaultProps: {
        closeButtonProps: { 'aria-label': 'Close the notice', size: 44 },
        styles: { description: { color: 'var(--mantine-color-text)' } },
      },
    },
  },
});

export const cssVariables: CSSVariablesResolver = () => ({
  variables: {},
  light: {
    '--k-ground': '#f4f7f6',
    '--k-surface': '#ffffff',
    '--k-ink': '#12303a',
    '--k-quiet': '#4a6068',
    '--k-line': '#ccd8d9',
    '--k-track': '#e6edee',
    '--k-picked': '#ffffff',
    '--k-water-clear': '#2aa5bd',
    '--k-water-salt': '#b85f0a',
    '--k-grain': '#12303a',
    '--k-good': '#1d6b45',
    '--k-warn': '#8a4600',
    '--k-bad': '#a3232c',
    '--k-good-ground': '#e3f3ea',
    '--k-warn-ground': '#fdf0df',
    '--k-bad-ground': '#fbe7e8',
    '--mantine-color-text': '#12303a',
    '--mantine-color-body': '#f4f7f6',
    '--mantine-color-dimmed': '#4a6068',
    '--mantine-color-error': '#a3232c',
    '--mantine-color-placeholder': '#5d737b',
  },
  dark: {
    '--k-ground': '#0c1c22',
    '--k-surface': '#13272f',
    '--k-ink': '#e6f1f2',
    '--k-quiet': '#a9bec4',
    '--k-line': '#2c454f',
    '--k-track': '#1c353f',
    '--k-picked': '#35525d',
    '--k-water-clear': '#4cc3d9',
    '--k-water-salt': '#e68d36',
    '--k-grain': '#0c1c22',
    '--k-good': '#7fd1a5',
    '--k-warn': '#f3b562',
    '--k-bad': '#ff9aa0',
    '--k-good-ground': '#143527',
    '--k-warn-ground': '#3a2a12',
    '--k-bad-ground': '#3f1d20',
    '--mantine-color-text': '#e6f1f2',
    '--mantine-color-body': '#0c1c22',
    '--mantine-color-dimmed': '#a9bec4',
    '--mantine-color-error': '#ff9aa0',
    '--mantine-color-placeholder': '#94aab1',
    '--mantine-color-anchor': '#75bfcb',
  },
});
