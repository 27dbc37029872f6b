/** The application kept on the device, so that it opens without a network; and a newer version of it, which waits to be taken. */
import { shallowRef } from 'vue'

/** A page may stay open for days; so often it asks for a newer version. */
const LOOK_EVERY_MS = 30 * 60_000

/** Takes the newer version and loads the page anew; null while there is none. */
export const takeNewer = shallowRef<(() => void) | null>(null)

/** A browser that cannot is no worse off than before: it asks the server for every page. */
export const keepOnDevice = async (): Promise<void> => {
  if (!('serviceWorker' in navigator)) return
  const { Workbox } = await import('workbox-window')
  const worker = new Workbox('/sw.js')
  worker.addEventListener('waiting', () => {
    takeNewer.value = () => {
      worker.addEventListener('controlling', () => window.location.reload())
      worker.messageSkipWaiting()
    }
  })
  try {
    await worker.register()
  } catch (error) {
    console.error('The application cannot be kept on this device.', error)
    return
  }
  setInterval(() => {
    // without a network there is nothing to look for
    worker.update().catch(() => undefined)
  }, LOOK_EVERY_MS)
}
