import { v4 as newId } from 'uuid'

/** Names this load of the page among those that have used this device: its monotonic clock counts from a moment of its own. */
export const CLOCK_RUN = newId()
