/** Colours and type of the interface, named by what they are. Day and night hold the same names. */
import { createTheme } from '@mui/material/styles';

export const TOKENS = {
  light: {
    mist: '#F3F0EA',
    paper: '#FFFDF9',
    peat: '#2A2320',
    stone: '#6E655E',
    hair: '#DDD6CB',
    edge: '#8C8279',
    heather: '#74468C',
    heatherWash: '#EFE6F3',
    gorse: '#8A6100',
    gorseWash: '#FFF0C2',
    rust: '#9C3B1B',
    rustWash: '#FBE6DE',
    lichen: '#3F6B4A',
    lichenWash: '#E6EFE4',
    onHeather: '#FFFFFF',
  },
  dark: {
    mist: '#1E1A1B',
    paper: '#282324',
    peat: '#EFE8E0',
    stone: '#B3A79D',
    hair: '#423A3A',
    edge: '#8A7E78',
    heather: '#CDA6E0',
    heatherWash: '#3B2C44',
    gorse: '#F0C453',
    gorseWash: '#423510',
    rust: '#F0936F',
    rustWash: '#4A281C',
    lichen: '#9CC9A5',
    lichenWash: '#26382A',
    onHeather: '#1E1A1B',
  },
} as const;

export type Token = keyof (typeof TOKENS)['light'];

/** The CSS variable of a token. */
export const color = (token: Token): string => `var(--hm-${token})`;

const variables = (values: Record<Token, string>) =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [`--hm-${name}`, value]));

/** What carries a meaning there carries it by its shape or its words: threads have gaps, beads other forms. */
const FORCED: Record<Token, string> = {
  mist: 'Canvas',
  paper: 'Canvas',
  peat: 'CanvasText',
  stone: 'CanvasText',
  hair: 'CanvasText',
  edge: 'CanvasText',
  heather: 'Highlight',
  heatherWash: 'Canvas',
  gorse: 'CanvasText',
  gorseWash: 'Canvas',
  rust: 'CanvasText',
  rustWash: 'Canvas',
  lichen: 'CanvasText',
  lichenWash: 'Canvas',
  onHeather: 'HighlightText',
};

const FORCED_COLORS = '@media (forced-colors: active)';

/** Where the visitor's own few colours are used, a ground alone is not seen: what is chosen or pressed is filled. */
const FILLED = {
  [FORCED_COLORS]: { forcedColorAdjust: 'none', backgroundColor: 'Highlight', color: 'HighlightText' },
} as const;

export const SANS = '"Hanken Grotesk Variable", system-ui, sans-serif';
export const SERIF = '"Fraunces Variable", Georgia, serif';
export const MONO = '"JetBrains Mono Variable", ui-monospace, monospace';

function palette(scheme: 'light' | 'dark') {
  const t = TOKENS[scheme];
  return {
    palette: {
      primary: { main: t.heather, contrastText: t.onHeather },
      error: { main: t.rust, contrastText: scheme === 'light' ? '#fff' : t.mist },
      warning: { main: t.gorse, contrastText: scheme === 'light' ? '#fff' : t.mist },
      success: { main: t.lichen, contrastText: scheme === 'light' ? '#fff' : t.mist },
      background: { default: t.mist, paper: t.paper },
      text: { primary: t.peat, secondary: t.stone },
      divider: t.hair,
    },
  };
}

/** Of the size of a field's words; what stands in the frame of a field is read as well. */
const SMALL_LABEL = 0.9;

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: '[data-theme="%s"]' },
  colorSchemes: { light: palette('light'), dark: palette('dark') },
  shape: { borderRadius: 4 },
  // At once: who changes to night, or presses, waits for no colour.
  transitions: { create: () => 'none' },
  typography: {
    fontFamily: SANS,
    fontSize: 13,
    button: { textTransform: 'none', fontWeight: 600 },
    h1: { fontFamily: SERIF, fontSize: '1.5rem', fontWeight: 600, lineHeight: 1.2 },
    h2: { fontFamily: SERIF, fontSize: '1.125rem', fontWeight: 600, lineHeight: 1.2 },
    body1: { fontSize: '0.875rem' },
    body2: { fontSize: '0.8125rem' },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        ':root, [data-theme="light"]': variables(TOKENS.light),
        '[data-theme="dark"]': { ...variables(TOKENS.dark), colorScheme: 'dark' },
        [FORCED_COLORS]: { ':root, [data-theme="light"], [data-theme="dark"]': variables(FORCED) },
        'html, body': { height: '100%' },
        body: { fontSize: '0.875rem', fontVariantNumeric: 'tabular-nums' },
        code: { fontFamily: MONO, fontSize: '0.8125rem' },
        ':focus-visible': { outline: '2px solid var(--hm-heather)', outlineOffset: 2 },
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': { animationDuration: '0.01ms !important', transitionDuration: '0.01ms !important' },
        },
      },
    },
    MuiButton: {
      defaultProps: {
        disableElevation: true,
        disableRipple: true,
        size: 'small',
        color: 'inherit',
        variant: 'outlined',
      },
      styleOverrides: {
        root: {
          padding: '4px 11px',
          fontSize: '0.8125rem',
          lineHeight: 1.5,
          '&:focus-visible': { outline: '2px solid var(--hm-heather)', outlineOffset: 2 },
        },
        outlined: {
          borderColor: color('hair'),
          backgroundColor: color('paper'),
          '&:hover': { borderColor: color('edge'), backgroundColor: color('paper') },
        },
        contained: { '&:not(.Mui-disabled)': FILLED },
      },
    },
    MuiToggleButton: { styleOverrides: { root: { '&.Mui-selected': FILLED } } },
    MuiTabs: { styleOverrides: { indicator: FILLED } },
    MuiLinearProgress: { styleOverrides: { root: { [FORCED_COLORS]: { border: '1px solid' } }, bar: FILLED } },
    MuiSlider: { styleOverrides: { thumb: FILLED, track: FILLED } },
    MuiIconButton: {
      defaultProps: { disableRipple: true, size: 'small' },
      styleOverrides: {
        root: { borderRadius: 4, '&:focus-visible': { outline: '2px solid var(--hm-heather)', outlineOffset: 1 } },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiInputBase: { styleOverrides: { root: { fontSize: '0.8125rem' } } },
    // As large as what it labels: the gap in the frame is measured by that.
    MuiInputLabel: {
      styleOverrides: {
        root: { fontSize: '0.8125rem' },
        shrink: { '&.MuiInputLabel-outlined': { transform: `translate(14px, -8px) scale(${SMALL_LABEL})` } },
      },
    },
    MuiOutlinedInput: { styleOverrides: { notchedOutline: { '& legend': { fontSize: `${SMALL_LABEL}em` } } } },
    // At once: nobody who works waits for what grows, and what moves under the pointer is not what was aimed at.
    MuiMenu: { defaultProps: { transitionDuration: 0 } },
    MuiDialog: {
      defaultProps: { transitionDuration: 0 },
      styleOverrides: { paper: { border: `1px solid ${color('hair')}` } },
    },
    MuiTooltip: { defaultProps: { enterDelay: 400 } },
  },
});
