/** A draft being edited: saved by itself, checked while it is typed, published when nothing stands against it. */
import { until, useDebounceFn, useMousePressed } from '@vueuse/core'
import { wrap, type Remote } from 'comlink'
import { computed, onScopeDispose, reactive, ref, shallowRef, toRaw, watch } from 'vue'
import { inWords, Refusal } from '../../api.ts'
import type { Checked, Checker, DraftRemark } from '../../workers/check.worker.ts'
import CheckWorker from '../../workers/check.worker.ts?worker'
import type { Plain } from './plain.ts'
import { useSteps } from './useSteps.ts'
import { listVersions, publishDraft, readVersion, removeDraft, saveDraft } from '../standardCalls.ts'

const shortNamesIn = (node: unknown): string[] => {
  if (Array.isArray(node)) return node.flatMap(shortNamesIn)
  if (typeof node !== 'object' || node === null) return []
  return Object.entries(node).flatMap(([key, value]: [string, unknown]) =>
    key === 'id' && typeof value === 'string' ? [value] : shortNamesIn(value),
  )
}

const SAVE_AFTER_MS = 1_200
const CHECK_AFTER_MS = 150

export const useDraft = (id: string, version: number, content: unknown, firstRevision: number) => {
  const draft = reactive(structuredClone(Object(content)) as Plain)
  const revision = ref(firstRevision)
  const saved = ref<'saved' | 'waiting' | 'saving' | 'failed'>('saved')
  const problem = ref('')
  const checked = shallowRef<Checked | null>(null)
  const others = shallowRef<readonly unknown[]>([])

  const worker = new CheckWorker()
  const checker: Remote<Checker> = wrap<Checker>(worker)
  onScopeDispose(() => worker.terminate())

  /** What the page holds, without what makes it reactive. */
  const plain = (): Plain => JSON.parse(JSON.stringify(toRaw(draft))) as Plain

  const { pressed } = useMousePressed()
  let round = 0
  const check = async (): Promise<void> => {
    const mine = ++round
    const answer = await checker.check(plain(), others.value)
    // what comes and goes beside a field moves what is below it: never under a finger
    await until(pressed).toBe(false)
    // an answer about an older text says nothing about this one
    if (mine === round) checked.value = answer
  }
  const checkSoon = useDebounceFn(check, CHECK_AFTER_MS)

  let saving: Promise<boolean> | null = null
  const saveNow = async (): Promise<boolean> => {
    saved.value = 'saving'
    try {
      revision.value = (await saveDraft(id, version, revision.value, plain())).revision
      if (saved.value === 'saving') saved.value = 'saved'
      problem.value = ''
      return true
    } catch (error) {
      saved.value = 'failed'
      problem.value = `${inWords(error)} What you typed stays on this page.`
      return false
    }
  }
  /** One save at a time, each with the revision the one before it got. */
  const save = async (): Promise<boolean> => {
    while (saving) await saving
    if (saved.value === 'saved') return true
    saving = saveNow().finally(() => (saving = null))
    return saving
  }
  const saveSoon = useDebounceFn(save, SAVE_AFTER_MS)

  const steps = useSteps(draft)

  watch(draft, () => {
    saved.value = 'waiting'
    void checkSoon()
    void saveSoon()
  })

  const readOthers = async (): Promise<void> => {
    const own = (await listVersions()).filter(
      (one) => one.id === id && one.version !== version && one.state !== 'draft',
    )
    const details = await Promise.all(own.map((one) => readVersion(id, one.version)))
    others.value = details.map(({ content: other }, index) => {
      const inForceTo = own[index]?.inForceTo
      return inForceTo ? { ...Object(other), inForceTo } : other
    })
    await check()
  }
  readOthers().catch((error: unknown) => (problem.value = inWords(error)))

  const remarks = computed(() => checked.value?.remarks ?? [])
  const byPlace = computed(() => {
    const places = new Map<string, DraftRemark[]>()
    for (const remark of remarks.value) places.set(remark.place, [...(places.get(remark.place) ?? []), remark])
    return places
  })
  const errors = computed(() => remarks.value.filter(({ severity }) => severity === 'error').length)
  const mayPublish = computed(() => checked.value !== null && errors.value === 0)

  /** @returns whether it is published now */
  const publish = async (): Promise<boolean> => {
    if (!(await save())) return false
    try {
      await publishDraft(id, version, revision.value)
      return true
    } catch (error) {
      const places = error instanceof Refusal ? error.findings.map(({ place, found }) => `${place}: ${found}`) : []
      problem.value = [inWords(error), ...places].join(' ')
      return false
    }
  }
  const remove = (): Promise<void> => removeDraft(id, version, revision.value)

  /** Short names other versions have: results of theirs are compared by them, so they stay. */
  const keptNames = computed(() => new Set(shortNamesIn(others.value)))

  return { draft, saved, problem, remarks, byPlace, errors, mayPublish, keptNames, steps, save, publish, remove }
}
