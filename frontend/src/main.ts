import '@fontsource/ibm-plex-sans-condensed/latin-400.css'
import '@fontsource/ibm-plex-sans-condensed/latin-500.css'
import '@fontsource/ibm-plex-sans-condensed/latin-600.css'
import './styles/tokens.css'
import './styles/feder.css'
import './styles/drawing.css'

import { createApp } from 'vue'

import App from './App.vue'
import { makeVuetify } from './plugins/vuetify'
import { makeRouter } from './router'

createApp(App).use(makeVuetify()).use(makeRouter()).mount('#app')
