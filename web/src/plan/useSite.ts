/** The site plan of a day's draft, and what is done to it. */
import {
  firstSite,
  siteFindings,
  SITE_MARK_NAMES,
  type SiteFinding,
  type SiteMark,
  type SiteMarkKind,
  type SitePlan,
} from '@able-gauge/core'
import { computed, ref } from 'vue'
import { eventName, type Day } from '../day/day.ts'
import type { PlanDraft } from './usePlan.ts'

export const useSite = (day: () => Day, draft: PlanDraft) => {
  const site = computed(() => draft.plan.value.site ?? null)
  const chosen = ref('')
  const chosenMark = computed(() => site.value?.marks.find(({ id }) => id === chosen.value) ?? null)
  const put = (next: SitePlan | null): void => {
    const { site: _, ...plan } = draft.plan.value
    draft.change(next ? { ...plan, site: next } : plan)
  }
  const change = (fields: Partial<SitePlan>): void => {
    if (site.value) put({ ...site.value, ...fields })
  }
  const changeMark = (id: string, fields: Partial<SiteMark>): void => {
    if (site.value) change({ marks: site.value.marks.map((mark) => (mark.id === id ? { ...mark, ...fields } : mark)) })
  }

  /** @param label empty for what it is called by itself */
  const relabel = (id: string, label: string): void =>
    change({
      marks: (site.value?.marks ?? []).map((mark) => {
        const { label: _, ...bare } = mark
        return mark.id !== id ? mark : label === '' ? bare : { ...bare, label }
      }),
    })

  const begin = (): void => put(firstSite(day().standard, draft.plan.value))
  const add = (kind: SiteMarkKind, eventId?: string): void => {
    if (!site.value) return
    const { marks, widthMm, depthMm } = site.value
    let number = marks.length + 1
    while (marks.some(({ id }) => id === `${kind.toLowerCase()}-${number}`)) number++
    const id = `${kind.toLowerCase()}-${number}`
    // along the lower edge, beside what was put there before
    const step = Math.max(widthMm, 1.4 * depthMm) / 20
    const place = marks.length % 12
    const mark = { id, kind, xMm: Math.round(step * (1 + place)), yMm: Math.round(depthMm - step / 2) }
    change({ marks: [...marks, eventId === undefined ? mark : { ...mark, eventId }] })
    chosen.value = id
  }
  const remove = (id: string): void => {
    if (!site.value) return
    const { marks, ways } = site.value
    change({
      marks: marks.filter((mark) => mark.id !== id),
      ways: ways.filter(({ from, to }) => from !== id && to !== id),
    })
    chosen.value = ''
  }
  const turn = (id: string, byDegrees: number): void => {
    const mark = site.value?.marks.find((one) => one.id === id)
    if (mark) changeMark(id, { turnDegrees: ((mark.turnDegrees ?? 0) + byDegrees + 360) % 360 })
  }
  const addWay = (from: string, to: string): void => {
    const ways = site.value?.ways ?? []
    const isKnown = ways.some((way) => [way.from, way.to].sort().join(' ') === [from, to].sort().join(' '))
    if (from !== to && !isKnown) change({ ways: [...ways, { from, to }] })
  }
  const removeWay = (at: number): void => change({ ways: (site.value?.ways ?? []).filter((_, index) => index !== at) })

  const findings = computed(() =>
    site.value ? siteFindings(day().standard, draft.plan.value, site.value).map((one) => sayFinding(day(), one)) : [],
  )
  return {
    site,
    chosen,
    chosenMark,
    begin,
    put,
    change,
    changeMark,
    relabel,
    add,
    remove,
    turn,
    addWay,
    removeWay,
    findings,
  }
}

export const nameOfMark = (day: Day, { kind, eventId, label }: SiteMark): string =>
  label ?? (eventId === undefined ? SITE_MARK_NAMES[kind] : eventName(day, eventId))

const sayFinding = (day: Day, finding: SiteFinding): string => {
  switch (finding.code) {
    case 'notPlaced':
      return `${eventName(day, finding.eventId)} has no place on the site.`
    case 'missing':
      return `No ${SITE_MARK_NAMES[finding.kind].toLowerCase()} is marked.`
    case 'outside':
      return `${nameOfMark(day, finding.mark)} reaches beyond the edge of the site.`
  }
}
