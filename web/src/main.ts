import './style/fonts.scss'
import './style/main.scss'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { keepOnDevice } from './keptOnDevice.ts'
import { makeRouter } from './router.ts'
import { startTheme } from './ui/theme.ts'

/** From the page being there to all of it being fetched for the time without a network. */
const KEEP_AFTER_MS = 4_000

startTheme()
const router = makeRouter()
// the parts of the page that is wanted come while it is still asked who is signed in
for (const { components = {} } of router.resolve(window.location.pathname).matched) {
  for (const part of Object.values(components ?? {})) {
    // the router asks for it again, and tells when it does not come
    if (typeof part === 'function') (part as () => Promise<unknown>)().catch(() => undefined)
  }
}
createApp(App).use(createPinia()).use(router).mount('#app')

// on a slow network the page that is wanted comes first
if (import.meta.env.PROD) window.addEventListener('load', () => setTimeout(keepOnDevice, KEEP_AFTER_MS))
