import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css'
import './style/main.scss'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { makeRouter } from './router.ts'
import { startTheme } from './ui/theme.ts'

startTheme()
createApp(App).use(createPinia()).use(makeRouter()).mount('#app')

// kept on the device, the application opens without a network; a browser that cannot is no worse off than before
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  navigator.serviceWorker.register('/sw.js').catch((error: unknown) => {
    console.error('The application cannot be kept on this device.', error)
  })
}
