/** Lets a worker thread read TypeScript as the process that starts it does. */
import { register } from 'tsx/esm/api'

register()
await import('./worker.ts')
