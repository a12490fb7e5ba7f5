import { definePreset } from '@primeuix/themes';
import Aura from '@primeuix/themes/aura';

/** Indigo is for selection and interaction only. */
const indigo = {
  50: '#f3f4fa',
  100: '#e6e9f4',
  200: '#c7cde6',
  300: '#a3add6',
  400: '#6f7fb8',
  500: '#3d4f8a',
  600: '#35467c',
  700: '#2c3a69',
  800: '#243056',
  900: '#1b2442',
  950: '#121830',
};

const surfaces = { background: '{surface.0}', borderColor: 'var(--rule)' };

const plainButton = {
  color: 'var(--ink)',
  borderColor: 'var(--rule)',
  hoverBackground: 'var(--indigo-wash)',
  activeBackground: 'var(--indigo-wash)',
};

const pressed = { ...plainButton, color: 'var(--indigo-ink)' };

const buttons = {
  outlined: { primary: pressed, secondary: plainButton },
  text: { primary: pressed, secondary: plainButton },
};

/** What is chosen stands out by its ground and its line, what is not stays as legible. */
const toggle = {
  root: {
    background: 'var(--paper)',
    checkedBackground: 'var(--paper)',
    hoverBackground: 'var(--paper)',
    borderColor: 'var(--rule)',
    checkedBorderColor: 'var(--rule)',
    color: 'var(--soft)',
    hoverColor: 'var(--ink)',
    checkedColor: 'var(--on-indigo)',
  },
  content: { checkedBackground: 'var(--indigo)' },
};

/** What is said by the circuit or the program: by its colour, and a bar that also shows without colours. */
const said = (name: string, ink: string) => ({
  background: `var(--${name}-wash)`,
  borderColor: 'transparent',
  color: 'var(--ink)',
  shadow: `inset 5px 0 0 var(--${name})`,
  simple: { color: ink },
});
const messages = {
  error: said('lantern', 'var(--lantern-ink)'),
  warn: said('amber', 'var(--amber-ink)'),
  success: said('moss', 'var(--moss-ink)'),
};
const toasts = {
  secondary: {
    background: 'var(--raised)',
    borderColor: 'var(--rule)',
    color: 'var(--ink)',
    detailColor: 'var(--ink)',
  },
};

/** Stands out from whatever it covers. */
const told = { root: { background: 'var(--ink)', color: 'var(--paper)' } };

/** The component kit in our own tokens; colours follow the theme set on the document. */
export const yureiPreset = definePreset(Aura, {
  semantic: {
    primary: indigo,
    focusRing: { width: '2px', style: 'solid', color: 'var(--indigo)', offset: '2px' },
    colorScheme: {
      light: {
        surface: { 0: '#fffdf7', 50: '#f7f3ea', 100: '#efe9db', 200: '#ddd5c4', 300: '#c9bfa9' },
        text: { color: '#20242b', mutedColor: '#5b6270' },
        content: surfaces,
        formField: { borderColor: '#b9b09c', background: '#fffdf7' },
      },
      dark: {
        primary: {
          color: '#8b9be0',
          contrastColor: '#14171d',
          hoverColor: '#a3b0ea',
          activeColor: '#a3b0ea',
        },
        surface: { 0: '#ffffff', 700: '#343a46', 800: '#262b35', 900: '#1c2028', 950: '#14171d' },
        text: { color: '#ece7db', mutedColor: '#a3a9b5' },
        content: { background: '#1c2028', borderColor: '#343a46', color: '#ece7db' },
        formField: { borderColor: '#565e6d', background: '#14171d', color: '#ece7db' },
      },
    },
  },
  components: {
    select: {
      root: {
        sm: { fontSize: 'var(--type-small)', paddingX: '7px', paddingY: '3px' },
        background: 'var(--raised)',
        transitionDuration: '0s',
      },
      dropdown: { width: '24px' },
      option: { padding: '5px 10px' },
    },
    autocomplete: { option: { padding: '5px 10px' } },
    tabs: {
      tablist: { background: 'transparent' },
      tab: { padding: '3px 0 4px', margin: '0 14px -1px 0', fontWeight: '400' },
      tabpanel: { background: 'transparent', padding: '8px 0 0' },
    },
    datatable: {
      root: { transitionDuration: '0s' },
      headerCell: {
        background: 'transparent',
        color: 'var(--soft)',
        hoverBackground: 'var(--indigo-wash)',
        sm: { padding: '3px 8px 3px 0' },
      },
      columnTitle: { fontWeight: '400' },
      row: { background: 'transparent' },
      bodyCell: { sm: { padding: '3px 8px 3px 0' } },
      footerCell: { background: 'transparent', sm: { padding: '3px 8px 3px 0' } },
    },
    fieldset: {
      root: { background: 'transparent', borderColor: 'transparent', padding: '0' },
      legend: {
        background: 'transparent',
        hoverBackground: 'var(--indigo-wash)',
        color: 'var(--soft)',
        padding: '3px 4px 3px 0',
        gap: '4px',
        fontWeight: '400',
      },
      content: { padding: '2px 0 0' },
    },
    checkbox: { root: { transitionDuration: '0s' } },
    togglebutton: {
      root: { transitionDuration: '0s', sm: { padding: '2px' } },
      content: { sm: { padding: '3px 10px' } },
      colorScheme: { light: toggle, dark: toggle },
    },
    message: {
      content: { padding: '10px 16px', sm: { padding: '8px 14px' } },
      text: {
        fontSize: 'var(--type-body)',
        fontWeight: '400',
        sm: { fontSize: 'var(--type-small)' },
      },
      colorScheme: { light: messages, dark: messages },
    },
    toast: {
      root: { width: '460px' },
      content: { padding: '6px 14px' },
      colorScheme: { light: toasts, dark: toasts },
    },
    confirmpopup: { root: { background: 'var(--raised)', color: 'var(--ink)' } },
    skeleton: {
      colorScheme: {
        light: { root: { background: 'var(--rule)' } },
        dark: { root: { background: 'var(--rule)' } },
      },
    },
    tooltip: {
      root: { maxWidth: '400px', padding: '6px 10px' },
      colorScheme: { light: told, dark: told },
    },
    button: {
      root: { transitionDuration: '0s' },
      colorScheme: { light: buttons, dark: buttons },
    },
  },
});
