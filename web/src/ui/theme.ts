/** Day or dusk: light on dark for the end of the afternoon. */
import { ref } from 'vue'

const KEY = 'able-gauge-theme'

export const dusk = ref(false)

export const startTheme = (): void => setDusk(localStorage.getItem(KEY) === 'dusk')

export const setDusk = (on: boolean): void => {
  dusk.value = on
  localStorage.setItem(KEY, on ? 'dusk' : 'day')
  document.documentElement.dataset['theme'] = on ? 'dusk' : 'day'
}
