import { createPinia, setActivePinia } from 'pinia'
import { createApp, markRaw, type Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import '../../src/ui/theme/base.css'
import { rudloVuetify } from '../../src/ui/theme/vuetify'
import { putUp } from '../put-up'
import TestRoom from './TestRoom.vue'

/** Opens a room by itself: a page with what it is given, in an application without the other rooms. */
export async function atRoom(room: Component, props: Record<string, unknown>): Promise<void> {
  // the sound was checked on this machine before
  localStorage.setItem('rudlo-listening', JSON.stringify({ delay: 0, checked: true }))
  const pinia = createPinia()
  setActivePinia(pinia)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: { render: () => null } }],
  })
  await router.push('/')
  putUp(
    createApp(TestRoom, { room: markRaw(room), given: props })
      .use(pinia)
      .use(router)
      .use(rudloVuetify('light', '')),
  )
}
