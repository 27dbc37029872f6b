/** The day that was open on this device last: where an application on the home screen begins. */
import { StorageSerializers, useLocalStorage } from '@vueuse/core'

export const lastDay = useLocalStorage<string | null>('able-gauge-last-day', null, {
  serializer: StorageSerializers.object,
})
