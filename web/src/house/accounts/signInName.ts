/** What somebody could sign in by. */
import { watch, type Ref } from 'vue'

/** "Ásta Merrow" is offered as asta.merrow. */
export const nameFrom = (displayName: string): string =>
  displayName
    .normalize('NFD')
    .toLowerCase()
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '.')
    .replace(/^\.+|\.+$/g, '')

/** Has the sign-in name follow the name until somebody types another. */
export const followName = (displayName: Ref<string>, signInName: Ref<string>): void => {
  watch(displayName, (now, before) => {
    if (signInName.value === nameFrom(before)) signInName.value = nameFrom(now)
  })
}
