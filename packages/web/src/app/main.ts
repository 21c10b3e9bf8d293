import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { useSession } from '../api/session-store'
import App from './App.vue'
import { clearOnFarewell } from './farewell'
import { router } from './router'
import { standBy } from './stand-by'
import '../ui/theme/base.css'
import { useThemeChoice } from '../ui/theme/theme-store'
import { rudloVuetify } from '../ui/theme/vuetify'

const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? ''
const pinia = createPinia()
const theme = useThemeChoice(pinia)
clearOnFarewell(useSession(pinia))
createApp(App).use(pinia).use(rudloVuetify(theme.name, nonce)).use(router).mount('#app')
standBy()
