import 'vuetify/styles/core'

import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** Feder's schemes for Vuetify: the same values as styles/tokens.css. */
const light = {
  dark: false,
  colors: {
    background: '#F5F5F0',
    surface: '#FCFCFA',
    'surface-variant': '#ECEDE6',
    'on-surface': '#17201E',
    'on-background': '#17201E',
    'on-surface-variant': '#17201E',
    primary: '#17201E',
    'on-primary': '#F5F5F0',
    plan: '#22349F',
    'on-plan': '#F5F5F0',
    warning: '#EDB02E',
    'on-warning': '#17201E',
    error: '#A31C14',
    'on-error': '#FCFCFA',
    info: '#414B48',
    success: '#17201E',
  },
  variables: {
    'border-color': '#727C78',
    'border-opacity': 1,
    'high-emphasis-opacity': 1,
    'medium-emphasis-opacity': 1,
  },
}
const dark = {
  dark: true,
  colors: {
    background: '#14181A',
    surface: '#23292B',
    'surface-variant': '#1B2022',
    'on-surface': '#E9EBE5',
    'on-background': '#E9EBE5',
    'on-surface-variant': '#E9EBE5',
    primary: '#E9EBE5',
    'on-primary': '#14181A',
    plan: '#A9B7FF',
    'on-plan': '#14181A',
    warning: '#F1B83C',
    'on-warning': '#14181A',
    error: '#FF9485',
    'on-error': '#14181A',
    info: '#BFC7C2',
    success: '#E9EBE5',
  },
  variables: {
    'border-color': '#7D8886',
    'border-opacity': 1,
    'high-emphasis-opacity': 1,
    'medium-emphasis-opacity': 1,
  },
}

export const makeVuetify = () =>
  createVuetify({
    theme: { defaultTheme: 'light', themes: { light, dark } },
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    defaults: {
      VTextField: { variant: 'underlined', density: 'compact', hideDetails: 'auto', color: 'primary' },
      VTextarea: {
        variant: 'underlined',
        density: 'compact',
        hideDetails: 'auto',
        color: 'primary',
        autoGrow: true,
        rows: 1,
      },
      VSelect: { variant: 'underlined', density: 'compact', hideDetails: 'auto', color: 'primary' },
      VCheckbox: { density: 'comfortable', hideDetails: true, color: 'primary' },
      VRadioGroup: { density: 'comfortable', hideDetails: true, color: 'primary' },
      VDialog: { maxWidth: 640 },
      VBtn: { variant: 'text', rounded: 0, ripple: false, height: 44 },
    },
  })
