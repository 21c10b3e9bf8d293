import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import './theme/base.css'
import { useThemeChoice } from './theme/theme-store'
import { rudloVuetify } from './theme/vuetify'

const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? ''
const pinia = createPinia()
const theme = useThemeChoice(pinia)
createApp(App).use(pinia).use(rudloVuetify(theme.name, nonce)).use(router).mount('#app')
