/** Whether this device sounds, kept on it; and words spoken where the browser can, a tone where it cannot. */
import { useLocalStorage } from '@vueuse/core'
import { audioContext, toneAt, type Tone } from './audioClock.ts'

const on = useLocalStorage('able-gauge-sound', true)

export const useSound = () => {
  const tone = (which: Tone): void => {
    const audio = on.value ? audioContext() : null
    if (audio) toneAt(audio, which, audio.currentTime)
  }

  const say = (words: string): void => {
    if (!on.value) return
    const voice = typeof speechSynthesis === 'undefined' ? null : speechSynthesis
    // a browser may offer speech without having a voice
    if (!voice || voice.getVoices().length === 0) {
      tone('signal')
      return
    }
    voice.cancel()
    const utterance = new SpeechSynthesisUtterance(words)
    utterance.lang = 'en-GB'
    utterance.rate = 1.1
    voice.speak(utterance)
  }

  return { on, say, tone }
}
