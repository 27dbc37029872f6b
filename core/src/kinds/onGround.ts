/** Laps as they were measured where a wave ran, which its start tells where they are not those of the standard. */
import type { Note } from './measure.ts'
import type { WaveStart } from './waveStart.ts'

/** @returns the protocol with the lap that was run; the same object where the start tells no other */
export const onGround = <P extends { readonly lapLengthMm: number }>(protocol: P, start: WaveStart | null): P => {
  const { lapLengthMm = protocol.lapLengthMm } = start?.payload ?? {}
  return lapLengthMm === protocol.lapLengthMm ? protocol : { ...protocol, lapLengthMm }
}

export const groundNotes = (protocol: { readonly lapLengthMm: number }, start: WaveStart | null): Note[] => {
  const { lapLengthMm } = onGround(protocol, start)
  return lapLengthMm === protocol.lapLengthMm
    ? []
    : [{ code: 'measuredLap', lapMm: lapLengthMm, publishedMm: protocol.lapLengthMm }]
}
