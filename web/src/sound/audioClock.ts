/** Short tones on the audio clock of the browser, scheduled ahead so that the page's own work cannot delay them. */
import { ref } from 'vue'

let context: AudioContext | null = null

/** Whether sound can be heard now: `locked` until a touch or a key, `none` where the browser has none. */
export const audible = ref<'none' | 'locked' | 'open'>(typeof AudioContext === 'undefined' ? 'none' : 'locked')

/** Browsers let a page sound only after a touch or a key, so it is made when first asked for. */
export const audioContext = (): AudioContext | null => {
  if (typeof AudioContext === 'undefined') return null
  if (!context) {
    const made = new AudioContext()
    made.onstatechange = () => (audible.value = made.state === 'running' ? 'open' : 'locked')
    context = made
  }
  if (context.state === 'suspended') void context.resume()
  return context
}

export type Tone = 'beat' | 'accent' | 'signal' | 'level'

const TONES: Readonly<Record<Tone, { readonly hertz: number; readonly seconds: number }>> = {
  beat: { hertz: 880, seconds: 0.05 },
  accent: { hertz: 1320, seconds: 0.06 },
  signal: { hertz: 700, seconds: 0.18 },
  level: { hertz: 1050, seconds: 0.5 },
}

/** @param atSeconds of the context's own clock, on the sample it should begin */
export const toneAt = (audio: AudioContext, tone: Tone, atSeconds: number): void => {
  const { hertz, seconds } = TONES[tone]
  const [oscillator, gain] = [audio.createOscillator(), audio.createGain()]
  oscillator.frequency.value = hertz
  gain.gain.setValueAtTime(0.6, atSeconds)
  gain.gain.exponentialRampToValueAtTime(0.001, atSeconds + seconds)
  oscillator.connect(gain).connect(audio.destination)
  oscillator.start(atSeconds)
  oscillator.stop(atSeconds + seconds)
}
