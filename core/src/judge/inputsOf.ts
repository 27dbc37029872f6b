/** Which captures a person's verdict rests on. */
import type { Capture } from '../capture/capture.ts'

/**
 * Lays out the captures of a day for asking, of one person after another, which of them count: those about the person and about
 * everybody, with all that corrects them and all they correct. A stamp that was taken from somebody else is among the inputs of
 * both.
 * @returns for an entry, its captures in the order given
 */
export const inputsIn = <One extends Capture>(captures: readonly One[]): ((entryId: string) => One[]) => {
  const placeOf = new Map(captures.map(({ id }, place) => [id, place]))
  const placesOf = new Map<string | null, number[]>()
  const corrections: { readonly place: number; readonly target: number }[] = []
  for (const [place, { entryId, payload }] of captures.entries()) {
    const places = placesOf.get(entryId)
    if (places) places.push(place)
    else placesOf.set(entryId, [place])
    const target = 'captureId' in payload ? placeOf.get(payload.captureId) : undefined
    if (target !== undefined) corrections.push({ place, target })
  }
  return (entryId) => {
    const within = new Set([...(placesOf.get(null) ?? []), ...(placesOf.get(entryId) ?? [])])
    // a correction of a correction is reached in the next round
    for (let size = -1; size !== within.size;) {
      size = within.size
      for (const { place, target } of corrections) {
        if (within.has(place)) within.add(target)
        else if (within.has(target)) within.add(place)
      }
    }
    return [...within].sort((a, b) => a - b).flatMap((place) => captures[place] ?? [])
  }
}
