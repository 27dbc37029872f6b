/** A trace as it is read, for tests that look at its words. */
import type { Trace } from '../src/judge/trace.ts'
import { sayStep } from '../src/words/sayStep.ts'
import type { Words } from '../src/words/words.ts'

export const saidIn = (trace: Trace = []): Words[] => trace.map(sayStep)

export const titlesIn = (trace?: Trace): string[] => saidIn(trace).map(({ title }) => title)
